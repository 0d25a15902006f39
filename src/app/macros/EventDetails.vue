<script setup lang="ts">
import { membersOf, withMembers } from '../../core/base/tables'
import { valueOf } from '../../core/base/items'
import { LoweringError } from '../../core/base/refusal'
import { computed } from 'vue'
import { BUTTON_USAGES } from '../../core/hid/button-page'
import { keyByCode } from '../../core/hid/keyboard-page'
import { eventKind } from '../../core/document/event-kinds'
import { EVENT_FIELDS, eventText } from '../../core/text/event-text'
import { MOST_AFTER_MS } from '../../core/document/macro'
import { typeText } from '../../core/computer/typing'
import { useMacros } from '../stores/macros'
import EventField from './EventField.vue'
import type { MacroWork } from './work'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'
import { SelectField } from '../../look/SelectField'

/** The values of the event that was chosen last. */
const props = defineProps<{ work: MacroWork }>()
const macros = useMacros()
const event = computed(() => props.work.events[props.work.cursor])

function set(change: object): void {
  if (event.value) props.work.change(props.work.cursor, withMembers(event.value, change))
}

/** Fields for the parameters of an event without special controls. */
const fields = computed(() => {
  const { value: now } = event
  if (!now) return []
  const labels: Readonly<Record<string, string>> = EVENT_FIELDS[now.kind]
  return Object.entries(eventKind(now.kind).parameters).map(([name, parameter]) => ({
    name,
    label: valueOf(labels, name),
    parameter,
    value: membersOf(now)[name],
  }))
})

/** A field for one end of a pause. */
const pauseEnd = (ends: (ms: number) => { fromMs?: number; toMs?: number } | string) => (ms: number) => {
  if (ms < 0 || ms > MOST_AFTER_MS) return `From 0 to ${MOST_AFTER_MS}`
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
  const least = event.value?.kind === 'pause' ? event.value.fromMs : 0
  return ms < least ? `From ${least} to ${MOST_AFTER_MS}` : { toMs: ms }
})

/** A key is the same one when it comes up. */
const waiting = useNextKey((code) => {
  if (!keyByCode(code)) return void props.work.say(`That key (${code || 'unnamed'}) cannot be sent`)
  const ends = [props.work.cursor, props.work.pairs[props.work.cursor]]
  props.work.editor.editEvents(['change-key'], (events) =>
    events.map((each, index) => (ends.includes(index) && each.kind === 'key' ? { ...each, code } : each)),
  )
})

/** A button is the same one when it comes up. */
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
    if (error instanceof LoweringError) return error.message
    throw error
  }
})
</script>

<template>
  <div
    v-if="event"
    class="flex min-h-10 flex-wrap items-center gap-x-2.5 gap-y-1.5"
    role="group"
    aria-label="The chosen event"
  >
    <strong>{{ work.cursor + 1 }} · {{ eventText(event, work.layout, macros.shelf) }}</strong>
    <v-btn v-if="event.kind === 'key'" @click="waiting = !waiting">
      {{ waiting ? 'press the key; Esc leaves, held it is Esc' : 'Another key' }}
    </v-btn>
    <template v-else-if="event.kind === 'text'">
      <v-text-field
        class="min-w-[240px]"
        aria-label="Text to type"
        :model-value="event.text"
        :error-messages="untypable"
        @change="setText"
      />
      <span v-if="!untypable" class="caption soft"
        >typed by the device on a keyboard of the profile’s layout</span
      >
    </template>
    <template v-else-if="event.kind === 'pause'">
      <span class="soft">from</span
      ><NumberField :value="event.fromMs" label="Wait at least, in ms" :apply="from" />
      <span class="soft">to</span><NumberField :value="event.toMs" label="Wait at most, in ms" :apply="to" />
      <span class="caption soft"
        >ms{{ event.toMs > event.fromMs ? ', drawn anew by the device each time' : '' }}</span
      >
    </template>
    <SelectField
      v-else-if="event.kind === 'button'"
      aria-label="Button"
      :items="BUTTON_USAGES"
      item-value="usage"
      item-title="label"
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
