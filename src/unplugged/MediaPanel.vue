<script setup lang="ts">
import { t } from '../messages/page'
import { mdiPause, mdiPlay, mdiVolumeHigh, mdiVolumeOff } from '@mdi/js'
import type { Desktop } from '../core/computer/desktop'

/** Effects of media keys on the computer. */
defineProps<{ desktop: Desktop }>()
</script>

<template>
  <div
    class="media flex flex-wrap items-center gap-2.5 rounded-6 border border-line-strong bg-paper-high px-3.5 py-2"
    :aria-label="t('unplugged.media')"
  >
    <v-icon :icon="desktop.muted ? mdiVolumeOff : mdiVolumeHigh" />
    <span
      class="bar h-2 w-[160px] overflow-hidden rounded-4 border border-ink"
      :class="{ muted: desktop.muted }"
      ><i class="block h-full bg-ink" :style="{ width: `${desktop.volume}%` }"
    /></span>
    <span class="mono min-w-13" data-testid="volume">{{
      desktop.muted ? t('unplugged.muted') : t('look.percent', { percent: desktop.volume })
    }}</span>
    <v-icon :icon="desktop.playing ? mdiPlay : mdiPause" />
    <span class="soft">{{ desktop.playing ? t('unplugged.playing') : t('unplugged.paused') }}</span>
    <span class="last soft flex-1 truncate text-end">{{
      desktop.last
        ? t('unplugged.lastShortcutOrMediaKey', { last: desktop.last })
        : t('unplugged.noShortcutOrMediaKeyYet')
    }}</span>
  </div>
</template>

<style scoped>
.muted i {
  background: var(--line);
}
</style>
