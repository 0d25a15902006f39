<script setup lang="ts">
import { t } from '../../messages/page'
import { useTypedText } from './typed-text'

/** An integer field: typed or changed with arrow keys, applied on Enter or when it loses focus, or refused with a reason. */
const props = withDefaults(
  defineProps<{
    value: number
    label: string
    apply: (value: number) => string | undefined
    /** The message for something that is not an integer. */
    invalid?: string
    /** The increment of an arrow key. */
    step?: number
    /** Width in px. */
    width?: number
  }>(),
  { invalid: undefined, step: 1, width: 64 },
)
const { draft, problem, untouched, resetDraft, take } = useTypedText<number | null>(
  () => props.value,
  (typed) => (typed === null ? (props.invalid ?? t('shared.enterAWholeNumberSuchAs40')) : props.apply(typed)),
)
</script>

<template>
  <!-- It has no bounds of its own: the component library would correct a number silently. -->
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
    @keydown.esc.stop="resetDraft"
    @update:focused="(focused) => focused || take()"
    @click.stop
  >
    <!-- There is nothing to load, and each progress bar would cause a layout of the page. -->
    <template #loader />
  </v-number-input>
</template>

<style scoped>
.number :deep(input) {
  text-align: end;
}
</style>
