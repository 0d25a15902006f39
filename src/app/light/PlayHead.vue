<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watchPostEffect } from 'vue'
import { useTheme } from '../../look/component-library'
import type { LightWork } from './work'

/**
 * The moment that shows, as a line over all strips. While it plays it is painted, one pixel high and drawn out to the
 * whole height: an element that is moved has the browser put the whole page together anew each time. Held, it has a
 * handle.
 */
const props = defineProps<{ work: LightWork }>()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const { width } = useElementSize(canvas)
const theme = useTheme()
const colour = computed(() =>
  canvas.value && theme.value ? getComputedStyle(canvas.value).color : undefined,
)

/** So many places a second are enough for a line; held, it is where it is put. */
const STEP_MS = 1000 / 16
const part = computed(() => {
  const { nowMs, runs, windowMs } = props.work
  return (runs.value ? Math.floor(nowMs.value / STEP_MS) * STEP_MS : nowMs.value) / windowMs.value
})
watchPostEffect(() => {
  const [element, context] = [canvas.value, canvas.value?.getContext('2d')]
  if (!element || !context || !colour.value) return
  // Given its size anew it is empty.
  Object.assign(element, { width: Math.round(width.value), height: 1 })
  context.fillStyle = colour.value
  context.fillRect(Math.round((element.width - 2) * part.value), 0, 2, 1)
})
</script>

<template>
  <div class="head" aria-hidden="true">
    <canvas ref="canvas" />
    <i v-if="!work.runs.value" :style="{ left: `${100 * part}%` }" />
  </div>
</template>

<style scoped>
/* As wide as the bands, which stand between what says them and their tools. */
.head {
  position: absolute;
  z-index: 1;
  top: 33px;
  right: 145px;
  bottom: 14px;
  left: 184px;
  pointer-events: none;
}

.head canvas {
  width: 100%;
  height: 100%;
  color: var(--pending);
}

.head i {
  position: absolute;
  top: 0;
  width: 10px;
  height: 10px;
  border-radius: 5px;
  margin-left: -5px;
  background: var(--pending);
}
</style>
