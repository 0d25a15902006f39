<script setup lang="ts">
import { ref, watch } from 'vue'

/** A whole number that is typed: taken on Enter or on leaving, refused with the reason, Escape puts it back. */
const props = withDefaults(
  defineProps<{
    value: number
    label: string
    apply: (value: number) => string | undefined
    /** What is said of something that is no whole number. */
    due?: string
    /** Width in px. */
    width?: number
  }>(),
  { due: 'A whole number is due, such as 40', width: 64 },
)
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
  const typed = draft.value.replace(/[\s,]|ms$|dpi$/gi, '')
  problem.value = /^-?\d+$/.test(typed) ? props.apply(Number(typed)) : props.due
  if (!problem.value) draft.value = String(props.value)
}

function putBack(): void {
  draft.value = String(props.value)
  problem.value = undefined
}
</script>

<template>
  <v-text-field
    v-model="draft"
    class="number in-row mono"
    inputmode="numeric"
    :width="width"
    :data-untouched="draft === String(value) ? '' : undefined"
    :aria-label="label"
    :error-messages="problem"
    @change="take"
    @keydown.enter="take"
    @keydown.esc.stop="putBack"
    @click.stop
  />
</template>

<style scoped>
.number :deep(input) {
  text-align: right;
}

.number :deep(.v-input__details) {
  width: max-content;
  max-width: 260px;
}
</style>
