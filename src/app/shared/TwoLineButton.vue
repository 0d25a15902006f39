<script setup lang="ts">
/** An item of a side list: its name, and a line of description. */
defineProps<{ title: string; about: string; chosen: boolean; trouble?: boolean }>()
</script>

<template>
  <v-btn
    variant="text"
    class="two-lines h-auto min-h-8 w-full flex-none justify-start px-2.5 py-1 aria-pressed:bg-ink aria-pressed:text-paper"
    :aria-pressed="chosen"
  >
    <strong class="font-semi wrap-anywhere">{{ title }}</strong>
    <span class="caption" :class="trouble ? 'pending' : 'soft'">{{ about }}</span>
  </v-btn>
</template>

<style scoped>
.two-lines :deep(.v-btn__content) {
  display: grid;
  gap: 0;
  justify-items: start;
  text-align: start;
  white-space: normal;
}

.two-lines[aria-pressed='true'] .caption {
  color: inherit;
}
</style>
