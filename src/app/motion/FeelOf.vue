<script setup lang="ts">
import { ref } from 'vue'
import { degreesPerCount } from '../../core/motion/feel'
import type { Step } from '../../core/profile/schema'
import { bounded } from '../parts/bounded'
import NumberField from '../parts/NumberField.vue'
import { SCREENS_PX, useFeelOf } from './feel-of'

/** Whose screen and whose game the sums are for: the game's own degrees a count, typed or measured with a turn. */
const props = defineProps<{ steps: Step[]; factor: number }>()
const feel = useFeelOf()
const measuring = ref(false)
const turns = ref(1)
const handCm = ref(40)
const atStep = ref(0)

function setDegrees(event: Event): void {
  const typed = event.target instanceof HTMLInputElement ? Number(event.target.value.replace(',', '.')) : 0
  if (typed > 0 && typed < 10) feel.value = { ...feel.value, degreesPerCount: typed }
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
    <p class="flow">
      <span class="caption">The sums are for</span>
      <label
        >a screen of
        <select v-model.number="feel.screenPx" class="field" aria-label="Width of the screen in px">
          <option v-for="px in SCREENS_PX" :key="px" :value="px">{{ px }} px</option>
        </select>
      </label>
      <span v-if="factor !== 1" class="caption">at × {{ factor }} pointer speed</span>
      <label
        >a game turning
        <input
          class="field mono degrees"
          inputmode="decimal"
          :value="feel.degreesPerCount"
          aria-label="Degrees a count"
          @change="setDegrees"
        />
        ° a count
      </label>
      <button type="button" class="link" :aria-expanded="measuring" @click="measuring = !measuring">
        measure it
      </button>
    </p>
    <p v-if="measuring" class="flow opened measure">
      In the game I turned
      <NumberField :value="turns" label="Full turns" :apply="setTurns" />
      full turns with
      <NumberField :value="handCm" label="Centimetres of hand" :apply="setHand" />
      cm of hand, at
      <select v-model.number="atStep" class="field" aria-label="At step">
        <option v-for="(step, index) in steps" :key="index" :value="index">{{ step.dpi }} DPI</option>
      </select>
      <button type="button" class="button" @click="measured">Use that</button>
    </p>
  </section>
</template>

<style scoped>
.measure {
  margin-top: 6px;
  gap: 6px;
}

label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}

.degrees {
  width: 84px;
  text-align: right;
}
</style>
