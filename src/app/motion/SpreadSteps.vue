<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { clamp } from '../../core/base/numbers'
import { computed, ref } from 'vue'
import type { SensorData } from '../../core/device/model'
import { STEP_COLOURS } from '../../core/light/step-colours'
import { equalFeelSteps } from '../../core/motion/feel'
import { problemMessage } from '../../core/wording/problem-messages'
import { dpiAtPosition, scalePosition } from '../../core/motion/scale'
import { dpiProblem, nearestDpi } from '../../core/motion/steps'
import { setStepsDpi } from '../../core/edits/motion-edits'
import DpiField from './DpiField.vue'
import type { MotionView } from './motion-view'
import { decimal } from '../shared/numbers'
import { SelectField } from '../../look/SelectField'

/** Steps between two values with equal factors, rounded to what the sensor supports. */
const props = defineProps<{ work: MotionView; sensor: SensorData }>()
const emit = defineEmits<{ done: [] }>()
const first = props.work.steps.value.map(({ dpi }) => dpi)
const from = ref(Math.min(...first))
const to = ref(Math.max(...first))
const count = ref(clamp(first.length, 2, props.sensor.maxSteps))
const spread = computed(() => equalFeelSteps(props.sensor, from.value, to.value, count.value))
const factor = computed(() => (to.value / from.value) ** (1 / (count.value - 1)))
const counts = computed(() =>
  Array.from({ length: props.sensor.maxSteps - 1 }, (_, index) => ({
    value: index + 2,
    title: t('motion.steps2', { count: index + 2 }),
  })),
)
/** The exact value of a step, and how much the nearest one that the sensor supports differs from it. */
function exactText({ exactDpi, errorPercent }: { exactDpi: number; errorPercent: number }): string {
  const dpi = decimal(exactDpi)
  if (Math.abs(errorPercent) < 0.05) return t('motion.exactly', { dpi })
  const sign = errorPercent > 0 ? '+' : '−'
  const percent = t('look.percent', { percent: `${sign}${decimal(Math.abs(errorPercent), 1)}` })
  return t('motion.exactlyOffBy', { dpi, percent })
}

function setFrom(dpi: number): string | undefined {
  const problem = dpiProblem(props.sensor, dpi)
  if (!problem) from.value = dpi
  return problem && textOf(problemMessage(problem))
}

function setTo(dpi: number): string | undefined {
  const problem = dpiProblem(props.sensor, dpi)
  if (!problem) to.value = dpi
  return problem && textOf(problemMessage(problem))
}

/** Both ends can be dragged on the scale, where each doubling has the same length. */
const PLACES = 200
const placeOf = (dpi: number) => Math.round(scalePosition(props.sensor, dpi) * PLACES)
/** At low values, a position is less than the sensor's increment: then the next value is used. */
function moved(dpi: number, place: number): number {
  const there = dpiAtPosition(props.sensor, place / PLACES)
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
  <section class="opened mb-2.5 grid gap-2" :aria-label="t('motion.spreadStepsEvenly')">
    <div class="flow">
      <SelectField v-model="count" :items="counts" :aria-label="t('motion.numberOfSteps')" />
      <span>{{ t('motion.from') }}</span>
      <DpiField :dpi="from" :sensor :label="t('motion.lowestStepInDpi')" :apply="setFrom" />
      <span>{{ t('motion.to') }}</span>
      <DpiField :dpi="to" :sensor :label="t('motion.highestStepInDpi')" :apply="setTo" />
      <span class="caption"
        ><RichMessage message="motion.eachStepIsTheOneBefore">
          <template #factor
            ><span class="mono">{{ t('motion.text3', { factor: decimal(factor, 3) }) }}</span></template
          >
        </RichMessage></span
      >
      <v-btn variant="flat" color="ink" @click="apply">{{ t('motion.applySteps') }}</v-btn>
    </div>
    <v-range-slider
      v-model="ends"
      class="max-w-[560px]"
      :max="PLACES"
      :step="1"
      :aria-label="t('motion.lowestAndHighestStep')"
      :start-thumb-aria-label="t('motion.lowestStep')"
      :end-thumb-aria-label="t('motion.highestStep')"
      :aria-valuetext="t('motion.dpi2', { from, to })"
    />
    <ol class="m-0 flex list-none flex-wrap gap-x-5.5 gap-y-1.5 p-0">
      <li v-for="(step, index) in spread" :key="index" class="grid">
        <b class="mono">{{ step.dpi }}</b>
        <span class="caption">{{ exactText(step) }}</span>
      </li>
    </ol>
  </section>
</template>
