<script setup lang="ts">
/** Why a file was not opened; nothing was changed by it. */
defineProps<{ file: string; problems: readonly string[] }>()
const MOST_SHOWN = 6
</script>

<template>
  <div class="refusal" role="alert">
    <p>
      <strong>{{ file }}</strong> was not opened, and nothing was changed:
    </p>
    <ul>
      <li v-for="problem in problems.slice(0, MOST_SHOWN)" :key="problem">{{ problem }}</li>
    </ul>
  </div>
</template>

<style scoped>
.refusal {
  padding: 10px 14px;
  border-left: 3px solid var(--pending);
  margin-bottom: 16px;
  background: var(--pending-wash);
}

.refusal ul {
  margin: 4px 0 0;
}
</style>
