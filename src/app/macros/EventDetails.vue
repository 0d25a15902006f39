<script setup lang="ts">
import { computed } from 'vue'
import { BUTTON_USAGES } from '../../core/hid/button-page'
import { CONSUMER_USAGES } from '../../core/hid/consumer-page'
import { keyByCode } from '../../core/hid/keyboard-page'
import { eventText } from '../../core/text/event-text'
import { MOST_AFTER_MS, type MacroEvent } from '../../core/document/macro'
import { typeText } from '../../core/computer/typing'
import ColourField from '../shared/ColourField.vue'
import { useMacros } from '../stores/macros'
import type { MacroWork } from './work'
import { useNextKey } from '../shared/next-key'
import NumberField from '../shared/NumberField.vue'
import { SelectField } from '../../look/SelectField'

/** The values of the event that was chosen last. */
const props = defineProps<{ work: MacroWork }>()
const macros = useMacros()
const event = computed(() => props.work.events[props.work.cursor])

function set(change: Partial<MacroEvent>, gesture?: string): void {
  if (event.value) props.work.change(props.work.cursor, { ...event.value, ...change } as MacroEvent, gesture)
}

/** A field for a whole number of an event. */
const number = (key: string, least: number, most: number) => (value: number) => {
  if (value < least || value > most) return `From ${least} to ${most}`
  set({ [key]: value } as Partial<MacroEvent>)
  return undefined
}
const from = (ms: number) => {
  const toMs = event.value?.kind === 'pause' ? Math.max(ms, event.value.toMs) : ms
  if (ms < 0 || ms > MOST_AFTER_MS) return `From 0 to ${MOST_AFTER_MS}`
  set({ fromMs: ms, toMs } as Partial<MacroEvent>)
  return undefined
}
const to = (ms: number) => {
  const least = event.value?.kind === 'pause' ? event.value.fromMs : 0
  return number('toMs', least, MOST_AFTER_MS)(ms)
}

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
  if (text) set({ text } as Partial<MacroEvent>)
}

const untypable = computed(() => {
  if (event.value?.kind !== 'text') return undefined
  try {
    typeText(event.value.text, props.work.on)
    return undefined
  } catch (error) {
    if (error instanceof RangeError) return error.message
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
    <template v-else-if="event.kind === 'wheel'">
      <span class="soft">detents, up positive</span>
      <NumberField :value="event.detents" label="Detents" :apply="number('detents', -100, 100)" />
      <span class="soft">sideways</span>
      <NumberField :value="event.sideways" label="Sideways" :apply="number('sideways', -100, 100)" />
    </template>
    <template v-else-if="event.kind === 'move'">
      <span class="soft">right</span
      ><NumberField :value="event.x" label="Counts to the right" :apply="number('x', -32767, 32767)" />
      <span class="soft">down</span
      ><NumberField :value="event.y" label="Counts down" :apply="number('y', -32767, 32767)" />
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
    <SelectField
      v-else-if="event.kind === 'control'"
      aria-label="Media key"
      :items="CONSUMER_USAGES"
      item-value="id"
      item-title="label"
      :model-value="event.control"
      @update:model-value="(control: string) => set({ control } as Partial<MacroEvent>)"
    />
    <ColourField
      v-else-if="event.kind === 'signal'"
      :colour="event.colour"
      label="Colour of the signal"
      @change="set({ colour: $event } as Partial<MacroEvent>)"
    />
    <SelectField
      v-else-if="event.kind === 'step'"
      aria-label="Step"
      :items="['next', 'previous']"
      :model-value="event.to"
      @update:model-value="(to: string) => set({ to } as Partial<MacroEvent>)"
    />
    <NumberField
      v-else-if="event.kind === 'layer'"
      :value="event.layer"
      label="Layer"
      :apply="number('layer', 1, 7)"
    />
  </div>
</template>
