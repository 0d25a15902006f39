<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watchPostEffect } from 'vue'
import { useTheme } from '../../look/component-library'
import type { LightView } from './light-view'

/**
 * The previewed time as a line across all strips. During playback it is painted, one pixel high and stretched, because
 * moving an element would make the browser compose the whole page every time. When paused, it has a handle.
 */
const props = defineProps<{ work: LightView }>()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const { width } = useElementSize(canvas)
const theme = useTheme()
const colour = computed(() =>
  canvas.value && theme.value ? getComputedStyle(canvas.value).color : undefined,
)

/** This many positions per second are enough for a line; when paused, it is exact. */
const STEP_MS = 1000 / 16
const part = computed(() => {
  const { nowMs, runs, windowMs } = props.work
  return (runs.value ? Math.floor(nowMs.value / STEP_MS) * STEP_MS : nowMs.value) / windowMs.value
})
watchPostEffect(() => {
  const [element, context] = [canvas.value, canvas.value?.getContext('2d')]
  if (!element || !context || !colour.value) return
  // A resized canvas is empty.
  Object.assign(element, { width: Math.round(width.value), height: 1 })
  context.fillStyle = colour.value
  context.fillRect(Math.round((element.width - 2) * part.value), 0, 2, 1)
})
</script>

<template>
  <div
    class="head pointer-events-none absolute start-46 end-36.25 top-8.25 bottom-3.5 z-1"
    aria-hidden="true"
  >
    <canvas ref="canvas" class="h-full w-full text-pending" />
    <i
      v-if="!work.runs.value"
      class="absolute top-0 -ms-1.25 h-2.5 w-2.5 rounded-5 bg-pending"
      :style="{ left: `${100 * part}%` }"
    />
  </div>
</template>

<style scoped>
@media (width < 700px) {
  .head {
    top: 70px;
    right: 54px;
    left: 13px;
  }
}
</style>
