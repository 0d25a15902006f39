<script setup lang="ts">
import { computed, useTemplateRef, watchPostEffect } from 'vue'
import { useDevicePixelRatio } from '@vueuse/core'
import { toHexBytes } from '../core/base/bytes'
import type { DeviceModel } from '../core/device/model'
import { easelOf, lightPainting, paintLights } from './lights-painting'

/** The current lights of a device over its drawing. Painted only when the frame changes. */
const props = defineProps<{
  model: DeviceModel
  /** px per mm. */
  scale: number
  /** Returns the LED levels of the current frame, three per light, in the model's order. */
  lights: () => Uint8Array
}>()

const { pixelRatio } = useDevicePixelRatio()
const glow = useTemplateRef<HTMLCanvasElement>('glow')
const lamps = useTemplateRef<HTMLCanvasElement>('lamps')
const painting = computed(() => lightPainting(props.model))
const size = computed(() => ({
  width: Math.round(painting.value.widthMm * props.scale * pixelRatio.value),
  height: Math.round(painting.value.heightMm * props.scale * pixelRatio.value),
}))
/** Only the lit area is painted, at its place on the drawing. */
const place = computed(() => {
  const { left, top, widthMm, heightMm } = painting.value
  const px = (mm: number) => `${mm * props.scale}px`
  return { left: px(left), top: px(top), width: px(widthMm), height: px(heightMm) }
})
const easel = computed(() =>
  glow.value && lamps.value
    ? easelOf({ glow: glow.value, lamps: lamps.value }, painting.value, props.scale * pixelRatio.value)
    : undefined,
)

let painted = ''
watchPostEffect(() => {
  const drives = props.lights()
  if (!easel.value || !glow.value || !lamps.value) return
  const { width, height } = size.value
  const told = toHexBytes(drives)
  // A canvas is empty after its size changes.
  const key = `${told} ${width} ${height} ${props.model.id}`
  if (key === painted) return
  painted = key
  setSize(glow.value, painting.value)
  setSize(lamps.value, size.value)
  paintLights(easel.value, painting.value, drives)
  lamps.value.dataset.lights = told
})

function setSize(canvas: HTMLCanvasElement, { width, height }: { width: number; height: number }): void {
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height })
}
</script>

<template>
  <canvas ref="glow" class="pointer-events-none absolute" :style="place" aria-hidden="true" />
  <canvas ref="lamps" class="lights pointer-events-none absolute" :style="place" aria-hidden="true" />
</template>
