<script setup lang="ts">
import type { HeardReport } from './listening'

/** Every report as it came over the wire, and what it says by the device's own descriptor. */
defineProps<{ reports: HeardReport[] }>()
const emit = defineEmits<{ clear: [] }>()
</script>

<template>
  <div class="log flex min-h-0 flex-col">
    <div class="flex flex-wrap items-baseline gap-2.5">
      <h2>Reports</h2>
      <span class="caption flex-1">newest first, decoded by the device’s report descriptor</span>
      <v-btn variant="text" :disabled="reports.length === 0" @click="emit('clear')"> Start afresh </v-btn>
    </div>
    <div
      class="min-h-[120px] flex-[1_1_0] overflow-auto border-t-[1.5px] border-ink"
      tabindex="0"
      aria-label="Reports"
    >
      <v-table v-if="reports.length">
        <thead class="caption">
          <tr>
            <th>ms</th>
            <th>from</th>
            <th>bytes</th>
            <th>means</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="report in reports" :key="report.serial">
            <td class="mono whitespace-nowrap text-ink-soft">{{ report.atMs.toFixed(1) }}</td>
            <td class="whitespace-nowrap text-ink-soft">
              {{ report.from }}
            </td>
            <td class="mono max-w-[340px] text-12 wrap-anywhere text-ink-soft">
              {{ report.hex }}
            </td>
            <td>{{ report.meaning }}</td>
          </tr>
        </tbody>
      </v-table>
      <p v-else class="soft px-0 py-3">Nothing heard yet. Press an input of the device, or slide it.</p>
    </div>
  </div>
</template>
