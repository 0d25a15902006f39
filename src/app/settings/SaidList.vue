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
        <ol aria-label="Notices">
          <li v-for="{ id, atMs, text, tone } in said" :key="id">
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

ol {
  max-height: 260px;
  padding: 0;
  border-top: 1px solid var(--line);
  margin: 0;
  list-style: none;
  overflow: auto;
}

li {
  display: grid;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  gap: 12px;
  grid-template-columns: 46px minmax(0, 1fr);
}
</style>
