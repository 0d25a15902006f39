<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { keyLegend } from '../../core/computer/layouts'
import { buttonLabel } from '../../core/hid/button-page'
import { insertEvents } from '../../core/edits/macro-edits'
import type { RawEvent, Recording } from '../../core/edits/recording'
import { useNotices } from '../stores/notices'
import type { MacroWork } from './work'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'
import { useRecorder, type RecorderOptions, type RecordingEnd } from './recorder'
import { announce } from '../../look/announce'
import { useOwnSetting } from '../../look/own-storage'
import { SelectField } from '../../look/SelectField'

/** Records what the person does; nothing of this box becomes part of it. */
const props = defineProps<{ work: MacroWork }>()
const notices = useNotices()

const options = useOwnSetting<RecorderOptions>('unisera recorder', {
  buttons: false,
  wheel: false,
  movement: false,
  delays: { kind: 'recorded' },
  toggleKey: 'F9',
  silenceS: 0,
})
const DELAYS = [
  { value: 'recorded', title: 'as they are' },
  { value: 'fixed', title: 'all the same' },
  { value: 'none', title: 'none' },
] as const
const PLACES = [
  { value: 'append', title: 'at the end' },
  { value: 'insert', title: 'after the chosen' },
  { value: 'replace', title: 'in place of all' },
] as const
const place = ref<'append' | 'insert' | 'replace'>('append')
/** There is always one: whoever has no pointer ends a recording by it. */
const choosingKey = useNextKey((code) => {
  if (code !== 'Escape') options.value.toggleKey = code
})
const fixedMs = ref(options.value.delays.kind === 'fixed' ? options.value.delays.ms : 30)
const delays = computed({
  get: () => options.value.delays.kind,
  set: (kind) => (options.value.delays = kind === 'fixed' ? { kind, ms: fixedMs.value } : { kind }),
})

function setFixed(ms: number): string | undefined {
  if (ms < 0 || ms > 10_000) return 'From 0 to 10,000 ms'
  fixedMs.value = ms
  delays.value = 'fixed'
  return undefined
}

function setSilence(seconds: number): string | undefined {
  if (seconds < 0 || seconds > 60) return 'From 0, for never, to 60 seconds'
  options.value.silenceS = seconds
  return undefined
}

const recorder = useRecorder(options.value, done)

const box = useTemplateRef<HTMLElement>('box')
const inBox = () => document.activeElement === document.body || box.value?.contains(document.activeElement)
/** Whether Enter or Space on the Record button started it: then Stop gets the focus, and the buttons get those keys. */
let byButtonKey = false

function start({ detail }: MouseEvent): void {
  byButtonKey = detail === 0
  recorder.start()
}

watch(
  () => recorder.recording,
  async (now) => {
    const [hadFocus, key] = [inBox(), keyName.value]
    if (now)
      announce(
        byButtonKey
          ? `Recording. Enter or ${key} stops it, Tab goes to Discard. Start with ${key} to record Tab, Enter, Space or Escape.`
          : `Recording. ${key} stops it.`,
      )
    await nextTick()
    const wanted = now && !byButtonKey ? '[data-heard]' : 'button'
    if (hadFocus) box.value?.querySelector<HTMLElement>(wanted)?.focus()
    byButtonKey = false
  },
)

const ENDED: Record<RecordingEnd, string> = {
  chosen: 'Recorded',
  silence: 'Recorded, until nothing more came for a while',
  'focus lost': 'The window lost the focus and the recording ended; what came before is here',
}

function done({ events, released, strange }: Recording, why: RecordingEnd): void {
  if (events.length === 0) return notices.say('Nothing was recorded; the macro is as it was')
  const before = props.work.events
  const at = place.value === 'insert' && before.length > 0 ? props.work.cursor + 1 : before.length
  const kept = place.value === 'replace' ? [] : before
  const from = place.value === 'replace' ? 0 : at
  const refusal = props.work.editor.editEvents(['record'], () => insertEvents(kept, from, events))
  if (refusal) return notices.refuse(`${refusal}. Nothing was put in.`)
  props.work.choose(events.map((_, index) => from + index))
  const notes = [
    `${ENDED[why]}: ${events.length} events`,
    ...(released > 0 ? [`${released} still down at the end, let go there`] : []),
    ...(strange.length > 0 ? [`left out, for no device can send them: ${strange.join(', ')}`] : []),
  ]
  notices.say(
    notes.join('; '),
    { label: 'Undo', act: () => props.work.editor.undo() },
    props.work.editor.asNow(),
  )
}

const keyName = computed(() => keyLegend(options.value.toggleKey, props.work.layout))

/** The last events, the newest at the end. */
const latest = computed(() =>
  recorder.raw.slice(-9).map((event, index, shown) => ({
    text: rawText(event),
    down: 'down' in event ? event.down : undefined,
    after: Math.round(event.atMs - (shown[index - 1]?.atMs ?? event.atMs)),
  })),
)

function rawText(event: RawEvent): string {
  if (event.kind === 'key') return keyLegend(event.code, props.work.layout)
  if (event.kind === 'button') return buttonLabel(event.button)
  return event.kind === 'wheel' ? `wheel ${event.detents}` : `move ${event.x}, ${event.y}`
}
</script>

<template>
  <section
    ref="box"
    class="record flex min-h-12.5 flex-wrap items-center gap-x-3.5 gap-y-1.5 rounded-6 border border-line px-3 py-2"
    :class="{ on: recorder.recording }"
    aria-label="Recording"
    data-recorder
  >
    <template v-if="!recorder.recording">
      <v-btn variant="flat" color="ink" @click="start">
        <i class="h-2.5 w-2.5 rounded-full bg-bar-macro" aria-hidden="true" />Record
      </v-btn>
      <fieldset>
        <legend class="visually-hidden">What is recorded</legend>
        <span class="soft">Keys and</span>
        <v-checkbox v-model="options.buttons" label="clicks" />
        <v-checkbox v-model="options.wheel" label="wheel" />
        <v-checkbox v-model="options.movement" label="movement" />
      </fieldset>
      <span class="pair">
        <span class="soft">Waits</span>
        <SelectField v-model="delays" :items="DELAYS" aria-label="Waits" />
        <NumberField
          v-if="delays === 'fixed'"
          :value="fixedMs"
          label="The same wait, in ms"
          :apply="setFixed"
        />
      </span>
      <span class="pair">
        <span class="soft">Put</span>
        <SelectField v-model="place" :items="PLACES" aria-label="Where it is put" />
      </span>
      <span class="pair">
        <span class="soft">Start, stop</span>
        <v-btn @click="choosingKey = !choosingKey">
          {{ choosingKey ? 'press it; Escape keeps it' : keyName }}
        </v-btn>
      </span>
      <span class="pair">
        <span class="soft" title="Ends when nothing has happened for so many seconds; 0 for never"
          >Silence, s</span
        >
        <NumberField
          :value="options.silenceS"
          label="Silence that ends it, in seconds; 0 for never"
          :apply="setSilence"
        />
      </span>
    </template>
    <template v-else>
      <v-btn variant="flat" color="ink" @mousedown.prevent @click="recorder.stop()">Stop</v-btn>
      <strong>Recording</strong>
      <span class="mono">{{ recorder.count }} events</span>
      <ol
        class="m-0 flex min-w-0 flex-1 list-none gap-2.5 overflow-hidden p-0"
        aria-label="Last events"
        tabindex="-1"
        data-heard
      >
        <li
          v-for="(event, index) in latest"
          :key="recorder.count - latest.length + index"
          class="inline-flex items-center gap-1 whitespace-nowrap"
        >
          <span class="caption faint">+{{ event.after }}</span>
          <v-kbd class="keycap" :class="{ up: event.down === false }">{{ event.text }}</v-kbd>
        </li>
      </ol>
      <span class="soft end whitespace-nowrap"> {{ keyName }} or Stop ends it </span>
      <v-btn variant="text" @click="recorder.cancel()">Discard</v-btn>
    </template>
  </section>
</template>

<style scoped>
.record.on {
  flex-wrap: nowrap;
  border-color: var(--macro);
  background: var(--macro-wash);
}

fieldset,
.pair {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  padding: 0;
  border: 0;
  margin: 0;
  white-space: nowrap;
}

.keycap.up {
  opacity: 0.6;
  border-bottom-width: 1px;
}
</style>
