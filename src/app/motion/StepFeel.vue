<script setup lang="ts">
import { t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, ref } from 'vue'
import { degreesPerCount } from '../../core/motion/feel'
import type { Step } from '../../core/document/schema'
import { applyBounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import EditTextField from '../shared/EditTextField.vue'
import { SCREENS_PX, useFeelOf } from './step-feel'
import { SelectField } from '../../look/SelectField'

/** The screen and the game for the distances: the degrees per count are typed, or measured with a turn. */
const props = defineProps<{ steps: Step[]; factor: number }>()
const feel = useFeelOf()
const SCREENS = SCREENS_PX.map((px) => ({ value: px, title: `${px} px` }))
const ofSteps = computed(() =>
  props.steps.map(({ dpi }, at) => ({ value: at, title: t('motion.dpi', { dpi }) })),
)
const measuring = ref(false)
const turns = ref(1)
const handCm = ref(40)
const atStep = ref(0)

function setDegrees(typed: string): string | undefined {
  const degrees = Number(typed.replace(',', '.'))
  if (!(degrees > 0 && degrees < 10)) return t('motion.enterANumberBetween0And10')
  feel.value = { ...feel.value, degreesPerCount: degrees }
  return undefined
}

const setTurns = applyBounded(1, 20, 'shared.enterToTurns', (next) => (turns.value = next))

const setHand = applyBounded(1, 500, 'shared.enterToCm', (next) => (handCm.value = next))

function measured(): void {
  const dpi = props.steps[atStep.value]?.dpi
  if (dpi === undefined) return
  const found = degreesPerCount(360 * turns.value, handCm.value * 10, dpi)
  feel.value = { ...feel.value, degreesPerCount: Number(found.toPrecision(4)) }
  measuring.value = false
}
</script>

<template>
  <section class="ruled" :aria-label="t('motion.distanceSettings')">
    <div class="flow">
      <RichMessage message="motion.distancesForAScreenOfAndA">
        <template #screen>
          <SelectField v-model="feel.screenPx" :items="SCREENS" :aria-label="t('motion.screenWidthInPx')" />
          <span v-if="factor !== 1" class="caption">{{ t('motion.atPointerSpeed', { factor }) }}</span>
        </template>
        <template #degrees>
          <EditTextField
            class="in-row mono"
            width="84"
            inputmode="decimal"
            :value="String(feel.degreesPerCount)"
            :aria-label="t('motion.degreesPerCount')"
            :apply="setDegrees"
          />
        </template>
      </RichMessage>
      <v-btn variant="plain" :aria-expanded="measuring" @click="measuring = !measuring">
        {{ t('motion.measure') }}
      </v-btn>
    </div>
    <div v-if="measuring" class="flow opened mt-1.5 gap-1.5">
      <RichMessage message="motion.inTheGameITurnedFullTurns">
        <template #turns
          ><NumberField :value="turns" :label="t('motion.fullTurns')" :apply="setTurns"
        /></template>
        <template #distance
          ><NumberField :value="handCm" :label="t('motion.handMovementInCm')" :apply="setHand"
        /></template>
        <template #step
          ><SelectField v-model="atStep" :items="ofSteps" :aria-label="t('motion.dpiStep')"
        /></template>
      </RichMessage>
      <v-btn @click="measured">{{ t('motion.apply') }}</v-btn>
    </div>
  </section>
</template>
