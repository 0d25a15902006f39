<script setup lang="ts">
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
import { useSpecimen } from './specimens'
import type { SpecimenRequest } from '../../simulator/face'
import ViewBar from '../shared/ViewBar.vue'
import TermWord from '../shared/TermWord.vue'

/** Instruments for the hardware in the person's hand, whatever its make; and a specimen to check them by. */
const surface = useTemplateRef<HTMLElement>('surface')
const instrument = useInstrument(surface)
const specimen = useSpecimen(instrument)

interface Tool {
  value: 'polling' | 'counts' | 'clicks' | 'keys' | 'lines' | 'session'
  text: string
  title: string
  ask: string
  /** The word of the trade it measures. */
  term?: string
  /** How a specimen is used for it; none where one says nothing. */
  use?: { how: SpecimenRequest['use']; times: number }
}
const TOOLS: Tool[] = [
  {
    value: 'polling',
    text: 'Polling',
    title: 'Polling rate',
    ask: 'Move in circles',
    term: 'polling-rate',
    use: { how: 'swirl', times: 8000 },
  },
  {
    value: 'counts',
    text: 'Counts per inch',
    title: 'True counts per inch',
    ask: 'Move along the edge',
    term: 'dpi',
    use: { how: 'passes', times: 16 },
  },
  {
    value: 'clicks',
    text: 'Clicks',
    title: 'Clicks and double presses',
    ask: 'Click each button',
    term: 'debounce',
    use: { how: 'clicks', times: 1000 },
  },
  {
    value: 'keys',
    text: 'Keys',
    title: 'Keys together',
    ask: 'Hold keys down',
    use: { how: 'chords', times: 10 },
  },
  {
    value: 'lines',
    text: 'Lines',
    title: 'Straight lines',
    ask: 'Draw straight strokes',
    term: 'angle-snapping',
    use: { how: 'strokes', times: 12 },
  },
  {
    value: 'session',
    text: 'Session',
    title: 'Session log',
    ask: 'Play or work',
    use: { how: 'play', times: 180 },
  },
]
const route = useRoute()
const router = useRouter()
/** Which instrument is out stands in the address. */
const tool = computed(() => TOOLS.find(({ value }) => value === route.query.tool) ?? itemAt(TOOLS, 0))
const chosen = computed(() => tool.value.value)
const SOURCES = [
  { value: 'own', text: 'What is in my hand' },
  { value: 'specimen', text: 'A specimen with known faults' },
] as const
const source = ref<(typeof SOURCES)[number]['value']>('own')
const isSpecimen = computed(() => source.value === 'specimen' && tool.value.use !== undefined)

function putAway(): void {
  instrument.stop()
  instrument.clear()
}

function setTool(next: Tool['value'] | undefined): void {
  if (!next) return
  putAway()
  void router.replace({ query: { tool: next } })
}

function setSource(next: typeof source.value | undefined): void {
  if (!next) return
  putAway()
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
      <h1 class="mr-4">Measure</h1>
      <v-tabs
        :model-value="chosen"
        aria-label="Instrument"
        @update:model-value="(tool) => setTool(tool as Tool['value'])"
      >
        <v-tab v-for="{ value, text } in TOOLS" :key="value" :value :text aria-controls="measured" />
      </v-tabs>
    </ViewBar>
    <section class="flex flex-col gap-3 overflow-auto border-r border-line px-5 py-4" aria-label="Bench">
      <ChoiceRow
        label="What is measured"
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
        aria-label="Measuring surface"
      >
        <strong v-if="instrument.recording.value">{{ tool.ask }}</strong>
        <strong v-else-if="isSpecimen">The specimen lies ready</strong>
        <strong v-else>Start, then {{ tool.ask.toLowerCase() }} here</strong>
        <span class="mono" role="status">{{ instrument.tally.value }}</span>
        <span v-if="instrument.recording.value" class="caption">
          Escape stops{{ instrument.locked.value ? ' and gives the pointer back' : '' }}
        </span>
      </div>
      <div class="line">
        <v-btn variant="flat" color="ink" :disabled="specimen.working.value" @click="begin">
          {{
            specimen.working.value
              ? 'Measuring…'
              : isSpecimen
                ? 'Measure the specimen'
                : instrument.recording.value
                  ? 'Stop'
                  : 'Start'
          }}
        </v-btn>
        <v-btn variant="text" @click="instrument.clear()">Clear</v-btn>
      </div>
      <v-alert v-if="specimen.problem.value" :text="specimen.problem.value" />
      <p v-if="source === 'specimen'" class="caption">
        {{
          tool.use
            ? `A simulated ${chosen === 'keys' ? 'Dunlin 84' : 'Tern 7'} whose faults are known, used by a simulated hand: the figures on the right can be held against the truth.`
            : 'There is no specimen for this instrument: it takes a person.'
        }}
      </p>
      <p v-else class="caption">
        Works with any make. Everything is heard and worked out in this browser; nothing is sent anywhere.
      </p>
    </section>
    <section
      id="measured"
      role="tabpanel"
      class="results flex flex-col gap-3 overflow-auto bg-paper-low px-6 py-4"
      :aria-label="tool.title"
    >
      <h2>
        <TermWord v-if="tool.term" :of="tool.term">{{ tool.title }}</TermWord>
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
