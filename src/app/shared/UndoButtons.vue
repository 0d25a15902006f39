<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiRedo, mdiUndo } from '@mdi/js'
import { computed } from 'vue'
import { announce } from '../../look/announce'
import type { HistoryEntry } from '../database/library-database'
import { editText } from '../stores/edit-texts'
import { useCommands } from './commands'
import { shortcutTexts } from './command-keys'

/** Undo and redo, by button and by key. */
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
  if (name !== undefined) announce(t('shared.undone', { name }))
}

function redo(): void {
  const name = redone.value
  props.editor.redo()
  if (name !== undefined) announce(t('shared.redone', { name }))
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
    :title="
      undone === undefined
        ? t('shared.nothingToUndo')
        : t('shared.undo', { edit: undone, keys: shortcutTexts('undo')[0] })
    "
    @click="undo"
  >
    <v-icon :icon="mdiUndo" />{{ t('shared.undo2') }}
  </v-btn>
  <v-btn
    variant="text"
    :disabled="editor.future.length === 0"
    :title="
      redone === undefined
        ? t('shared.nothingToRedo')
        : t('shared.redo', { edit: redone, keys: shortcutTexts('redo')[0] })
    "
    @click="redo"
  >
    <v-icon :icon="mdiRedo" />{{ t('shared.redo2') }}
  </v-btn>
</template>
