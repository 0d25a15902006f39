<script setup lang="ts">
import { ref, watch } from 'vue'

/** A DPI that is typed: taken on Enter or on leaving, refused with the reason, Escape puts it back. */
const props = defineProps<{ dpi: number; label: string; apply: (dpi: number) => string | undefined }>()
const draft = ref(String(props.dpi))
const problem = ref<string>()

watch(
  () => props.dpi,
  (dpi) => {
    draft.value = String(dpi)
    problem.value = undefined
  },
)

function take(): void {
  const typed = draft.value.replace(/[\s,]|dpi/gi, '')
  problem.value = /^\d+$/.test(typed)
    ? props.apply(Number(typed))
    : 'A step is a whole number of DPI, such as 800'
  if (!problem.value) draft.value = String(props.dpi)
}

function putBack(): void {
  draft.value = String(props.dpi)
  problem.value = undefined
}
</script>

<template>
  <span class="dpi">
    <input
      v-model="draft"
      type="text"
      inputmode="numeric"
      :data-untouched="draft === String(dpi) ? '' : undefined"
      class="field mono"
      :class="{ refused: problem }"
      :aria-label="label"
      :aria-invalid="problem !== undefined"
      @change="take"
      @keydown.enter="take"
      @keydown.esc.stop="putBack"
    />
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  </span>
</template>

<style scoped>
.dpi {
  position: relative;
}

input {
  width: 76px;
  text-align: right;
}

.refused {
  border-color: var(--pending);
}

.problem {
  position: absolute;
  z-index: 3;
  top: calc(100% + 3px);
  left: 0;
  padding: 3px 8px;
  border: 1px solid var(--pending);
  border-radius: 5px;
  background: var(--paper-high);
  color: var(--pending);
  font-size: 12px;
  white-space: nowrap;
}
</style>
