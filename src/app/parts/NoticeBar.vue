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
    <div v-if="keeping.trouble" class="notice panel trouble" data-testid="waiting">
      <span>{{ keeping.trouble }}</span>
      <button type="button" class="button" @click="keeping.tryAgain()">Try again now</button>
    </div>
    <div v-if="notices.current" class="notice panel" :class="notices.current.tone">
      <span>{{ notices.current.text }}</span>
      <button v-if="notices.current.action" type="button" class="button" @click="act">
        {{ notices.current.action.label }}
      </button>
      <button type="button" class="button plain" @click="notices.dismiss()">Dismiss</button>
    </div>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  z-index: 3000;
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
  pointer-events: auto;
}

.notice span {
  flex: 1;
}

.trouble {
  border-color: var(--pending);
}

.trouble span {
  color: var(--pending);
}
</style>
