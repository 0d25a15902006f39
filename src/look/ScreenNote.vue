<script setup lang="ts">
import { useNoteOptions, type ScreenNote } from './screen-notes'

/** A short note over a picture of a screen, where its person wants notes to stand. */
defineProps<{ note: ScreenNote | undefined }>()
const { options } = useNoteOptions()
</script>

<template>
  <p v-if="note" class="note" :class="options.at" role="status" data-testid="note">
    <span v-if="note.colour" class="dot" :style="{ background: note.colour }" />{{ note.text }}
  </p>
</template>

<style scoped>
.note {
  position: absolute;
  z-index: 3;
  top: 12px;
  left: 50%;
  padding: 5px 14px;
  border-radius: 6px;
  background: var(--ink);
  color: var(--paper);
  font-weight: 600;
  pointer-events: none;
  transform: translateX(-50%);
  white-space: nowrap;
}

.bottom {
  top: auto;
  bottom: 12px;
}

.corner {
  right: 12px;
  left: auto;
  transform: none;
}

.dot {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 50%;
  margin-right: 8px;
}
</style>
