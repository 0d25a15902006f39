<script setup lang="ts">
import { computed } from 'vue'
import { analyseStroke, detectSnapping } from '../../core/measure/straightness'
import { strokesOf } from '../../core/measure/strokes'
import { figure } from './estimate-text'
import type { Instrument } from './instrument'
import NothingYet from './NothingYet.vue'

/** How straight strokes come out, and whether the mouse straightens them by itself. */
const props = defineProps<{ instrument: Instrument }>()
const strokes = computed(() => {
  void props.instrument.version.value
  const { timesMs, dx, dy } = props.instrument.log.movement
  return strokesOf(timesMs, dx, dy)
})
const figures = computed(() => strokes.value.map(analyseStroke))
const snapping = computed(() => detectSnapping(figures.value))
const VERDICTS = {
  snaps: 'This mouse snaps strokes to straight lines.',
  'does not': 'No angle snapping.',
  'not enough strokes': 'Three strokes within 6° of straight are needed to tell.',
}
const byHand = computed(() => {
  const { exact, chance } = snapping.value
  if (exact === 0) return ''
  return `; by a hand alone that has a likelihood of ${chance < 0.001 ? 'under 0.1' : figure(100 * chance, 1)} %`
})
const shown = computed(() => strokes.value.slice(-12))
function path(points: { x: number; y: number }[]): string {
  const most = points.reduce((far, { x, y }) => Math.max(far, Math.abs(x), Math.abs(y)), 1)
  return points.map(({ x, y }) => `${((95 * x) / most).toFixed(1)},${((95 * y) / most).toFixed(1)}`).join(' ')
}
</script>

<template>
  <template v-if="figures.length > 0">
    <p role="status">
      <b>{{ VERDICTS[snapping.verdict] }}</b>
      {{ snapping.exact }} of {{ snapping.near }} strokes near to an axis came out exactly straight{{
        byHand
      }}.
    </p>
    <div class="grid grid-cols-[230px_minmax(0,1fr)] items-start gap-4.5">
      <svg
        class="w-full rounded-6 border border-line-strong bg-paper-high"
        viewBox="-100 -100 200 200"
        role="img"
        aria-label="The last strokes, each from the middle"
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
              <th>Stroke</th>
              <th>Counts</th>
              <th>Direction</th>
              <th>Strays, rms</th>
              <th>At most</th>
            </tr>
          </thead>
          <tbody class="mono">
            <tr v-for="(stroke, index) in figures" :key="index">
              <td>{{ index + 1 }}</td>
              <td>{{ figure(stroke.length, 0) }}</td>
              <td>{{ figure(stroke.degrees, 2) }}°</td>
              <td>{{ figure(stroke.strayRms, 2) }}</td>
              <td>{{ figure(stroke.strayMost, 1) }}</td>
            </tr>
          </tbody>
        </v-table>
      </div>
    </div>
  </template>
  <NothingYet
    v-else
    title="No stroke yet"
    text="Start, and draw straight strokes, across and along, resting half a second after each. A dozen tell most. How straight they are, and whether the mouse straightens them for you, stands here then."
    axes="M10 45H230"
    ghost="M10 47C40 42 58 50 88 44S140 49 168 43 206 48 230 45"
  />
</template>
