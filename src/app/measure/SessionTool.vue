<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import {
  emptySession,
  noteMovement,
  notePress,
  sessionFigures,
  sessionToCsv,
  type SessionLog,
} from '../../core/document/session-log'
import FigureChart from '../shared/late-chart'
import { bounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import { saveBlob } from '../shared/save-file'
import { useSessions, type KeptSession } from '../stores/sessions'
import { figure } from './estimate-text'
import type { Instrument } from './instrument'
import { CARD_MM } from '../../core/measure/counts-per-inch'
import { SPECIMEN, SPECIMEN_DPI } from './specimens'
import NothingYet from './NothingYet.vue'
import { decimal } from '../shared/numbers'

/** What is done in a stretch of play or work: clicks, keys, distance, actions a minute; kept, compared, exported. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const sessions = useSessions()
const dpi = ref(SPECIMEN_DPI)
const name = ref('')
const kept = ref(false)
const other = shallowRef<KeptSession>()
/** Grows with what is heard; only what is new is noted each time. */
let growing = emptySession(0, dpi.value)
let noted = { moves: 0, clicks: 0, keys: 0 }
const log = shallowRef<SessionLog>(growing)
function noteNew(): void {
  const { log: moves, clicks, keys, startedAt } = props.instrument
  const cleared = moves.length < noted.moves || clicks.length < noted.clicks || keys.length < noted.keys
  if (cleared || growing.startedAt !== startedAt.value) {
    growing = emptySession(startedAt.value, dpi.value)
    noted = { moves: 0, clicks: 0, keys: 0 }
  }
  moves.each(noted.moves, (atMs, x, y) => noteMovement(growing, atMs, x, y))
  for (const press of clicks.slice(noted.clicks)) notePress(growing, press, 'clicks')
  for (const press of keys.slice(noted.keys)) notePress(growing, press, 'keys')
  noted = { moves: moves.length, clicks: clicks.length, keys: keys.length }
  log.value = { ...growing, dpi: dpi.value }
}
watch([props.instrument.version, dpi], noteNew, { immediate: true })
const figures = computed(() => sessionFigures(log.value))
const done = computed(() => !props.instrument.recording.value && log.value.durationMs > 0)
watch(props.instrument.recording, (now) => now && (kept.value = false))

async function keep(): Promise<void> {
  const title = name.value.trim() || `Session of ${new Date(log.value.startedAt).toLocaleString('en-GB')}`
  await sessions.keep(structuredClone({ ...log.value, name: title }))
  kept.value = true
  name.value = ''
}

/** A stroke a second over the long side of a card, and the gain error of the test device. */
const actualMetres = (60 * CARD_MM.long * (1 + SPECIMEN.errorPercent / 100)) / 1000

const setDpi = bounded(50, 64_000, 'DPI', (next) => (dpi.value = next))

const lines = computed(() => {
  const of = (from: SessionLog) =>
    sessionFigures(from).overTime.map(({ minute, perMinute }) => [minute, perMinute] as const)
  return [
    ...(log.value.durationMs > 0 ? [{ name: 'this session', points: of(log.value) }] : []),
    ...(other.value
      ? [{ name: other.value.log.name, points: of(other.value.log), colour: '--bar-binding', dashed: true }]
      : []),
  ]
})
const shown = computed(() => (log.value.durationMs > 0 ? log.value : other.value?.log))
const rows = computed(() =>
  shown.value
    ? sessionFigures(shown.value).overTime.map(({ minute, perMinute, metres }) => [
        decimal(minute, 2),
        perMinute,
        decimal(metres, 2),
      ])
    : [],
)
const columns = computed(() => [
  { title: 'This session', ...figures.value },
  ...(other.value ? [{ title: other.value.log.name, ...sessionFigures(other.value.log) }] : []),
])
const busiest = (tally: Record<string, number>) =>
  Object.entries(tally)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 6)
const save = ({ log: from }: KeptSession) =>
  saveBlob(`${from.name}.csv`, new Blob([sessionToCsv(from)], { type: 'text/csv' }))
</script>

<template>
  <div class="line">
    <span>mouse set to</span>
    <NumberField :value="dpi" label="Mouse set to, in DPI" :apply="setDpi" />
    <span>DPI</span>
    <template v-if="done && !kept">
      <v-text-field
        v-model="name"
        width="220"
        placeholder="name of the session"
        aria-label="Name of the session"
      />
      <v-btn variant="flat" color="ink" @click="keep">Keep it</v-btn>
    </template>
  </div>
  <v-table v-if="lines.length > 0">
    <thead>
      <tr>
        <th />
        <th v-for="column in columns" :key="column.title">{{ column.title }}</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <td>Actions a minute</td>
        <td v-for="column in columns" :key="column.title" class="mono">
          {{ figure(column.actionsPerMinute, 1) }}
        </td>
      </tr>
      <tr>
        <td>Peak, over half a minute</td>
        <td v-for="column in columns" :key="column.title" class="mono">
          {{ figure(column.peakPerMinute, 1) }}
        </td>
      </tr>
      <tr>
        <td>Clicks</td>
        <td v-for="column in columns" :key="column.title" class="mono">{{ column.clicks }}</td>
      </tr>
      <tr>
        <td>Keys</td>
        <td v-for="column in columns" :key="column.title" class="mono">{{ column.keys }}</td>
      </tr>
      <tr>
        <td>Distance</td>
        <td v-for="column in columns" :key="column.title" class="mono">{{ figure(column.metres, 2) }} m</td>
      </tr>
    </tbody>
  </v-table>
  <p v-if="specimen && log.durationMs > 0" class="caption">
    Actual values of the test device: 120 actions per minute, and {{ decimal(actualMetres, 2) }} m of travel
    per minute at {{ SPECIMEN_DPI }} DPI.
  </p>
  <p v-if="log.durationMs > 0" class="caption">
    <span v-for="[what, count] in [...busiest(log.clicks), ...busiest(log.keys)]" :key="what" class="mr-3.5"
      >{{ what }} <b class="mono">{{ count }}</b></span
    >
  </p>
  <FigureChart
    v-if="lines.length > 0"
    title="Actions a minute"
    :lines="lines"
    :x="{ name: 'minutes', min: 0 }"
    :y="{ name: 'actions a minute', min: 0 }"
    :columns="['minute', 'actions a minute', 'm']"
    :rows="rows"
    :height="180"
  />
  <NothingYet
    v-else
    title="Nothing counted yet"
    text="Start, and play or work on the surface; Escape stops. Actions a minute become a curve here, beside clicks, keys and distance. Kept under a name, a session can be laid over another one. A browser hears nothing outside its page."
    ghost="M2 80C30 74 38 40 62 44S96 70 122 52 150 12 178 22 214 46 238 30"
  />
  <ul
    v-if="sessions.list.length > 0"
    class="m-0 list-none border-t border-line p-0"
    aria-label="Kept sessions"
  >
    <li
      v-for="session in sessions.list"
      :key="session.id"
      class="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-line px-0 py-1.5"
    >
      <b>{{ session.log.name }}</b>
      <span class="caption">{{ figure(session.log.durationMs / 60000, 1) }} min</span>
      <v-btn variant="plain" @click="other = other?.id === session.id ? undefined : session">
        {{ other?.id === session.id ? 'Leave out' : 'Compare' }}
      </v-btn>
      <v-btn variant="plain" @click="save(session)">CSV</v-btn>
      <v-btn variant="plain" :aria-label="`Delete ${session.log.name}`" @click="sessions.remove(session)">
        Delete
      </v-btn>
    </li>
  </ul>
</template>
