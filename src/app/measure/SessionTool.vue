<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  emptySession,
  recordMovement,
  recordPress,
  sessionFigures,
  sessionToCsv,
  type SessionLog,
} from '../../core/document/session-log'
import FigureChart from '../shared/late-chart'
import { applyBounded } from '../shared/bounded'
import NumberField from '../shared/NumberField.vue'
import { saveBlob } from '../files/save-file'
import { useSessions, type StoredSessionItem } from '../stores/sessions'
import { decimalText } from './estimate-text'
import type { Instrument } from './instrument'
import { CARD_SIDES_MM } from '../../core/measure/counts-per-inch'
import { TEST_DEVICE, TEST_DEVICE_DPI } from './test-devices'
import EmptyInstrument from './EmptyInstrument.vue'
import { decimal } from '../shared/numbers'

/** Activity in a session of play or work: clicks, keys, distance, actions per minute; saved, compared, exported. */
const props = defineProps<{ instrument: Instrument; specimen: boolean }>()
const sessions = useSessions()
const dpi = ref(TEST_DEVICE_DPI)
const name = ref('')
const kept = ref(false)
const other = shallowRef<StoredSessionItem>()
/** Increases with new events; only new ones are recorded each time. */
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
  moves.each(noted.moves, (atMs, x, y) => recordMovement(growing, atMs, x, y))
  for (const press of clicks.slice(noted.clicks)) recordPress(growing, press, 'clicks')
  for (const press of keys.slice(noted.keys)) recordPress(growing, press, 'keys')
  noted = { moves: moves.length, clicks: clicks.length, keys: keys.length }
  log.value = { ...growing, dpi: dpi.value }
}
watch([props.instrument.version, dpi], noteNew, { immediate: true })
const figures = computed(() => sessionFigures(log.value))
const done = computed(() => !props.instrument.recording.value && log.value.durationMs > 0)
watch(props.instrument.recording, (now) => now && (kept.value = false))

async function keep(): Promise<void> {
  const title =
    name.value.trim() ||
    t('measure.sessionOf', { date: new Date(log.value.startedAt).toLocaleString('en-GB') })
  await sessions.keep(structuredClone({ ...log.value, name: title }))
  kept.value = true
  name.value = ''
}

/** One stroke per second over the long side of a card, with the gain error of the test device. */
const actualMetres = (60 * CARD_SIDES_MM.long * (1 + TEST_DEVICE.errorPercent / 100)) / 1000

const setDpi = applyBounded(50, 64_000, 'shared.enterToDpi', (next) => (dpi.value = next))

const lines = computed(() => {
  const of = (from: SessionLog) =>
    sessionFigures(from).overTime.map(({ minute, perMinute }) => [minute, perMinute] as const)
  return [
    ...(log.value.durationMs > 0 ? [{ name: t('measure.thisSession'), points: of(log.value) }] : []),
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
  { title: t('measure.thisSession2'), ...figures.value },
  ...(other.value ? [{ title: other.value.log.name, ...sessionFigures(other.value.log) }] : []),
])
const busiest = (tally: Record<string, number>) =>
  Object.entries(tally)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 6)
const save = ({ log: from }: StoredSessionItem) =>
  saveBlob(`${from.name}.csv`, new Blob([sessionToCsv(from)], { type: 'text/csv' }))
</script>

<template>
  <div class="line">
    <span>{{ t('measure.mouseSetTo') }}</span>
    <NumberField :value="dpi" :label="t('measure.dpiOfTheMouse')" :apply="setDpi" />
    <span>{{ t('measure.dpi') }}</span>
    <template v-if="done && !kept">
      <v-text-field
        v-model="name"
        width="220"
        :placeholder="t('measure.sessionName')"
        :aria-label="t('measure.sessionName')"
      />
      <v-btn variant="flat" color="ink" @click="keep">{{ t('measure.saveSession') }}</v-btn>
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
        <td>{{ t('measure.actionsPerMinute') }}</td>
        <td v-for="column in columns" :key="column.title" class="mono">
          {{ decimalText(column.actionsPerMinute, 1) }}
        </td>
      </tr>
      <tr>
        <td>{{ t('measure.peakOver30Seconds') }}</td>
        <td v-for="column in columns" :key="column.title" class="mono">
          {{ decimalText(column.peakPerMinute, 1) }}
        </td>
      </tr>
      <tr>
        <td>{{ t('measure.clicks') }}</td>
        <td v-for="column in columns" :key="column.title" class="mono">{{ column.clicks }}</td>
      </tr>
      <tr>
        <td>{{ t('measure.keys') }}</td>
        <td v-for="column in columns" :key="column.title" class="mono">{{ column.keys }}</td>
      </tr>
      <tr>
        <td>{{ t('measure.distance') }}</td>
        <td v-for="column in columns" :key="column.title" class="mono">
          {{ t('measure.lengthInMetres', { metres: decimalText(column.metres, 2) }) }}
        </td>
      </tr>
    </tbody>
  </v-table>
  <p v-if="specimen && log.durationMs > 0" class="caption">
    {{
      t('measure.actualValuesOfTheTestDevice120', {
        decimal: decimal(actualMetres, 2),
        specimenDpi: TEST_DEVICE_DPI,
      })
    }}
  </p>
  <p v-if="log.durationMs > 0" class="caption">
    <span v-for="[what, count] in [...busiest(log.clicks), ...busiest(log.keys)]" :key="what" class="me-3.5"
      >{{ what }} <b class="mono">{{ count }}</b></span
    >
  </p>
  <FigureChart
    v-if="lines.length > 0"
    :title="t('measure.actionsPerMinute')"
    :lines="lines"
    :x="{ name: t('measure.minutes'), min: 0 }"
    :y="{ name: t('measure.actionsPerMinute'), min: 0 }"
    :columns="[t('measure.minute'), t('measure.actionsPerMinute'), t('measure.metres')]"
    :rows="rows"
    :height="180"
  />
  <EmptyInstrument
    v-else
    :title="t('measure.noActionsYet')"
    :text="t('measure.pressStartThenPlayOrWorkOn')"
    ghost="M2 80C30 74 38 40 62 44S96 70 122 52 150 12 178 22 214 46 238 30"
  />
  <ul
    v-if="sessions.list.length > 0"
    class="m-0 list-none border-t border-line p-0"
    :aria-label="t('measure.savedSessions')"
  >
    <li
      v-for="session in sessions.list"
      :key="session.id"
      class="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-line px-0 py-1.5"
    >
      <b>{{ session.log.name }}</b>
      <span class="caption">{{
        t('measure.min', { minutes: decimalText(session.log.durationMs / 60000, 1) })
      }}</span>
      <v-btn variant="plain" @click="other = other?.id === session.id ? undefined : session">
        {{ other?.id === session.id ? t('measure.hide') : t('measure.compare') }}
      </v-btn>
      <v-btn variant="plain" @click="save(session)">{{ t('measure.csv') }}</v-btn>
      <v-btn
        variant="plain"
        :aria-label="t('measure.delete', { name: session.log.name })"
        @click="sessions.remove(session)"
      >
        {{ t('measure.delete2') }}
      </v-btn>
    </li>
  </ul>
</template>
