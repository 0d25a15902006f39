<script setup lang="ts">
import { computed } from 'vue'
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

/**
 * The strip as a picture. A canvas on the page would be handed to the screen with every frame of whatever moves beside it,
 * whether it had changed or not.
 */
const picture = computed(() => {
  const prepared = prepareLight(props.stack, props.model)
  const lights = props.rows ?? Array.from({ length: prepared.plan.count }, (_, light) => light)
  const rows = Math.max(1, lights.length)
  const pixels = new ImageData(COLUMNS, rows)
  for (let column = 0; column < COLUMNS; column++) {
    const ms = Math.floor((column * props.windowMs) / COLUMNS)
    const state = props.state(ms)
    if (!state) return undefined
    const { drives } = driveLights(composeLight(prepared, state, ms), props.level, props.model.electrical)
    lights.forEach((light, row) =>
      pixels.data.set([...drives.subarray(3 * light, 3 * light + 3), 255], 4 * (row * COLUMNS + column)),
    )
  }
  const canvas = Object.assign(document.createElement('canvas'), { width: COLUMNS, height: rows })
  canvas.getContext('2d')?.putImageData(pixels, 0, 0)
  return canvas.toDataURL()
})
</script>

<template>
  <div class="strip" role="img" :aria-label="label">
    <img v-if="picture" :src="picture" alt="" draggable="false" />
  </div>
</template>

<style scoped>
.strip {
  width: 100%;
  height: 100%;
  border-radius: 4px;
  background: #10151d;
}

img {
  display: block;
  width: 100%;
  height: 100%;
  border-radius: 4px;
  image-rendering: pixelated;
}
</style>
