<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SensorData } from '../../core/device/model'
import { STEP_COLOURS } from '../../core/light/step-colours'
import { equalFeelSteps } from '../../core/motion/feel'
import { gateText } from '../../core/wording/gate-words'
import { dpiAtPlace, placeOnRule } from '../../core/motion/scale'
import { dpiProblem, nearestDpi } from '../../core/motion/steps'
import { setStepsDpi } from '../../core/edits/motion-edits'
import DpiField from './DpiField.vue'
import type { MotionWork } from './work'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** Steps between two, each the same factor from the last; what the sensor's grid makes of it is shown first. */
const props = defineProps<{ work: MotionWork; sensor: SensorData }>()
const emit = defineEmits<{ done: [] }>()
const first = props.work.steps.value.map(({ dpi }) => dpi)
const from = ref(Math.min(...first))
const to = ref(Math.max(...first))
const count = ref(Math.max(2, Math.min(props.sensor.maxSteps, first.length)))
const spread = computed(() => equalFeelSteps(props.sensor, from.value, to.value, count.value))
const factor = computed(() => (to.value / from.value) ** (1 / (count.value - 1)))
const counts = computed(() =>
  Array.from({ length: props.sensor.maxSteps - 1 }, (_, index) => ({
    value: index + 2,
    title: `${index + 2} steps`,
  })),
)
const percent = (error: number) =>
  Math.abs(error) < 0.05 ? 'exact' : `${error > 0 ? '+' : '−'}${decimal(Math.abs(error), 1)} %`

function setFrom(dpi: number): string | undefined {
  const problem = dpiProblem(props.sensor, dpi)
  if (!problem) from.value = dpi
  return problem && gateText(problem)
}

function setTo(dpi: number): string | undefined {
  const problem = dpiProblem(props.sensor, dpi)
  if (!problem) to.value = dpi
  return problem && gateText(problem)
}

/** Both ends by hand, on the rule's scale: each doubling is as long as the next. */
const PLACES = 200
const placeOf = (dpi: number) => Math.round(placeOnRule(props.sensor, dpi) * PLACES)
/** Low on the rule a place is less than the sensor's grid: then the next setting is meant. */
function moved(dpi: number, place: number): number {
  const there = dpiAtPlace(props.sensor, place / PLACES)
  const by = Math.sign(place - placeOf(dpi)) * props.sensor.resolutionDpi
  return there === dpi ? nearestDpi(props.sensor, dpi + by) : there
}
const ends = computed({
  get: () => [from.value, to.value].map(placeOf),
  set: ([low = 0, high = 0]) => {
    if (low !== ends.value[0]) from.value = moved(from.value, low)
    if (high !== ends.value[1]) to.value = moved(to.value, high)
  },
})

function apply(): void {
  const { value: model } = props.work.model
  const dpis = spread.value.map(({ dpi }) => dpi)
  if (model) props.work.edit(['spread-steps'], (current) => setStepsDpi(current, model, dpis, STEP_COLOURS))
  emit('done')
}
</script>

<template>
  <section class="opened mb-2.5 grid gap-2" aria-label="Spread evenly">
    <div class="flow">
      <SelectField v-model="count" :items="counts" aria-label="How many steps" />
      <span>from</span>
      <DpiField :dpi="from" :sensor label="Lowest step in DPI" :apply="setFrom" />
      <span>to</span>
      <DpiField :dpi="to" :sensor label="Highest step in DPI" :apply="setTo" />
      <span class="caption"
        >each × <span class="mono">{{ decimal(factor, 3) }}</span></span
      >
      <v-btn variant="flat" color="ink" @click="apply">Use these</v-btn>
    </div>
    <v-range-slider
      v-model="ends"
      class="max-w-[560px]"
      :max="PLACES"
      :step="1"
      aria-label="Lowest and highest step"
      start-thumb-aria-label="Lowest step"
      end-thumb-aria-label="Highest step"
      :aria-valuetext="`${from} to ${to} DPI`"
    />
    <ol class="m-0 flex list-none flex-wrap gap-x-5.5 gap-y-1.5 p-0">
      <li v-for="(step, index) in spread" :key="index" class="grid">
        <b class="mono">{{ step.dpi }}</b>
        <span class="caption"
          >{{ decimal(step.exactDpi) }} wanted{{ index === 0 ? '' : `, ${percent(step.errorPercent)}` }}</span
        >
      </li>
    </ol>
  </section>
</template>
