<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { keyByCode } from '../../core/hid/keyboard-page'
import { scaleTimes, setEveryDelay } from '../../core/macro/edits'
import { macrosWithin } from '../../core/macro/macro'
import { useMacros } from '../stores/macros'
import type { MacroDesk } from './desk'
import { INSERTIONS, keyPress } from './insertions'
import NumberField from '../parts/NumberField.vue'

/** Puts events in, and changes those that are chosen, or all. */
const props = defineProps<{ desk: MacroDesk }>()
const macros = useMacros()
const waiting = ref(false)

useEventListener(
  'keydown',
  (event) => {
    if (!waiting.value || event.repeat) return
    event.preventDefault()
    event.stopImmediatePropagation()
    waiting.value = false
    if (keyByCode(event.code)) props.desk.insert(keyPress(event.code), 'insert a key')
    else props.desk.say(`That key (${event.code || 'unnamed'}) cannot be sent`)
  },
  { capture: true },
)

/** Macros that can be played within this one: not itself, and none that plays it. */
const others = computed(() =>
  macros.list.filter(
    ({ id }) =>
      id !== props.desk.editor.openId &&
      !macrosWithin(id, macros.shelf).ids.has(props.desk.editor.openId ?? ''),
  ),
)

function insertMacro(event: Event): void {
  if (!(event.target instanceof HTMLSelectElement)) return
  const { value } = event.target
  event.target.value = ''
  if (value) props.desk.insert([{ kind: 'macro', macro: value, afterMs: 0 }], 'insert a macro')
}

const setAll = (ms: number) =>
  props.desk.editor.editEvents('every wait', (events) => setEveryDelay(events, ms))
const scale = (percent: number) =>
  props.desk.editor.editEvents('scale', (events) => scaleTimes(events, percent / 100))
</script>

<template>
  <div class="tools">
    <div role="group" aria-label="Put in" class="group">
      <span class="caption soft">Put in</span>
      <button type="button" class="button small" :class="{ strong: waiting }" @click="waiting = !waiting">
        {{ waiting ? 'press the key…' : 'Key' }}
      </button>
      <button
        v-for="{ id, label, events } in INSERTIONS"
        :key="id"
        type="button"
        class="button small"
        @click="desk.insert(events(), `insert ${label.toLowerCase()}`)"
      >
        {{ label }}
      </button>
      <select class="field small" aria-label="Put in another macro" @change="insertMacro">
        <option value="">Macro…</option>
        <option v-for="{ id, name } in others" :key="id" :value="id">{{ name }}</option>
      </select>
    </div>
    <div role="group" aria-label="Chosen events" class="group">
      <span class="caption soft">{{ desk.selected.size || 'None' }} chosen</span>
      <button
        type="button"
        class="button small"
        :disabled="!desk.selected.size"
        title="Ctrl X"
        @click="desk.cut()"
      >
        Cut
      </button>
      <button
        type="button"
        class="button small"
        :disabled="!desk.selected.size"
        title="Ctrl C"
        @click="desk.copy()"
      >
        Copy
      </button>
      <button
        type="button"
        class="button small"
        :disabled="!desk.clipboard.length"
        title="Ctrl V"
        @click="desk.paste()"
      >
        Paste
      </button>
      <button
        type="button"
        class="button small"
        :disabled="!desk.selected.size"
        title="Ctrl D"
        @click="desk.duplicate()"
      >
        Duplicate
      </button>
      <button
        type="button"
        class="button small"
        :disabled="!desk.selected.size"
        title="Delete"
        @click="desk.remove()"
      >
        Delete
      </button>
      <label class="caption" title="Press and release are one unless this is on">
        <input :checked="desk.split" type="checkbox" @change="desk.splitEnds(!desk.split)" /> ends apart
      </label>
    </div>
    <div role="group" aria-label="All events" class="group">
      <span class="caption soft">All: every wait, ms</span>
      <NumberField :value="30" label="Every wait, in ms" :apply="setAll" />
      <span class="caption soft">length, %</span>
      <NumberField :value="100" label="Length in percent" :apply="scale" />
    </div>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
}

.group {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 5px;
}

.small {
  min-height: 27px;
  padding: 1px 9px;
  font-size: 13px;
}

select.small {
  width: 92px;
}
</style>
