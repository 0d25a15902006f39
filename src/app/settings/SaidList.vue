<script setup lang="ts">
import { computed } from 'vue'
import { clockText } from '../shared/device-line'
import { useNotices } from '../stores/notices'

/** The last things that were said at the foot of the window, the newest first: who looked elsewhere finds them here. */
const notices = useNotices()
const said = computed(() => notices.said.toReversed())
</script>

<template>
  <p v-if="said.length === 0" class="soft">
    Nothing yet. What is said at the foot of the window stays here until the page is closed.
  </p>
  <v-expansion-panels v-else class="said">
    <v-expansion-panel :title="`${said.length} since the page was opened`">
      <template #text>
        <ol class="m-0 max-h-[260px] list-none overflow-auto border-t border-line p-0" aria-label="Notices">
          <li
            v-for="{ id, atMs, text, tone } in said"
            :key="id"
            class="grid grid-cols-[46px_minmax(0,1fr)] gap-3 border-b border-line px-0 py-1.5"
          >
            <span class="mono soft">{{ clockText(atMs) }}</span>
            <span :class="{ pending: tone === 'trouble' }">{{ text }}</span>
          </li>
        </ol>
      </template>
    </v-expansion-panel>
  </v-expansion-panels>
</template>

<style scoped>
.said :deep(.v-expansion-panel-title) {
  min-height: 24px;
  padding: 0;
}
</style>
