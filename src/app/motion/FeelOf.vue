<script setup lang="ts">
import { computed, ref } from 'vue'
import { degreesPerCount } from '../../core/motion/feel'
import type { Step } from '../../core/document/schema'
import { bounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import WordsField from '../shared/WordsField.vue'
import { SCREENS_PX, useFeelOf } from './feel-of'
import { SelectField } from '../../look/SelectField'

/** Whose screen and whose game the sums are for: the game's own degrees a count, typed or measured with a turn. */
const props = defineProps<{ steps: Step[]; factor: number }>()
const feel = useFeelOf()
const SCREENS = SCREENS_PX.map((px) => ({ value: px, title: `${px} px` }))
const ofSteps = computed(() => props.steps.map(({ dpi }, at) => ({ value: at, title: `${dpi} DPI` })))
const measuring = ref(false)
const turns = ref(1)
const handCm = ref(40)
const atStep = ref(0)

function setDegrees(typed: string): string | undefined {
  const degrees = Number(typed.replace(',', '.'))
  if (!(degrees > 0 && degrees < 10)) return 'A number above 0 and under 10 is due, such as 0.022'
  feel.value = { ...feel.value, degreesPerCount: degrees }
  return undefined
}

const setTurns = bounded(1, 20, 'turns', (next) => (turns.value = next))

const setHand = bounded(1, 500, 'cm', (next) => (handCm.value = next))

function measured(): void {
  const dpi = props.steps[atStep.value]?.dpi
  if (dpi === undefined) return
  const found = degreesPerCount(360 * turns.value, handCm.value * 10, dpi)
  feel.value = { ...feel.value, degreesPerCount: Number(found.toPrecision(4)) }
  measuring.value = false
}
</script>

<template>
  <section class="ruled" aria-label="What the sums are for">
    <div class="flow">
      <span class="caption">The sums are for</span>
      <span>a screen of</span>
      <SelectField v-model="feel.screenPx" :items="SCREENS" aria-label="Width of the screen in px" />
      <span v-if="factor !== 1" class="caption">at × {{ factor }} pointer speed</span>
      <span>a game turning</span>
      <WordsField
        class="in-row mono"
        width="84"
        inputmode="decimal"
        :value="String(feel.degreesPerCount)"
        aria-label="Degrees a count"
        :apply="setDegrees"
      />
      <span>° a count</span>
      <v-btn variant="plain" :aria-expanded="measuring" @click="measuring = !measuring"> measure it </v-btn>
    </div>
    <div v-if="measuring" class="flow opened mt-1.5 gap-1.5">
      In the game I turned
      <NumberField :value="turns" label="Full turns" :apply="setTurns" />
      full turns with
      <NumberField :value="handCm" label="Centimetres of hand" :apply="setHand" />
      cm of hand, at
      <SelectField v-model="atStep" :items="ofSteps" aria-label="At step" />
      <v-btn @click="measured">Use that</v-btn>
    </div>
  </section>
</template>
