<script setup lang="ts">
import { useTemplateRef, watchPostEffect } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { LightState } from '../../core/effects/effect'
import { composeLight, driveLights, prepareLight } from '../../core/light/compose'
import type { LightEntry } from '../../core/onboard/light-stack'

/** What some effects show over their time: to the right the time, from top to bottom the lights. */
const props = defineProps<{
  stack: readonly LightEntry[]
  model: DeviceModel
  windowMs: number
  level: number
  state: (ms: number) => LightState | undefined
  label: string
  /** The lights it has a row for; all where they are left out. */
  rows?: readonly number[]
}>()

const COLUMNS = 240
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')

watchPostEffect(() => {
  const context = canvas.value?.getContext('2d')
  const prepared = prepareLight(props.stack, props.model)
  const lights = props.rows ?? Array.from({ length: prepared.plan.count }, (_, light) => light)
  const rows = Math.max(1, lights.length)
  if (!context || !canvas.value) return
  Object.assign(canvas.value, { width: COLUMNS, height: rows })
  const pixels = context.createImageData(COLUMNS, rows)
  const { data } = pixels
  for (let column = 0; column < COLUMNS; column++) {
    const ms = Math.floor((column * props.windowMs) / COLUMNS)
    const state = props.state(ms)
    if (!state) return
    const { drives } = driveLights(composeLight(prepared, state, ms), props.level, props.model.electrical)
    lights.forEach((light, row) =>
      data.set([...drives.subarray(3 * light, 3 * light + 3), 255], 4 * (row * COLUMNS + column)),
    )
  }
  context.putImageData(pixels, 0, 0)
})
</script>

<template>
  <canvas ref="canvas" class="strip" role="img" :aria-label="label" />
</template>

<style scoped>
.strip {
  display: block;
  width: 100%;
  height: 100%;
  border-radius: 4px;
  background: #10151d;
  image-rendering: pixelated;
}
</style>
