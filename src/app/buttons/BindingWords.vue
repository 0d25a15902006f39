<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Binding } from '../../core/profile/schema'

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
  () => [props.binding.name, props.binding.note],
  () => {
    name.value = props.binding.name ?? ''
    note.value = props.binding.note ?? ''
  },
  { immediate: true },
)

function keep(words: { name?: string; note?: string }): void {
  problem.value = props.save(words)
}
</script>

<template>
  <div class="words">
    <label>
      <span class="caption">Called in the game</span>
      <input v-model="name" class="field" type="text" autocomplete="off" @change="keep({ name })" />
    </label>
    <label>
      <span class="caption">Note, kept in the library</span>
      <input v-model="note" class="field" type="text" autocomplete="off" @change="keep({ note })" />
    </label>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.words {
  display: grid;
  gap: 4px 8px;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
}

label {
  display: grid;
  gap: 1px;
}

.field {
  min-width: 0;
  min-height: 28px;
  padding: 2px 8px;
}

.problem {
  grid-column: 1 / -1;
  color: var(--pending);
}
</style>
