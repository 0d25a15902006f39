<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref } from 'vue'
import type { Macro } from '../../core/document/macro'
import { eventDurations } from '../../core/compile/event-durations'
import { durationMs, eventTimes, eventPartners } from '../../core/document/macro-timing'
import { useMacros } from '../stores/macros'
import { useFigures } from './figures'
import { saveMacros } from './files'
import { barsOf, lanesOf } from '../../core/timeline/lanes'

/** One macro of the library: its shape, its figures, its uses, and its actions. */
const props = defineProps<{ macro: Macro }>()
const macros = useMacros()
const asking = ref(false)
const MAX_DRAWN = 60
const [WIDE, HIGH] = [150, 30]

const figures = useFigures(
  () => props.macro,
  () => macros.shelf,
  { system: 'windows', layout: 'us' },
)
const uses = computed(() => macros.uses.get(props.macro.id) ?? [])
const drawing = computed(() => {
  const events = props.macro.events.slice(0, MAX_DRAWN)
  const lasting = eventDurations(macros.shelf, { system: 'windows', layout: 'us' })
  const times = eventTimes(events, lasting)
  const lanes = lanesOf(events)
  const scale = (WIDE - 3) / Math.max(1, durationMs(events, lasting))
  const lane = HIGH / Math.max(3, lanes.length)
  return barsOf(events, times, eventPartners(events), lanes, lasting).map((bar) => ({
    x: bar.fromMs * scale,
    y: bar.lane * lane,
    width: Math.max(2, (bar.toMs - bar.fromMs) * scale),
    height: Math.max(2.4, lane - 1.5),
    other: bar.family === 'other',
  }))
})

function remove(): void {
  if (uses.value.length > 0 && !asking.value) asking.value = true
  else void macros.remove(props.macro)
}
</script>

<template>
  <li class="entry">
    <RouterLink class="name font-semi text-ink" :to="`/macros/${macro.id}`">{{ macro.name }}</RouterLink>
    <svg :width="WIDE" :height="HIGH" aria-hidden="true">
      <rect
        v-for="(bar, index) in drawing"
        :key="index"
        class="fill-bar-macro"
        v-bind="bar"
        :class="{ other: bar.other }"
        rx="1"
      />
    </svg>
    <span class="mono soft text-12">
      {{ t('macros.events2', { count: macro.events.length }) }}
      <template v-if="figures">
        {{
          figures.bytes === undefined
            ? t('macros.msPerLayout', { durationMs: figures.durationMs })
            : t('macros.msB', { durationMs: figures.durationMs, bytes: figures.bytes })
        }}
      </template>
    </span>
    <span class="flex flex-wrap gap-1">
      <v-chip v-for="tag in macro.tags" :key="tag" class="system" :text="tag" />
    </span>
    <span class="soft">
      <template v-if="uses.length">
        <template v-for="(use, index) in uses" :key="use.to">
          <template v-if="index">, </template
          ><RouterLink class="text-inherit" :to="use.to">{{ use.name }}</RouterLink>
        </template>
      </template>
      <template v-else>{{ t('macros.notUsed') }}</template>
    </span>
    <span class="flex flex-wrap">
      <v-btn
        variant="text"
        :aria-label="t('macros.duplicate2', { name: macro.name })"
        @click="macros.duplicate(macro)"
      >
        {{ t('macros.duplicate') }}
      </v-btn>
      <v-btn
        variant="text"
        :title="t('macros.exportTheCompleteMacro')"
        :aria-label="t('macros.exportAsJson', { name: macro.name })"
        @click="saveMacros([macro], 'json')"
      >
        {{ t('macros.json') }}
      </v-btn>
      <v-btn
        variant="text"
        :title="t('macros.exportATableWithOneEventPer')"
        :aria-label="t('macros.exportAsCsv', { name: macro.name })"
        @click="saveMacros([macro], 'csv')"
      >
        {{ t('macros.csv') }}
      </v-btn>
      <v-btn variant="text" :aria-label="t('macros.delete2', { name: macro.name })" @click="remove">{{
        t('macros.delete')
      }}</v-btn>
    </span>
    <v-alert v-if="asking" class="col-span-full">
      {{ t('macros.bindingsInPlayThisMacroWithoutIt', { uses: uses.map(({ name }) => name).join(', ') }) }}
      <v-btn @click="remove">{{ t('macros.deleteMacroAnyway') }}</v-btn>
      <v-btn variant="text" @click="asking = false">{{ t('macros.keepMacro') }}</v-btn>
    </v-alert>
  </li>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(130px, 190px) 150px 210px minmax(80px, 130px) minmax(90px, 1fr) auto;
  align-items: center;
  gap: 4px 16px;
  padding: 8px 4px;
  border-bottom: 1px solid var(--line);
}

rect.other {
  fill: var(--macro-wash);
  stroke: var(--macro);
  stroke-width: 0.75;
}
</style>
