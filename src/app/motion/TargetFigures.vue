<script setup lang="ts">
import type { TargetRun } from './target-run'

/** Times to reach targets, by their size. */
defineProps<{ run: TargetRun }>()
</script>

<template>
  <table class="figures">
    <thead>
      <tr>
        <th>Target</th>
        <th>Reached</th>
        <th>Median</th>
        <th>Misses</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ size, count, medianMs, missed } in run.bySize.value" :key="size">
        <td>{{ size }} px</td>
        <td class="mono">{{ count }}</td>
        <td class="mono">{{ count === 0 ? '–' : `${medianMs.toFixed(0)} ms` }}</td>
        <td class="mono">{{ missed }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.figures {
  border-collapse: collapse;
}

.figures th,
.figures td {
  padding: 2px 12px 2px 0;
  font-weight: 400;
  text-align: left;
}

.figures th {
  color: var(--ink-faint);
  font-size: 12px;
}
</style>
