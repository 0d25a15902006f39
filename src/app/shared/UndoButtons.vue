<script setup lang="ts">
import { mdiRedo, mdiUndo } from '@mdi/js'
import { useEventListener } from '@vueuse/core'

/** Takes edits back and makes them again, by button and by key. */
const props = defineProps<{
  editor: {
    past: readonly { label: string }[]
    future: readonly { label: string }[]
    undo: () => void
    redo: () => void
  }
}>()

useEventListener('keydown', (event) => {
  const command = event.ctrlKey || event.metaKey
  if (!command || event.altKey || event.code !== 'KeyZ' || isTyping(event.target)) return
  event.preventDefault()
  if (event.shiftKey) props.editor.redo()
  else props.editor.undo()
})

/** A field in which something was typed has an undo of its own. */
function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLInputElement &&
    target.type === 'text' &&
    !target.readOnly &&
    target.closest('[data-untouched]') === null
  )
}
</script>

<template>
  <v-btn
    variant="text"
    :disabled="editor.past.length === 0"
    :title="editor.past.length ? `Undo: ${editor.past.at(-1)?.label} (Ctrl Z)` : 'Nothing to undo'"
    @click="editor.undo()"
  >
    <v-icon :icon="mdiUndo" />Undo
  </v-btn>
  <v-btn
    variant="text"
    :disabled="editor.future.length === 0"
    :title="editor.future.length ? `Redo: ${editor.future.at(-1)?.label} (Ctrl Shift Z)` : 'Nothing to redo'"
    @click="editor.redo()"
  >
    <v-icon :icon="mdiRedo" />Redo
  </v-btn>
</template>
