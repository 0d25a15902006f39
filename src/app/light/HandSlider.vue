<script setup lang="ts">
/** A value that is changed in the drawing: arrow keys change it by a step (with Shift by ten), page keys by more. */
const props = defineProps<{
  label: string
  min: number
  max: number
  /** Undefined while it changes by itself. */
  value: number | undefined
  text: string
  step: number
  page: number
}>()
const emit = defineEmits<{ set: [value: number]; grab: [event: PointerEvent] }>()

function key(event: KeyboardEvent): void {
  const { value = 0, min, max, step, page } = props
  const small = step * (event.shiftKey ? 10 : 1)
  const changes: Record<string, number | undefined> = {
    ArrowRight: small,
    ArrowLeft: -small,
    ArrowUp: small,
    ArrowDown: -small,
    PageUp: page,
    PageDown: -page,
    Home: min - value,
    End: max - value,
  }
  const change = changes[event.key]
  if (change === undefined) return
  event.preventDefault()
  emit('set', value + change)
}
</script>

<template>
  <div
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuemin="min"
    :aria-valuemax="max"
    :aria-valuenow="value"
    :aria-valuetext="text"
    @pointerdown="emit('grab', $event)"
    @keydown="key"
  >
    <slot />
  </div>
</template>
