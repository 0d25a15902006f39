<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core'
import { watch } from 'vue'
import { useKeeping } from '../stores/keeping'
import { useNotices } from '../stores/notices'

/** What was said last, at the foot of the window. Plain notices go by themselves, trouble stays. */
const notices = useNotices()
const keeping = useKeeping()
const PLAIN_MS = 12_000
const { start, stop } = useTimeoutFn(() => notices.dismiss(), PLAIN_MS, { immediate: false })

watch(
  () => notices.current,
  (notice) => {
    stop()
    if (notice?.tone === 'plain') start()
  },
)

function act(): void {
  notices.current?.action?.act()
  notices.dismiss()
}
</script>

<template>
  <div class="bar" aria-live="polite">
    <v-sheet v-if="keeping.trouble" class="notice trouble" data-testid="waiting">
      <span class="text-pending">{{ keeping.trouble }}</span>
      <v-btn @click="keeping.tryAgain()">Try again now</v-btn>
    </v-sheet>
    <v-sheet v-if="notices.current" class="notice" :class="notices.current.tone">
      <span>{{ notices.current.text }}</span>
      <v-btn v-if="notices.current.action" @click="act">
        {{ notices.current.action.label }}
      </v-btn>
      <v-btn variant="text" @click="notices.dismiss()">Dismiss</v-btn>
    </v-sheet>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  /* Over the page, under what asks for an answer. */
  z-index: 2000;
  bottom: 104px;
  left: 50%;
  width: min(680px, calc(100vw - 120px));
  transform: translateX(-50%);
  pointer-events: none;
}

.notice {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 8px 8px 8px 16px;
  border: 1px solid var(--line-strong);
  border-radius: 8px;
  background: var(--paper-high);
  color: inherit;
  pointer-events: auto;
}

.notice > span {
  min-width: 0;
  flex: 1;
  overflow-wrap: anywhere;
}

.trouble {
  border-color: var(--pending);
}
</style>
