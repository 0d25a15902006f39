<script setup lang="ts">
import { t } from '../../messages/page'
import type { Binding } from '../../core/document/schema'
import EditTextField from '../shared/EditTextField.vue'

/** The in-game name of a binding, and its note. */
const props = defineProps<{
  binding: Binding
  /** Returns why a text is refused, or nothing. */
  save: (words: { name?: string; note?: string }) => string | undefined
}>()
const saveName = (name: string) => props.save({ name })
const saveNote = (note: string) => props.save({ note })
</script>

<template>
  <div class="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-x-2 gap-y-1">
    <EditTextField :label="t('buttons.inGameName')" :value="binding.name ?? ''" :apply="saveName" />
    <EditTextField
      :label="t('buttons.noteSavedInTheLibraryOnly')"
      :value="binding.note ?? ''"
      :apply="saveNote"
    />
  </div>
</template>
