<script setup lang="ts">
import { mdiRedo, mdiUndo } from '@mdi/js'
import { computed } from 'vue'
import { announce } from '../../look/announce'
import type { HistoryEntry } from '../database/library-database'
import { editText } from '../stores/edit-words'
import { useCommands } from './commands'
import { keysShown } from './command-keys'

/** Takes edits back and makes them again, by button and by key. */
const props = defineProps<{
  editor: {
    past: readonly HistoryEntry[]
    future: readonly HistoryEntry[]
    undo: () => void
    redo: () => void
  }
}>()

const last = (entries: readonly HistoryEntry[]): string | undefined => {
  const entry = entries.at(-1)
  return entry && editText(entry.label)
}
const undone = computed(() => last(props.editor.past))
const redone = computed(() => last(props.editor.future))

function undo(): void {
  const name = undone.value
  props.editor.undo()
  if (name !== undefined) announce(`Undone: ${name}`)
}

function redo(): void {
  const name = redone.value
  props.editor.redo()
  if (name !== undefined) announce(`Redone: ${name}`)
}

useCommands({
  undo: {
    run: undo,
    can: () => props.editor.past.length > 0,
    about: () => undone.value,
  },
  redo: {
    run: redo,
    can: () => props.editor.future.length > 0,
    about: () => redone.value,
  },
})
</script>

<template>
  <v-btn
    variant="text"
    :disabled="editor.past.length === 0"
    :title="undone === undefined ? 'Nothing to undo' : `Undo: ${undone} (${keysShown('undo')[0]})`"
    @click="undo"
  >
    <v-icon :icon="mdiUndo" />Undo
  </v-btn>
  <v-btn
    variant="text"
    :disabled="editor.future.length === 0"
    :title="redone === undefined ? 'Nothing to redo' : `Redo: ${redone} (${keysShown('redo')[0]})`"
    @click="redo"
  >
    <v-icon :icon="mdiRedo" />Redo
  </v-btn>
</template>
