<script setup lang="ts">
import { onScopeDispose, useTemplateRef, watch } from 'vue'
import type { LightWork } from './work'

/**
 * The moment that shows, as a line over all strips. While it plays the browser moves it by itself: the page does
 * nothing for it from frame to frame.
 */
const props = defineProps<{ work: LightWork }>()
const line = useTemplateRef<HTMLElement>('line')
const STEPS_A_SECOND = 16
let moving: Animation | undefined

function move(): void {
  moving?.cancel()
  const { nowMs, windowMs, runs } = props.work
  moving = line.value?.animate([{ transform: 'translateX(0)' }, { transform: 'translateX(100%)' }], {
    duration: windowMs.value,
    iterations: Infinity,
    // Without a GPU each place of the line is laid out anew: so many a second are enough for a line.
    easing: `steps(${Math.round((windowMs.value * STEPS_A_SECOND) / 1000)})`,
  })
  if (!moving) return
  moving.currentTime = nowMs.value
  if (!runs.value) moving.pause()
}
watch([line, () => props.work.windowMs.value, () => props.work.runs.value], move, { flush: 'post' })
// Held, it is where it is put.
watch(
  () => (props.work.runs.value ? undefined : props.work.nowMs.value),
  (ms) => {
    if (moving && ms !== undefined) moving.currentTime = ms
  },
)
onScopeDispose(() => moving?.cancel())
</script>

<template>
  <div class="head" aria-hidden="true">
    <i ref="line" />
  </div>
</template>

<style scoped>
/* As wide as the bands, which stand between what says them and their tools. */
.head {
  position: absolute;
  z-index: 1;
  top: 33px;
  right: 146px;
  bottom: 14px;
  left: 185px;
  pointer-events: none;
}

.head i {
  position: absolute;
  border-left: 2px solid var(--pending);
  margin-left: -1px;
  inset: 0;
  will-change: transform;
}

.head i::before {
  position: absolute;
  top: 0;
  left: -6px;
  width: 10px;
  height: 10px;
  border-radius: 5px;
  background: var(--pending);
  content: '';
}
</style>
