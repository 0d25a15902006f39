<script setup lang="ts">
import { t } from '../../messages/page'
import { computed } from 'vue'
import { clockText } from '../shared/device-line'
import { useNotifications } from '../stores/notifications'

/** The latest notifications, the newest first, for people who missed them. */
const notices = useNotifications()
const said = computed(() => notices.said.toReversed())
</script>

<template>
  <p v-if="said.length === 0" class="soft">
    {{ t('settings.noNotificationsYetNotifications') }}
  </p>
  <v-expansion-panels v-else class="said">
    <v-expansion-panel :title="t('settings.sinceYouOpenedThePage', { count: said.length })">
      <template #text>
        <ol
          class="m-0 max-h-[260px] list-none overflow-auto border-t border-line p-0"
          :aria-label="t('settings.notifications')"
        >
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
