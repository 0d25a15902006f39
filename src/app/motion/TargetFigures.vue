<script setup lang="ts">
import type { TargetRun } from './target-run'
import { decimal } from '../shared/numbers'

/** Times to reach targets, by their size. */
defineProps<{ run: TargetRun }>()
</script>

<template>
  <v-table class="figures">
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
        <td class="mono">{{ count === 0 ? '–' : `${decimal(medianMs)} ms` }}</td>
        <td class="mono">{{ missed }}</td>
      </tr>
    </tbody>
  </v-table>
</template>
