<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { POINTER_CURVES, pointerCurveById } from '../../core/motion/pointer-curve'
import type { TryOut } from './try-out'
import { SelectField } from '../../look/SelectField'

/** Pointer acceleration of an operating system: modelled and explained, but not on the device. */
const props = defineProps<{ tryOut: TryOut; unadjusted: boolean }>()

const CURVES = POINTER_CURVES.map(({ id, name }) => ({ value: id, title: textOf(name) }))
const setCurve = (id: (typeof CURVES)[number]['value']) =>
  props.tryOut.setSystem(id, props.tryOut.systemFactor.value)
const setFactor = (factor: number) => props.tryOut.setSystem(props.tryOut.curveId.value, factor)
</script>

<template>
  <v-expansion-panels class="mt-auto border-t border-line">
    <v-expansion-panel>
      <v-expansion-panel-title>
        {{ t('motion.operatingSystemEffects') }}
        <span class="caption ms-2">{{ t('motion.notOnTheDevice') }}</span>
      </v-expansion-panel-title>
      <v-expansion-panel-text>
        <div class="flow">
          <SelectField
            class="inner-label"
            :label="t('motion.acceleration')"
            :items="CURVES"
            :model-value="tryOut.curveId.value"
            @update:model-value="setCurve"
          />
          <span class="caption"
            ><RichMessage message="motion.pointerSpeed">
              <template #factor
                ><span class="mono">{{
                  t('motion.text3', { factor: tryOut.systemFactor.value })
                }}</span></template
              >
            </RichMessage></span
          >
          <v-slider
            class="w-[110px]"
            :min="0.25"
            :max="2"
            :step="0.25"
            :model-value="tryOut.systemFactor.value"
            :aria-label="t('motion.pointerSpeedInTheOperatingSystem')"
            @update:model-value="setFactor"
          />
        </div>
        <p class="caption">
          {{
            t('motion.operatingSystemsAccelerateThe', {
              curve: textOf(pointerCurveById(tryOut.curveId.value).about),
            })
          }}<template v-if="!unadjusted"> {{ t('motion.thisBrowserPassesOnYourOwnMouse') }}</template>
        </p>
      </v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>
