<script setup lang="ts">
import { mdiRedo, mdiUndo } from '@mdi/js'
import { useEventListener } from '@vueuse/core'
import AppIcon from './AppIcon.vue'

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
    target instanceof HTMLInputElement && target.type === 'text' && target.dataset.untouched === undefined
  )
}
</script>

<template>
  <button
    type="button"
    class="button plain"
    :disabled="editor.past.length === 0"
    :title="editor.past.length ? `Undo: ${editor.past.at(-1)?.label} (Ctrl Z)` : 'Nothing to undo'"
    @click="editor.undo()"
  >
    <AppIcon :path="mdiUndo" />Undo
  </button>
  <button
    type="button"
    class="button plain"
    :disabled="editor.future.length === 0"
    :title="editor.future.length ? `Redo: ${editor.future.at(-1)?.label} (Ctrl Shift Z)` : 'Nothing to redo'"
    @click="editor.redo()"
  >
    <AppIcon :path="mdiRedo" />Redo
  </button>
</template>
