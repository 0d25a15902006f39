<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Binding } from '../../core/document/schema'

/** What a binding is called in the game, and a note on it. */
const props = defineProps<{
  binding: Binding
  /** Says why the words are refused, or nothing when they were taken. */
  save: (words: { name?: string; note?: string }) => string | undefined
}>()
const name = ref('')
const note = ref('')
const problem = ref<string>()
watch(
  () => props.binding.name,
  (kept = '') => (name.value = kept),
  { immediate: true },
)
watch(
  () => props.binding.note,
  (kept = '') => (note.value = kept),
  { immediate: true },
)

function keep(words: { name?: string; note?: string }): void {
  problem.value = props.save(words)
}
</script>

<template>
  <div class="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-x-2 gap-y-1">
    <v-text-field
      v-model="name"
      label="Called in the game"
      autocomplete="off"
      :error-messages="problem"
      @change="keep({ name })"
    />
    <v-text-field
      v-model="note"
      label="Note, kept in the library"
      autocomplete="off"
      @change="keep({ note })"
    />
  </div>
</template>
