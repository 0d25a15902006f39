<script setup lang="ts">
import { mdiRedo, mdiUndo } from '@mdi/js'
import { keysShown, useCommands } from './commands'

/** Takes edits back and makes them again, by button and by key. */
const props = defineProps<{
  editor: {
    past: readonly { label: string }[]
    future: readonly { label: string }[]
    undo: () => void
    redo: () => void
  }
}>()

useCommands({
  undo: {
    run: () => props.editor.undo(),
    can: () => props.editor.past.length > 0,
    about: () => props.editor.past.at(-1)?.label,
  },
  redo: {
    run: () => props.editor.redo(),
    can: () => props.editor.future.length > 0,
    about: () => props.editor.future.at(-1)?.label,
  },
})
</script>

<template>
  <v-btn
    variant="text"
    :disabled="editor.past.length === 0"
    :title="
      editor.past.length ? `Undo: ${editor.past.at(-1)?.label} (${keysShown('undo')[0]})` : 'Nothing to undo'
    "
    @click="editor.undo()"
  >
    <v-icon :icon="mdiUndo" />Undo
  </v-btn>
  <v-btn
    variant="text"
    :disabled="editor.future.length === 0"
    :title="
      editor.future.length
        ? `Redo: ${editor.future.at(-1)?.label} (${keysShown('redo')[0]})`
        : 'Nothing to redo'
    "
    @click="editor.redo()"
  >
    <v-icon :icon="mdiRedo" />Redo
  </v-btn>
</template>
