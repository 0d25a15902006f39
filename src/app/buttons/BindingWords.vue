<script setup lang="ts">
import type { Binding } from '../../core/document/schema'
import WordsField from '../shared/WordsField.vue'

/** What a binding is called in the game, and a note on it. */
defineProps<{
  binding: Binding
  /** Says why the words are refused, or nothing when they were taken. */
  save: (words: { name?: string; note?: string }) => string | undefined
}>()
</script>

<template>
  <div class="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-x-2 gap-y-1">
    <WordsField label="Called in the game" :value="binding.name ?? ''" :apply="(name) => save({ name })" />
    <WordsField
      label="Note, kept in the library"
      :value="binding.note ?? ''"
      :apply="(note) => save({ note })"
    />
  </div>
</template>
