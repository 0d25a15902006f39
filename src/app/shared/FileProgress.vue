<script setup lang="ts">
/** A file that is being read, and the way to stop it. */
defineProps<{ file: string; done: number }>()
defineEmits<{ stop: [] }>()
</script>

<template>
  <div
    class="mb-4 grid grid-cols-[auto_minmax(80px,1fr)_auto] items-center gap-3.5 rounded-6 border border-line px-3.5 py-2.5"
  >
    <span>
      Reading <strong>{{ file }}</strong>
      <span v-if="done" class="soft mono"> {{ done }} judged</span>
    </span>
    <v-progress-linear indeterminate height="3" :aria-label="`Reading ${file}`" />
    <v-btn @click="$emit('stop')">Stop</v-btn>
  </div>
</template>
