<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Macro } from '../../core/document/macro'
import { lastingOf } from '../../core/compile/lasting'
import { durationMs, eventTimes, partners } from '../../core/document/macro-timing'
import { useMacros } from '../stores/macros'
import { useFigures } from './figures'
import { saveMacros } from './files'
import { barsOf, lanesOf } from '../../core/timeline/lanes'

/** One macro of the library: its shape, what it comes to, where it is used, what can be done with it. */
const props = defineProps<{ macro: Macro }>()
const macros = useMacros()
const asking = ref(false)
const MOST_DRAWN = 60
const [WIDE, HIGH] = [150, 30]

const figures = useFigures(
  () => props.macro,
  () => macros.shelf,
  { system: 'windows', layout: 'us' },
)
const uses = computed(() => macros.uses.get(props.macro.id) ?? [])
const drawing = computed(() => {
  const events = props.macro.events.slice(0, MOST_DRAWN)
  const lasting = lastingOf(macros.shelf, { system: 'windows', layout: 'us' })
  const times = eventTimes(events, lasting)
  const lanes = lanesOf(events)
  const scale = (WIDE - 3) / Math.max(1, durationMs(events, lasting))
  const lane = HIGH / Math.max(3, lanes.length)
  return barsOf(events, times, partners(events), lanes, lasting).map((bar) => ({
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
      {{ macro.events.length }} events
      <template v-if="figures">
        · {{ figures.durationMs }} ms ·
        {{ figures.bytes === undefined ? 'per layout' : `${figures.bytes} B` }}
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
      <template v-else>not used</template>
    </span>
    <span class="flex flex-wrap">
      <v-btn variant="text" :aria-label="`Duplicate ${macro.name}`" @click="macros.duplicate(macro)">
        Duplicate
      </v-btn>
      <v-btn
        variant="text"
        title="Save it as a file of all there is"
        :aria-label="`JSON of ${macro.name}`"
        @click="saveMacros([macro], 'json')"
      >
        JSON
      </v-btn>
      <v-btn
        variant="text"
        title="Save it as a table, an event a row"
        :aria-label="`CSV of ${macro.name}`"
        @click="saveMacros([macro], 'csv')"
      >
        CSV
      </v-btn>
      <v-btn variant="text" :aria-label="`Delete ${macro.name}`" @click="remove">Delete</v-btn>
    </span>
    <v-alert v-if="asking" class="col-span-full">
      Without it the bindings that play it in {{ uses.map(({ name }) => name).join(', ') }} do nothing, and
      cannot be written until they are changed. What is on devices stays.
      <v-btn @click="remove">Delete it all the same</v-btn>
      <v-btn variant="text" @click="asking = false">Keep it</v-btn>
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
