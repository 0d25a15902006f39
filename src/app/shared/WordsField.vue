<script setup lang="ts">
import { useTyped } from './typed'

/** Words that are typed: taken on Enter or on leaving, refused at the field with the reason, Escape puts them back. */
const props = defineProps<{
  value: string
  /** @returns why they cannot be taken, as a gate says it */
  apply: (words: string) => string | undefined
}>()
const { draft, problem, untouched, putBack, take } = useTyped(
  () => props.value,
  (words) => props.apply(words),
)

/** Who typed nothing means what the field is in. */
function leave(event: KeyboardEvent): void {
  if (untouched.value !== undefined && !problem.value) return
  event.stopPropagation()
  putBack()
}
</script>

<template>
  <v-text-field
    v-model="draft"
    :data-untouched="untouched"
    :error-messages="problem"
    autocomplete="off"
    @change="take"
    @keydown.enter="take"
    @keydown.esc="leave"
  />
</template>
