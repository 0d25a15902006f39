<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { transfer, wrap } from 'comlink'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { PollingFigures } from '../../core/measure/polling'
import FigureChart from '../shared/late-chart'
import { estimateText, figure, heldText } from './estimate-text'
import type { Instrument } from './instrument'
import { SPECIMEN } from './specimens'
import type { Analyst } from './analyst-worker'
import { decimal } from '../shared/numbers'
import NothingYet from './NothingYet.vue'

/** How often the mouse reports: rate, spread of the intervals, reports that are missing. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const figures = shallowRef<PollingFigures>()
const worker = new Worker(new URL('./analyst-worker.ts', import.meta.url), { type: 'module' })
const analyst = wrap<Analyst>(worker)
onScopeDispose(() => worker.terminate())

let busy = false
async function look(): Promise<void> {
  if (busy) return
  busy = true
  const version = props.instrument.version.value
  const { times } = props.instrument.log
  figures.value = await analyst.polling(transfer(times, [times.buffer]))
  busy = false
  if (version !== props.instrument.version.value) void look()
}
watch(props.instrument.version, look, { immediate: true })

const rateKnown = computed(() => figures.value !== undefined && !Number.isNaN(figures.value.rateHz.value))
const bars = computed(() => figures.value?.histogram.map(({ ms, count }) => [ms, count] as const) ?? [])
const rates = computed(() => figures.value?.overTime.map(({ s, rateHz }) => [s, rateHz] as const) ?? [])
</script>

<template>
  <template v-if="figures">
    <dl>
      <div>
        <dt>Rate</dt>
        <dd class="mono" data-testid="rate">
          {{ rateKnown ? estimateText(figures.rateHz, 1, ' Hz') : 'not known yet' }}
        </dd>
      </div>
      <div v-if="!rateKnown">
        <dt>Reports per second</dt>
        <dd class="mono" data-testid="reports-per-second">{{ estimateText(figures.reportsHz, 1) }}</dd>
      </div>
      <div>
        <dt>Usual interval</dt>
        <dd class="mono">{{ figure(figures.medianMs, 3) }} ms</dd>
      </div>
      <div>
        <dt>Jitter, ±</dt>
        <dd class="mono">{{ figure(figures.jitterMs, 3) }} ms</dd>
      </div>
      <div>
        <dt>Missed</dt>
        <dd class="mono">
          {{ figures.missed }} of {{ (figures.reports + figures.missed).toLocaleString('en') }}
        </dd>
      </div>
    </dl>
    <div class="contents" role="status">
      <p v-if="!rateKnown" class="caption">
        {{
          figures.clockMs === undefined
            ? 'The intervals vary too much for a polling rate. Keep moving the mouse fast and without pauses.'
            : `This browser’s clock has steps of ${figures.clockMs} ms. That is too coarse to tell the polling rate from lost reports and jitter.`
        }}
      </p>
    </div>
    <p v-if="specimen" class="caption">
      {{ heldText(figures.rateHz, 1000, '1,000 Hz') }}; planted besides: each stamp strays ±{{
        SPECIMEN.jitterMs
      }}
      ms, {{ 100 * SPECIMEN.lostShare }} % are lost
    </p>
    <FigureChart
      title="Intervals"
      :result="`Half of all intervals are shorter than ${decimal(figures.medianMs, 3)} ms.`"
      :lines="[{ name: 'reports', kind: 'bar', points: bars }]"
      :x="{
        name: 'ms between two reports',
        min: Math.floor(10 * itemAt(bars, 0)[0]) / 10,
        max: Math.ceil(10 * itemAt(bars, bars.length - 1)[0]) / 10,
      }"
      :y="{ name: 'reports' }"
      :marks="[{ at: figures.medianMs, name: 'median' }]"
      :columns="['ms', 'reports']"
      :rows="bars.map(([ms, count]) => [decimal(ms, 3), count])"
      :height="190"
    />
    <FigureChart
      title="Over time"
      :lines="[{ name: 'reports a second', points: rates }]"
      :x="{ name: 's', min: 0 }"
      :y="{ name: 'Hz', min: 0 }"
      :columns="['s', 'Hz']"
      :rows="rates.map(([s, hz]) => [decimal(s, 2), decimal(hz)])"
      :height="170"
    />
  </template>
  <NothingYet
    v-else
    title="No report yet"
    text="Start, then move the mouse in circles for ten seconds, as fast as is comfortable: a mouse reports only while it moves. The rate and how sure it is, the spread of the intervals, and reports that are missing stand here then."
    ghost="M60 88V78H76V58H92V30H108V8H124V26H140V60H156V80H172V88"
  />
  <p class="caption">
    {{
      instrument.raw
        ? 'This browser hands over each report as it comes.'
        : 'This browser hands over movement once a frame with what it kept in between: high rates may be thinned out.'
    }}
    Its stamps are made when the system has the report, and rounded: the system’s own jitter is in them, and
    what the mouse measured between two polls cannot be seen from here.
  </p>
</template>
