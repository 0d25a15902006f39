<script setup lang="ts">
import { useNoteOptions, type ScreenNote } from './screen-notes'

/** A short note over a picture of a screen, at the position set in Settings. */
defineProps<{ note: ScreenNote | undefined }>()
const { options } = useNoteOptions()
</script>

<template>
  <p
    v-if="note"
    class="pointer-events-none absolute start-1/2 top-3 z-3 -translate-x-1/2 rounded-6 bg-ink px-3.5 py-1.25 font-semi whitespace-nowrap text-paper"
    :class="options.at"
    role="status"
    data-testid="note"
  >
    <span
      v-if="note.colour"
      class="me-2 inline-block h-2.5 w-2.5 rounded-full"
      :style="{ background: note.colour }"
    />{{ note.text }}
  </p>
</template>

<style scoped>
.bottom {
  top: auto;
  bottom: 12px;
}

.corner {
  inset-inline-end: 12px;
  inset-inline-start: auto;
  transform: none;
}
</style>
