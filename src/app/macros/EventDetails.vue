<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { membersOf, withMembers } from '../../core/base/tables'
import { valueOf } from '../../core/base/items'
import { LoweringError } from '../../core/base/errors'
import { computed } from 'vue'
import { BUTTON_USAGES } from '../../core/hid/button-page'
import { keyByCode } from '../../core/hid/keyboard-page'
import { eventKind } from '../../core/document/event-kinds'
import { EVENT_FIELDS, eventMessage } from '../../core/text/event-text'
import type { Message } from '../../core/message/message'
import { MAX_DELAY_MS } from '../../core/document/macro'
import { typeText } from '../../core/computer/typing'
import { useMacros } from '../stores/macros'
import EventField from './EventField.vue'
import type { MacroView } from './macro-view'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'
import { SelectField } from '../../look/SelectField'

/** The values of the last selected event. */
const props = defineProps<{ work: MacroView }>()
const macros = useMacros()
const event = computed(() => props.work.events[props.work.cursor])

function set(change: object): void {
  if (event.value) props.work.change(props.work.cursor, withMembers(event.value, change))
}

/** Fields for the parameters of an event without special controls. */
const buttons = computed(() =>
  BUTTON_USAGES.map(({ usage, label }) => ({ value: usage, title: textOf(label) })),
)
const fields = computed(() => {
  const { value: now } = event
  if (!now) return []
  const labels: Readonly<Record<string, Message>> = EVENT_FIELDS[now.kind]
  return Object.entries(eventKind(now.kind).parameters).map(([name, parameter]) => ({
    name,
    label: textOf(valueOf(labels, name)),
    parameter,
    value: membersOf(now)[name],
  }))
})

/** A field for one bound of a random delay. */
const pauseEnd = (ends: (ms: number) => { fromMs?: number; toMs?: number } | string) => (ms: number) => {
  if (ms < 0 || ms > MAX_DELAY_MS) return t('macros.enterANumberFrom0To', { max: MAX_DELAY_MS })
  const change = ends(ms)
  if (typeof change === 'string') return change
  set(change)
  return undefined
}
const from = pauseEnd((ms) => ({
  fromMs: ms,
  toMs: event.value?.kind === 'pause' ? Math.max(ms, event.value.toMs) : ms,
}))
const to = pauseEnd((ms) => {
  const min = event.value?.kind === 'pause' ? event.value.fromMs : 0
  return ms < min ? t('macros.enterANumberFromTo', { min: min, max: MAX_DELAY_MS }) : { toMs: ms }
})

/** A release has the key of its press. */
const waiting = useNextKey((code) => {
  if (!keyByCode(code))
    return void props.work.say(t('macros.thisKeyCannotBeSent', { value: code || 'unnamed' }))
  const ends = [props.work.cursor, props.work.pairs[props.work.cursor]]
  props.work.editor.editEvents(['change-key'], (events) =>
    events.map((each, index) => (ends.includes(index) && each.kind === 'key' ? { ...each, code } : each)),
  )
})

/** A release has the button of its press. */
function setButton(button: number): void {
  const ends = [props.work.cursor, props.work.pairs[props.work.cursor]]
  props.work.editor.editEvents(['change-button'], (events) =>
    events.map((each, index) =>
      ends.includes(index) && each.kind === 'button' ? { ...each, button } : each,
    ),
  )
}

function setText({ target }: Event): void {
  const text = target instanceof HTMLInputElement ? target.value : ''
  if (text) set({ text })
}

const untypable = computed(() => {
  if (event.value?.kind !== 'text') return undefined
  try {
    typeText(event.value.text, props.work.on)
    return undefined
  } catch (error) {
    if (error instanceof LoweringError) return textOf(error.reason)
    throw error
  }
})
</script>

<template>
  <div
    v-if="event"
    class="flex min-h-10 flex-wrap items-center gap-x-2.5 gap-y-1.5"
    role="group"
    :aria-label="t('macros.selectedEvent')"
  >
    <strong>{{ work.cursor + 1 }} · {{ textOf(eventMessage(event, work.layout, macros.shelf)) }}</strong>
    <v-btn v-if="event.kind === 'key'" @click="waiting = !waiting">
      {{ waiting ? t('macros.pressAKeyTapEscToCancel') : t('macros.changeKey') }}
    </v-btn>
    <template v-else-if="event.kind === 'text'">
      <v-text-field
        class="min-w-[240px]"
        :aria-label="t('macros.textToType')"
        :model-value="event.text"
        :error-messages="untypable"
        @change="setText"
      />
      <span v-if="!untypable" class="caption soft">{{ t('macros.theDeviceTypesItOnTheProfiles') }}</span>
    </template>
    <template v-else-if="event.kind === 'pause'">
      <span class="soft">{{ t('macros.from') }}</span><NumberField
        :value="event.fromMs"
        :label="t('macros.minimumDelayInMs')"
        :apply="from"
      />
      <span class="soft">{{ t('macros.to') }}</span><NumberField
        :value="event.toMs"
        :label="t('macros.maximumDelayInMs')"
        :apply="to"
      />
      <span class="caption soft">{{
        event.toMs > event.fromMs ? t('macros.msANewRandomDelayEachTime') : t('macros.ms')
      }}</span>
    </template>
    <SelectField
      v-else-if="event.kind === 'button'"
      :aria-label="t('macros.button')"
      :items="buttons"
      :model-value="event.button"
      @update:model-value="setButton"
    />
    <template v-else>
      <EventField
        v-for="{ name, label, parameter, value } in fields"
        :key="name"
        :label="label"
        :parameter="parameter"
        :value="value"
        @change="(next) => set({ [name]: next })"
      />
    </template>
  </div>
</template>
