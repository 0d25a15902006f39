<script setup lang="ts">
import { mdiPause, mdiPlay, mdiVolumeHigh, mdiVolumeOff } from '@mdi/js'
import type { Desktop } from '../core/computer/desktop'

/** What media controls did to the computer. */
defineProps<{ desktop: Desktop }>()
</script>

<template>
  <div class="media" aria-label="Media">
    <v-icon :icon="desktop.muted ? mdiVolumeOff : mdiVolumeHigh" />
    <span class="bar" :class="{ muted: desktop.muted }"><i :style="{ width: `${desktop.volume}%` }" /></span>
    <span class="mono figure" data-testid="volume">{{
      desktop.muted ? 'muted' : `${desktop.volume} %`
    }}</span>
    <v-icon :icon="desktop.playing ? mdiPlay : mdiPause" />
    <span class="soft">{{ desktop.playing ? 'playing' : 'paused' }}</span>
    <span class="last soft">{{
      desktop.last ? `last shortcut or control: ${desktop.last}` : 'no shortcut or control yet'
    }}</span>
  </div>
</template>

<style scoped>
.media {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  padding: 8px 14px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--paper-high);
}

.bar {
  width: 160px;
  height: 8px;
  border: 1px solid var(--ink);
  border-radius: 4px;
  overflow: hidden;
}

.bar i {
  display: block;
  height: 100%;
  background: var(--ink);
}

.muted i {
  background: var(--line);
}

.figure {
  min-width: 52px;
}

.last {
  overflow: hidden;
  flex: 1;
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
