<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { computed, ref, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import ChoiceRow from '../../look/ChoiceRow.vue'
import ClicksTool from './ClicksTool.vue'
import CountsTool from './CountsTool.vue'
import KeysTool from './KeysTool.vue'
import LinesTool from './LinesTool.vue'
import PollingTool from './PollingTool.vue'
import SessionTool from './SessionTool.vue'
import { useInstrument } from './instrument'
import { useTestDevice } from './test-devices'
import type { TestDeviceRequest } from '../../simulator/api'
import ViewBar from '../shared/ViewBar.vue'
import GlossaryTerm from '../shared/GlossaryTerm.vue'

/** Instruments for the hardware in the person's hand, whatever its make, and a test device for checking them. */
const surface = useTemplateRef<HTMLElement>('surface')
const instrument = useInstrument(surface)
const specimen = useTestDevice(instrument)

interface Tool {
  value: 'polling' | 'counts' | 'clicks' | 'keys' | 'lines' | 'session'
  text: string
  title: string
  ask: string
  /** The glossary term of its subject. */
  term?: string
  /** How a test device is used; missing if there is none. */
  use?: { how: TestDeviceRequest['use']; times: number }
}
const TOOLS: Tool[] = [
  withTexts(
    {
      value: 'polling',
      term: 'polling-rate',
      use: {
        how: 'swirl',
        times: 8000,
      },
    },
    { text: 'measure.polling', title: 'measure.pollingRate', ask: 'measure.moveInCircles' },
  ),
  withTexts(
    {
      value: 'counts',
      term: 'dpi',
      use: {
        how: 'passes',
        times: 16,
      },
    },
    { text: 'measure.countsPerInch', title: 'measure.trueCountsPerInch', ask: 'measure.moveAlongTheEdge' },
  ),
  withTexts(
    {
      value: 'clicks',
      term: 'debounce',
      use: {
        how: 'clicks',
        times: 1000,
      },
    },
    { text: 'measure.clicks', title: 'measure.clicksAndDoublePresses', ask: 'measure.clickEachButton' },
  ),
  withTexts(
    {
      value: 'keys',
      use: {
        how: 'chords',
        times: 10,
      },
    },
    { text: 'measure.keys', title: 'measure.keyRollover', ask: 'measure.holdKeysDown' },
  ),
  withTexts(
    {
      value: 'lines',
      term: 'angle-snapping',
      use: {
        how: 'strokes',
        times: 12,
      },
    },
    { text: 'measure.lines', title: 'measure.straightLines', ask: 'measure.drawStraightStrokes' },
  ),
  withTexts(
    {
      value: 'session',
      use: {
        how: 'play',
        times: 180,
      },
    },
    { text: 'measure.session', title: 'measure.sessionLog', ask: 'measure.playOrWork' },
  ),
]
const route = useRoute()
const router = useRouter()
/** The address has the selected instrument. */
const tool = computed(() => TOOLS.find(({ value }) => value === route.query.tool) ?? itemAt(TOOLS, 0))
const chosen = computed(() => tool.value.value)
const SOURCES = [
  withTexts({ value: 'own' }, { text: 'measure.myOwnDevice' }),
  withTexts({ value: 'specimen' }, { text: 'measure.testDeviceWithKnownFaults' }),
] as const
const source = ref<(typeof SOURCES)[number]['value']>('own')
const isSpecimen = computed(() => source.value === 'specimen' && tool.value.use !== undefined)

function resetInstrument(): void {
  instrument.stop()
  instrument.clear()
}

function setTool(next: Tool['value'] | undefined): void {
  if (!next) return
  resetInstrument()
  void router.replace({ query: { tool: next } })
}

function setSource(next: typeof source.value | undefined): void {
  if (!next) return
  resetInstrument()
  source.value = next
}

function begin(): void {
  const { use } = tool.value
  if (isSpecimen.value && use) void specimen.measure(use.how, use.times)
  else if (instrument.recording.value) instrument.stop()
  else void instrument.start()
}
</script>

<template>
  <div
    class="measure grid h-full grid-cols-[minmax(340px,38%)_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] max-[1000px]:h-auto max-[1000px]:grid-cols-1 max-[1000px]:grid-rows-[auto]"
  >
    <ViewBar>
      <h1 class="me-4">{{ t('measure.measure') }}</h1>
      <v-tabs
        :model-value="chosen"
        :aria-label="t('measure.instrument')"
        @update:model-value="(tool) => setTool(tool as Tool['value'])"
      >
        <v-tab v-for="{ value, text } in TOOLS" :key="value" :value :text aria-controls="measured" />
      </v-tabs>
    </ViewBar>
    <section
      class="flex flex-col gap-3 overflow-auto border-e border-line px-5 py-4"
      :aria-label="t('measure.bench')"
    >
      <ChoiceRow
        :label="t('measure.measuredDevice')"
        :choices="SOURCES"
        :model-value="source"
        @update:model-value="setSource"
      />
      <div
        ref="surface"
        class="surface sheet grid min-h-[300px] flex-1 content-center justify-items-center gap-2 rounded-8 border-[1.5px] border-ink bg-paper-high select-none"
        :class="{ recording: instrument.recording.value }"
        tabindex="0"
        role="application"
        :aria-label="t('measure.measuringSurface')"
      >
        <strong v-if="instrument.recording.value">{{ tool.ask }}</strong>
        <strong v-else-if="isSpecimen">{{ t('measure.theTestDeviceIsReady') }}</strong>
        <strong v-else>{{ t('measure.pressStartThenHere', { task: tool.ask.toLowerCase() }) }}</strong>
        <span class="mono" role="status">{{ instrument.tally.value }}</span>
        <span v-if="instrument.recording.value" class="caption">
          {{
            instrument.locked.value ? t('measure.escapeStopsAndReleasesThePointer') : t('measure.escapeStops')
          }}
        </span>
      </div>
      <div class="line">
        <v-btn variant="flat" color="ink" :disabled="specimen.working.value" @click="begin">
          {{
            specimen.working.value
              ? t('measure.measuring')
              : isSpecimen
                ? t('measure.measureTheTestDevice')
                : instrument.recording.value
                  ? t('measure.stop')
                  : t('measure.start')
          }}
        </v-btn>
        <v-btn variant="text" @click="instrument.clear()">{{ t('measure.clear') }}</v-btn>
      </div>
      <v-alert v-if="specimen.problem.value" :text="specimen.problem.value" />
      <p v-if="source === 'specimen'" class="caption">
        {{
          tool.use
            ? chosen === 'keys'
              ? t('measure.aSimulatedDunlin84WithKnownFaults')
              : t('measure.aSimulatedTern7WithKnownFaults')
            : t('measure.thisInstrumentHasNoTestDeviceIt')
        }}
      </p>
      <p v-else class="caption">
        {{ t('measure.worksWithDevicesOfAnyMake') }}
      </p>
    </section>
    <section
      id="measured"
      role="tabpanel"
      class="results flex flex-col gap-3 overflow-auto bg-paper-low px-6 py-4"
      :aria-label="tool.title"
    >
      <h2>
        <GlossaryTerm v-if="tool.term" :of="tool.term">{{ tool.title }}</GlossaryTerm>
        <template v-else>{{ tool.title }}</template>
      </h2>
      <PollingTool v-if="chosen === 'polling'" :instrument="instrument" :specimen="isSpecimen" />
      <CountsTool v-else-if="chosen === 'counts'" :instrument="instrument" :specimen="isSpecimen" />
      <ClicksTool v-else-if="chosen === 'clicks'" :instrument="instrument" :specimen="isSpecimen" />
      <KeysTool v-else-if="chosen === 'keys'" :instrument="instrument" :specimen="isSpecimen" />
      <LinesTool v-else-if="chosen === 'lines'" :instrument="instrument" />
      <SessionTool v-else :instrument="instrument" :specimen="isSpecimen" />
    </section>
  </div>
</template>

<style scoped>
.surface.recording {
  border-color: var(--motion);
  box-shadow: 0 0 0 1px var(--motion);
}

.measure :deep(.line) {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}

.results :deep(dl) {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 34px;
  margin: 0;
}

.results :deep(dt) {
  color: var(--ink-faint);
  font-size: 0.858rem;
}

.results :deep(dd) {
  margin: 0;
  font-size: 1.143rem;
}

.results :deep(p) {
  max-width: 720px;
}

.results :deep(.v-table) {
  width: fit-content;
}
</style>
