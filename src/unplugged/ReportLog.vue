<script setup lang="ts">
import type { HeardReport } from './listening'

/** Every report as it came over the wire, and what it says by the device's own descriptor. */
defineProps<{ reports: HeardReport[] }>()
const HEADERS = [
  { title: 'ms', key: 'atMs' },
  { title: 'from', key: 'from' },
  { title: 'bytes', key: 'hex', maxWidth: 340 },
  { title: 'means', key: 'meaning' },
]
const emit = defineEmits<{ clear: [] }>()
</script>

<template>
  <div class="log flex min-h-0 flex-col">
    <div class="flex flex-wrap items-baseline gap-2.5">
      <h2>Reports</h2>
      <span class="caption flex-1">newest first, decoded by the device’s report descriptor</span>
      <v-btn variant="text" :disabled="reports.length === 0" @click="emit('clear')"> Start afresh </v-btn>
    </div>
    <v-data-table-virtual
      v-if="reports.length"
      class="min-h-[120px] flex-[1_1_0] border-t-[1.5px] border-ink"
      :headers="HEADERS"
      :items="reports"
      :item-height="30"
      item-value="serial"
      fixed-header
      disable-sort
      tabindex="0"
      role="region"
      aria-label="Reports"
    >
      <template #[`item.atMs`]="{ item }">
        <span class="mono whitespace-nowrap text-ink-soft">{{ item.atMs.toFixed(1) }}</span>
      </template>
      <template #[`item.from`]="{ item }">
        <span class="whitespace-nowrap text-ink-soft">{{ item.from }}</span>
      </template>
      <template #[`item.hex`]="{ item }">
        <span class="mono text-12 wrap-anywhere text-ink-soft">{{ item.hex }}</span>
      </template>
    </v-data-table-virtual>
    <p v-else class="soft border-t-[1.5px] border-ink px-0 py-3">
      Nothing heard yet. Press an input of the device, or slide it.
    </p>
  </div>
</template>
