<script setup lang="ts">
import { ref, watch } from 'vue'

/** A whole number that is typed: taken on Enter or on leaving, refused with the reason, Escape puts it back. */
const props = defineProps<{ value: number; label: string; apply: (value: number) => string | undefined }>()
const draft = ref(String(props.value))
const problem = ref<string>()

watch(
  () => props.value,
  (value) => {
    draft.value = String(value)
    problem.value = undefined
  },
)

function take(): void {
  const typed = draft.value.replace(/\s|ms$/g, '')
  problem.value = /^-?\d+$/.test(typed) ? props.apply(Number(typed)) : 'A whole number is due, such as 40'
  if (!problem.value) draft.value = String(props.value)
}

function putBack(): void {
  draft.value = String(props.value)
  problem.value = undefined
}
</script>

<template>
  <span class="number">
    <input
      v-model="draft"
      type="text"
      inputmode="numeric"
      class="field mono"
      :data-untouched="draft === String(value) ? '' : undefined"
      :class="{ refused: problem }"
      :aria-label="label"
      :aria-invalid="problem !== undefined"
      :title="problem"
      @change="take"
      @keydown.enter="take"
      @keydown.esc.stop="putBack"
      @click.stop
    />
    <span v-if="problem" class="visually-hidden" role="alert">{{ problem }}</span>
  </span>
</template>

<style scoped>
input {
  width: 64px;
  min-height: 26px;
  padding: 1px 8px;
  text-align: right;
}

.refused {
  border-color: var(--pending);
  background: var(--pending-wash);
}
</style>
