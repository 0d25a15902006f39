<script setup lang="ts">
/** A file that is being read, and the way to stop it. */
defineProps<{ file: string; done: number }>()
defineEmits<{ stop: [] }>()
</script>

<template>
  <div class="progress" role="status">
    <span>
      Reading <strong>{{ file }}</strong>
      <span v-if="done" class="soft mono"> {{ done }} judged</span>
    </span>
    <v-progress-linear indeterminate height="3" :aria-label="`Reading ${file}`" />
    <v-btn @click="$emit('stop')">Stop</v-btn>
  </div>
</template>

<style scoped>
.progress {
  display: grid;
  align-items: center;
  padding: 10px 14px;
  border: 1px solid var(--line);
  border-radius: 6px;
  margin-bottom: 16px;
  gap: 14px;
  grid-template-columns: auto minmax(80px, 1fr) auto;
}
</style>
