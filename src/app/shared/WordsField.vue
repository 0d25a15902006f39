<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'

/** Words that are typed: taken on Enter or on leaving, refused at the field with the reason, Escape puts them back. */
const props = defineProps<{
  value: string
  /** @returns why they cannot be taken, as a gate says it */
  apply: (words: string) => string | undefined
}>()
const draft = ref(props.value)
const problem = ref<string>()

watch(() => props.value, putBack)

function putBack(): void {
  draft.value = props.value
  problem.value = undefined
}

async function take(): Promise<void> {
  if (draft.value === props.value) return putBack()
  problem.value = props.apply(draft.value)
  await nextTick()
  if (!problem.value) putBack()
}

/** Who typed nothing means what the field is in. */
function leave(event: KeyboardEvent): void {
  if (draft.value === props.value && !problem.value) return
  event.stopPropagation()
  putBack()
}
</script>

<template>
  <v-text-field
    v-model="draft"
    :data-untouched="draft === value ? '' : undefined"
    :error-messages="problem"
    autocomplete="off"
    @change="take"
    @keydown.enter="take"
    @keydown.esc="leave"
  />
</template>
