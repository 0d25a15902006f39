<script setup lang="ts">
import { t, withTexts } from '../messages/page'
import type { HeardReport } from './listening'

/** Every report as sent over the wire, with its meaning according to the device's descriptor. */
defineProps<{ reports: HeardReport[] }>()
const HEADERS = [
  { title: 'ms', key: 'atMs' },
  withTexts({ key: 'from' }, { title: 'unplugged.from' }),
  withTexts({ key: 'hex', maxWidth: 340 }, { title: 'unplugged.bytes' }),
  withTexts({ key: 'meaning' }, { title: 'unplugged.meaning' }),
]
const emit = defineEmits<{ clear: [] }>()
</script>

<template>
  <div class="log flex min-h-0 flex-col">
    <div class="flex flex-wrap items-baseline gap-2.5">
      <h2>{{ t('unplugged.reports') }}</h2>
      <span class="caption flex-1">{{ t('unplugged.newestFirstDecodedByTheDevices') }}</span>
      <v-btn variant="text" :disabled="reports.length === 0" @click="emit('clear')">
        {{ t('unplugged.clear') }}
      </v-btn>
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
      :aria-label="t('unplugged.reports')"
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
      {{ t('unplugged.noReportsYetPressAnInputOf') }}
    </p>
  </div>
</template>
