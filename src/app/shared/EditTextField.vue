<script setup lang="ts">
import { useTypedText } from './typed-text'

/** A text field: applied on Enter or on leaving, or refused at the field with the reason; Escape restores the text. */
const props = defineProps<{
  value: string
  /** @returns why the text is refused */
  apply: (words: string) => string | undefined
}>()
const { draft, problem, untouched, resetDraft, take } = useTypedText(
  () => props.value,
  (words) => props.apply(words),
)

/** Without typed text, shortcuts belong to the view around the field. */
function leave(event: KeyboardEvent): void {
  if (untouched.value !== undefined && !problem.value) return
  event.stopPropagation()
  resetDraft()
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
  >
    <!-- Nothing is loaded here: its bar would make the page lay itself out once for each field. -->
    <template #loader />
  </v-text-field>
</template>
