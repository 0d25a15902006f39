<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed } from 'vue'
import { analyseStroke, detectSnapping } from '../../core/measure/straightness'
import { findStrokes } from '../../core/measure/strokes'
import { decimalText } from './estimate-text'
import type { Instrument } from './instrument'
import EmptyInstrument from './EmptyInstrument.vue'

/** Straightness of strokes, and whether the mouse snaps them. */
const props = defineProps<{ instrument: Instrument }>()
const strokes = computed(() => {
  void props.instrument.version.value
  const { timesMs, dx, dy } = props.instrument.log.movement
  return findStrokes(timesMs, dx, dy)
})
const figures = computed(() => strokes.value.map(analyseStroke))
const snapping = computed(() => detectSnapping(figures.value))
const VERDICTS = withTexts(
  {},
  {
    snaps: 'measure.thisMouseSnapsStrokesToStraight',
    'does not': 'measure.noAngleSnapping',
    'not enough strokes': 'measure.drawAtLeastThreeStrokesWithin6',
  },
)
const byHand = computed(() => {
  const { exact, chance } = snapping.value
  if (exact === 0) return ''
  return chance < 0.001
    ? t('measure.aHandAloneWouldDoThisWith')
    : t('measure.aHandAloneWouldDoThisWith2', { percent: decimalText(100 * chance, 1) })
})
const shown = computed(() => strokes.value.slice(-12))
function path(points: { x: number; y: number }[]): string {
  const max = points.reduce((far, { x, y }) => Math.max(far, Math.abs(x), Math.abs(y)), 1)
  return points.map(({ x, y }) => `${((95 * x) / max).toFixed(1)},${((95 * y) / max).toFixed(1)}`).join(' ')
}
</script>

<template>
  <template v-if="figures.length > 0">
    <p role="status">
      <b>{{ VERDICTS[snapping.verdict] }}</b>
      {{ t('measure.ofStrokesNearAnAxisAreExactly', { exact: snapping.exact, near: snapping.near }) }}
      {{ byHand }}
    </p>
    <div class="grid grid-cols-[230px_minmax(0,1fr)] items-start gap-4.5">
      <svg
        class="w-full rounded-6 border border-line-strong bg-paper-high"
        viewBox="-100 -100 200 200"
        role="img"
        :aria-label="t('measure.latestStrokesEachFromTheCentre')"
      >
        <path class="stroke-line" d="M-100 0H100M0 -100V100" />
        <polyline
          v-for="(points, index) in shown"
          :key="index"
          class="fill-none stroke-bar-motion stroke-1"
          :points="path(points)"
        />
      </svg>
      <div class="max-h-[330px] overflow-auto">
        <v-table>
          <thead>
            <tr>
              <th>{{ t('measure.stroke') }}</th>
              <th>{{ t('measure.counts') }}</th>
              <th>{{ t('measure.direction') }}</th>
              <th>{{ t('measure.deviationRms') }}</th>
              <th>{{ t('measure.maximum') }}</th>
            </tr>
          </thead>
          <tbody class="mono">
            <tr v-for="(stroke, index) in figures" :key="index">
              <td>{{ index + 1 }}</td>
              <td>{{ decimalText(stroke.length, 0) }}</td>
              <td>{{ decimalText(stroke.degrees, 2) }}°</td>
              <td>{{ decimalText(stroke.strayRms, 2) }}</td>
              <td>{{ decimalText(stroke.strayMost, 1) }}</td>
            </tr>
          </tbody>
        </v-table>
      </div>
    </div>
  </template>
  <EmptyInstrument
    v-else
    :title="t('measure.noStrokesYet')"
    :text="t('measure.pressStartAndDrawAboutADozen')"
    axes="M10 45H230"
    ghost="M10 47C40 42 58 50 88 44S140 49 168 43 206 48 230 45"
  />
</template>
