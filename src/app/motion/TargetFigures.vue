<script setup lang="ts">
import { t } from '../../messages/page'
import type { TargetRun } from './target-run'
import { decimal } from '../shared/numbers'

/** Times to reach targets, by their size. */
defineProps<{ run: TargetRun }>()
</script>

<template>
  <v-table class="figures">
    <thead>
      <tr>
        <th>{{ t('motion.target') }}</th>
        <th>{{ t('motion.reached') }}</th>
        <th>{{ t('motion.median') }}</th>
        <th>{{ t('motion.misses') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ size, count, medianMs, missed } in run.bySize.value" :key="size">
        <td>{{ t('motion.px', { size }) }}</td>
        <td class="mono">{{ count }}</td>
        <td class="mono">{{ count === 0 ? '–' : t('motion.ms3', { decimal: decimal(medianMs) }) }}</td>
        <td class="mono">{{ missed }}</td>
      </tr>
    </tbody>
  </v-table>
</template>
