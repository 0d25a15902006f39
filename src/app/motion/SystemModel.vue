<script setup lang="ts">
import { POINTER_CURVES } from '../../core/motion/pointer-curve'
import type { TryOut } from './try-out'
import { SelectField } from '../../look/SelectField'

/** What an operating system does to the counts before the pointer moves: modelled, explained, and not on the device. */
const props = defineProps<{ tryOut: TryOut; unadjusted: boolean }>()

const CURVES = POINTER_CURVES.map(({ id, name }) => ({ value: id, title: name }))
const setCurve = (id: (typeof CURVES)[number]['value']) =>
  props.tryOut.setSystem(id, props.tryOut.systemFactor.value)
const setFactor = (factor: number) => props.tryOut.setSystem(props.tryOut.curveId.value, factor)
</script>

<template>
  <v-expansion-panels class="mt-auto border-t border-line">
    <v-expansion-panel>
      <v-expansion-panel-title>
        What the computer’s system adds <span class="caption ml-2">not on the device</span>
      </v-expansion-panel-title>
      <v-expansion-panel-text>
        <div class="flow">
          <SelectField
            class="inner-label"
            label="Acceleration"
            :items="CURVES"
            :model-value="tryOut.curveId.value"
            @update:model-value="setCurve"
          />
          <span class="caption"
            >Pointer speed × <span class="mono">{{ tryOut.systemFactor.value }}</span></span
          >
          <v-slider
            class="w-[110px]"
            :min="0.25"
            :max="2"
            :step="0.25"
            :model-value="tryOut.systemFactor.value"
            aria-label="Pointer speed of the system"
            @update:model-value="setFactor"
          />
        </div>
        <p class="caption">
          {{ POINTER_CURVES.find(({ id }) => id === tryOut.curveId.value)?.about }}. Systems bend the pointer
          after the counts have arrived; games mostly read the counts themselves. It is modelled here, and
          nothing of it is set by Unisera; nor are the time of a double click and the lines a wheel scrolls,
          which each system keeps for itself. The pointer speed counts in the sums of the steps.<template
            v-if="!unadjusted"
          >
            This browser hands over your mouse’s movement with your own system’s acceleration in it.</template
          >
        </p>
      </v-expansion-panel-text>
    </v-expansion-panel>
  </v-expansion-panels>
</template>
