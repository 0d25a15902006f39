<script setup lang="ts">
/** One of a list at the side: what it is called, and a line about it. */
defineProps<{ title: string; about: string; chosen: boolean; trouble?: boolean }>()
</script>

<template>
  <v-btn variant="text" class="two-lines" :aria-pressed="chosen">
    <strong>{{ title }}</strong>
    <span class="caption" :class="trouble ? 'pending' : 'soft'">{{ about }}</span>
  </v-btn>
</template>

<style scoped>
.two-lines.v-btn {
  width: 100%;
  height: auto;
  min-height: 32px;
  flex: none;
  justify-content: flex-start;
  padding: 4px 10px;
}

.two-lines :deep(.v-btn__content) {
  display: grid;
  gap: 0;
  justify-items: start;
  text-align: left;
  white-space: normal;
}

.two-lines[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}

.two-lines[aria-pressed='true'] .caption {
  color: inherit;
}

strong {
  font-weight: 600;
  overflow-wrap: anywhere;
}
</style>
