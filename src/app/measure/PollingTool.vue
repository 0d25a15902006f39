<script setup lang="ts">
import { t } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { transfer, wrap } from 'comlink'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { PollingFigures } from '../../core/measure/polling'
import FigureChart from '../shared/late-chart'
import { estimateText, decimalText, containsActualText } from './estimate-text'
import type { Instrument } from './instrument'
import { TEST_DEVICE } from './test-devices'
import type { Analyst } from './analyst-worker'
import { decimal } from '../shared/numbers'
import EmptyInstrument from './EmptyInstrument.vue'

/** How often the mouse reports: rate, spread of the intervals, missing reports. */
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
        <dt>{{ t('measure.rate') }}</dt>
        <dd class="mono" data-testid="rate">
          {{ rateKnown ? estimateText(figures.rateHz, 1, ' Hz') : t('measure.notKnownYet') }}
        </dd>
      </div>
      <div v-if="!rateKnown">
        <dt>{{ t('measure.reportsPerSecond') }}</dt>
        <dd class="mono" data-testid="reports-per-second">{{ estimateText(figures.reportsHz, 1) }}</dd>
      </div>
      <div>
        <dt>{{ t('measure.typicalInterval') }}</dt>
        <dd class="mono">{{ t('measure.ms', { ms: decimalText(figures.medianMs, 3) }) }}</dd>
      </div>
      <div>
        <dt>{{ t('measure.jitter') }}</dt>
        <dd class="mono">{{ t('measure.ms', { ms: decimalText(figures.jitterMs, 3) }) }}</dd>
      </div>
      <div>
        <dt>{{ t('measure.missed') }}</dt>
        <dd class="mono">
          {{
            t('measure.of', {
              missed: figures.missed,
              reports: decimal(figures.reports + figures.missed),
            })
          }}
        </dd>
      </div>
    </dl>
    <div class="contents" role="status">
      <p v-if="!rateKnown" class="caption">
        {{
          figures.clockMs === undefined
            ? t('measure.theIntervalsVaryTooMuchToTell')
            : t('measure.thisBrowsersClockHasAResolutionOf', { resolution: figures.clockMs })
        }}
      </p>
    </div>
    <p v-if="specimen" class="caption">
      {{
        t('measure.otherActualValuesJitterOfMsLost', {
          verdict: containsActualText(figures.rateHz, 1000, '1,000 Hz'),
          jitterMs: TEST_DEVICE.jitterMs,
          lostShare: 100 * TEST_DEVICE.lostShare,
        })
      }}
    </p>
    <FigureChart
      :title="t('measure.intervals')"
      :result="t('measure.halfOfAllIntervalsAreShorterThan', { ms: decimal(figures.medianMs, 3) })"
      :lines="[{ name: t('measure.reports'), kind: 'bar', points: bars }]"
      :x="{
        name: t('measure.msBetweenReports'),
        min: Math.floor(10 * itemAt(bars, 0)[0]) / 10,
        max: Math.ceil(10 * itemAt(bars, bars.length - 1)[0]) / 10,
      }"
      :y="{ name: t('measure.reports') }"
      :marks="[{ at: figures.medianMs, name: t('measure.median2') }]"
      :columns="[t('measure.msBetweenReports'), t('measure.reports')]"
      :rows="bars.map(([ms, count]) => [decimal(ms, 3), count])"
      :height="190"
    />
    <FigureChart
      :title="t('measure.overTime')"
      :lines="[{ name: t('measure.reportsPerSecond'), points: rates }]"
      :x="{ name: t('measure.secondsAxis'), min: 0 }"
      :y="{ name: t('measure.hertzAxis'), min: 0 }"
      :columns="[t('measure.secondsAxis'), t('measure.hertzAxis')]"
      :rows="rates.map(([s, hz]) => [decimal(s, 2), decimal(hz)])"
      :height="170"
    />
  </template>
  <EmptyInstrument
    v-else
    :title="t('measure.noReportsYet')"
    :text="t('measure.pressStartAndMoveTheMouseIn')"
    ghost="M60 88V78H76V58H92V30H108V8H124V26H140V60H156V80H172V88"
  />
  <p class="caption">
    {{
      instrument.raw
        ? t('measure.thisBrowserPassesOnEachReportAs')
        : t('measure.thisBrowserPassesOnMovementOncePer')
    }}
  </p>
</template>
