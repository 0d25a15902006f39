<script setup lang="ts">
import { listText, t, textOf, withTexts } from '../../messages/page'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { keyLegend } from '../../core/computer/layouts'
import { buttonLabel } from '../../core/hid/button-page'
import { insertEvents } from '../../core/edits/macro-edits'
import type { RawEvent, Recording } from '../../core/edits/recording'
import { useNotifications } from '../stores/notifications'
import type { MacroView } from './macro-view'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'
import { useRecorder, type RecorderOptions, type RecordingEnd } from './recorder'
import { announce } from '../../look/announce'
import { useOwnSetting } from '../../look/own-storage'
import { SelectField } from '../../look/SelectField'

/** Records the person's input, except on its own controls. */
const props = defineProps<{ work: MacroView }>()
const notices = useNotifications()

const options = useOwnSetting<RecorderOptions>('unisera recorder', {
  buttons: false,
  wheel: false,
  movement: false,
  delays: { kind: 'recorded' },
  toggleKey: 'F9',
  silenceS: 0,
})
const DELAYS = [
  withTexts({ value: 'recorded' }, { title: 'macros.asRecorded' }),
  withTexts({ value: 'fixed' }, { title: 'macros.allEqual' }),
  withTexts({ value: 'none' }, { title: 'macros.none' }),
] as const
const PLACES = [
  withTexts({ value: 'append' }, { title: 'macros.atTheEnd' }),
  withTexts({ value: 'insert' }, { title: 'macros.afterTheSelection' }),
  withTexts({ value: 'replace' }, { title: 'macros.replaceAllEvents' }),
] as const
const place = ref<'append' | 'insert' | 'replace'>('append')
/** There is always one, so that people without a pointer can stop a recording. */
const choosingKey = useNextKey((code) => {
  if (code !== 'Escape') options.value.toggleKey = code
})
const fixedMs = ref(options.value.delays.kind === 'fixed' ? options.value.delays.ms : 30)
const delays = computed({
  get: () => options.value.delays.kind,
  set: (kind) => (options.value.delays = kind === 'fixed' ? { kind, ms: fixedMs.value } : { kind }),
})

function setFixed(ms: number): string | undefined {
  if (ms < 0 || ms > 10_000) return t('macros.enterANumberFrom0To10')
  fixedMs.value = ms
  delays.value = 'fixed'
  return undefined
}

function setSilence(seconds: number): string | undefined {
  if (seconds < 0 || seconds > 60) return t('macros.enter0ForNeverOrUpTo')
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
          ? t('macros.recordingEnterOrStopsItTabMoves', { key })
          : t('macros.recordingStopsIt', { key }),
      )
    await nextTick()
    const wanted = now && !byButtonKey ? '[data-heard]' : 'button'
    if (hadFocus) box.value?.querySelector<HTMLElement>(wanted)?.focus()
    byButtonKey = false
  },
)

const ENDED: Record<RecordingEnd, string> = withTexts(
  {},
  {
    chosen: 'macros.recorded',
    silence: 'macros.recordingStoppedAfterAPause',
    'focus lost': 'macros.recordingStoppedBecauseTheWindow',
  },
)

function done({ events, released, strange }: Recording, why: RecordingEnd): void {
  if (events.length === 0) return notices.say(t('macros.nothingWasRecordedTheMacroIs'))
  const before = props.work.events
  const at = place.value === 'insert' && before.length > 0 ? props.work.cursor + 1 : before.length
  const kept = place.value === 'replace' ? [] : before
  const from = place.value === 'replace' ? 0 : at
  const refusal = props.work.editor.editEvents(['record'], () => insertEvents(kept, from, events))
  if (refusal) return notices.refuse(t('macros.nothingWasInserted', { problem: refusal }))
  props.work.choose(events.map((_, index) => from + index))
  const notes = [
    t('macros.event', { reason: ENDED[why], count: events.length }),
    ...(released > 0 ? [t('macros.inputWasStillHeldAndWasReleased', { count: released })] : []),
    ...(strange.length > 0
      ? [t('macros.notRecordedBecauseNoDeviceCanSend', { inputs: listText(strange) })]
      : []),
  ]
  notices.say(
    notes.join('; '),
    { label: t('macros.undo'), act: () => props.work.editor.undo() },
    props.work.editor.asNow(),
  )
}

const keyName = computed(() => keyLegend(options.value.toggleKey, props.work.layout))

/** The latest events, the newest at the end. */
const latest = computed(() =>
  recorder.raw.slice(-9).map((event, index, shown) => ({
    text: rawText(event),
    down: 'down' in event ? event.down : undefined,
    after: Math.round(event.atMs - (shown[index - 1]?.atMs ?? event.atMs)),
  })),
)

function rawText(event: RawEvent): string {
  if (event.kind === 'key') return textOf(keyLegend(event.code, props.work.layout))
  if (event.kind === 'button') return textOf(buttonLabel(event.button))
  return event.kind === 'wheel'
    ? t('macros.wheel', { detents: event.detents })
    : t('macros.move', { x: event.x, y: event.y })
}
</script>

<template>
  <section
    ref="box"
    class="record flex min-h-12.5 flex-wrap items-center gap-x-3.5 gap-y-1.5 rounded-6 border border-line px-3 py-2"
    :class="{ on: recorder.recording }"
    :aria-label="t('macros.recording')"
    data-recorder
  >
    <template v-if="!recorder.recording">
      <v-btn variant="flat" color="ink" @click="start">
        <i class="h-2.5 w-2.5 rounded-full bg-bar-macro" aria-hidden="true" />{{ t('macros.record') }}
      </v-btn>
      <fieldset>
        <legend class="visually-hidden">{{ t('macros.recordedInputs') }}</legend>
        <span class="soft">{{ t('macros.recordKeysAnd') }}</span>
        <v-checkbox v-model="options.buttons" :label="t('macros.clicks')" />
        <v-checkbox v-model="options.wheel" :label="t('macros.wheel2')" />
        <v-checkbox v-model="options.movement" :label="t('macros.movement')" />
      </fieldset>
      <span class="pair">
        <span class="soft">{{ t('macros.delays') }}</span>
        <SelectField v-model="delays" :items="DELAYS" :aria-label="t('macros.delays')" />
        <NumberField
          v-if="delays === 'fixed'"
          :value="fixedMs"
          :label="t('macros.delayInMs')"
          :apply="setFixed"
        />
      </span>
      <span class="pair">
        <span class="soft">{{ t('macros.insert') }}</span>
        <SelectField v-model="place" :items="PLACES" :aria-label="t('macros.positionOfTheRecording')" />
      </span>
      <span class="pair">
        <span class="soft">{{ t('macros.startAndStopKey') }}</span>
        <v-btn @click="choosingKey = !choosingKey">
          {{ choosingKey ? t('macros.pressAKeyEscapeCancels') : keyName }}
        </v-btn>
      </span>
      <span class="pair">
        <span class="soft" :title="t('macros.stopsRecordingAfterThisManySeconds')">{{
          t('macros.autoStopS')
        }}</span>
        <NumberField
          :value="options.silenceS"
          :label="t('macros.autoStopAfterSecondsWithoutInput0')"
          :apply="setSilence"
        />
      </span>
    </template>
    <template v-else>
      <v-btn variant="flat" color="ink" @mousedown.prevent @click="recorder.stop()">{{
        t('macros.stop')
      }}</v-btn>
      <strong>{{ t('macros.recording') }}</strong>
      <span class="mono">{{ t('macros.events2', { count: recorder.count }) }}</span>
      <ol
        class="m-0 flex min-w-0 flex-1 list-none gap-2.5 overflow-hidden p-0"
        :aria-label="t('macros.lastEvents')"
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
      <span class="soft end whitespace-nowrap"> {{ t('macros.orStopEndsTheRecording', { keyName }) }} </span>
      <v-btn variant="text" @click="recorder.cancel()">{{ t('macros.discard') }}</v-btn>
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
