<script setup lang="ts">
import type { HeardReport } from './listening'

/** Every report as it came over the wire, and what it says by the device's own descriptor. */
defineProps<{ reports: HeardReport[] }>()
const emit = defineEmits<{ clear: [] }>()
</script>

<template>
  <div class="log">
    <div class="head">
      <h2>Reports</h2>
      <span class="caption">newest first, decoded by the device’s report descriptor</span>
      <v-btn variant="text" :disabled="reports.length === 0" @click="emit('clear')"> Start afresh </v-btn>
    </div>
    <div class="scroll" tabindex="0" aria-label="Reports">
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
            <td class="mono">{{ report.atMs.toFixed(1) }}</td>
            <td class="from">{{ report.from }}</td>
            <td class="mono hex">{{ report.hex }}</td>
            <td>{{ report.meaning }}</td>
          </tr>
        </tbody>
      </v-table>
      <p v-else class="soft none">Nothing heard yet. Press an input of the device, or slide it.</p>
    </div>
  </div>
</template>

<style scoped>
.log {
  display: flex;
  min-height: 0;
  flex-direction: column;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 10px;
}

.head .caption {
  flex: 1;
}

.scroll {
  min-height: 120px;
  flex: 1 1 0;
  border-top: 1.5px solid var(--ink);
  overflow: auto;
}

.from {
  color: var(--ink-soft);
  white-space: nowrap;
}

td:first-child {
  color: var(--ink-soft);
  white-space: nowrap;
}

.hex {
  max-width: 340px;
  color: var(--ink-soft);
  font-size: 0.858rem;
  overflow-wrap: anywhere;
}

.none {
  padding: 12px 0;
}
</style>
