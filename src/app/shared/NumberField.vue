<script setup lang="ts">
import { useTyped } from './typed'

/** A whole number that is typed or stepped by arrow keys: taken on Enter or on leaving, refused with the reason. */
const props = withDefaults(
  defineProps<{
    value: number
    label: string
    apply: (value: number) => string | undefined
    /** What is said of something that is no whole number. */
    due?: string
    /** What an arrow key adds or takes away. */
    step?: number
    /** Width in px. */
    width?: number
  }>(),
  { due: 'A whole number is due, such as 40', step: 1, width: 64 },
)
const { draft, problem, untouched, putBack, take } = useTyped<number | null>(
  () => props.value,
  (typed) => (typed === null ? props.due : props.apply(typed)),
)
</script>

<template>
  <!-- It has no bounds of its own: the library's field would put a number right without a word. -->
  <v-number-input
    v-model="draft"
    class="number in-row mono"
    :width="width"
    :step="step"
    :data-untouched="untouched"
    :aria-label="label"
    :error-messages="problem"
    :aria-invalid="problem !== undefined"
    @change="take"
    @keydown.enter="take"
    @keydown.esc.stop="putBack"
    @update:focused="(focused) => focused || take()"
    @click.stop
  />
</template>

<style scoped>
.number :deep(input) {
  text-align: right;
}
</style>
