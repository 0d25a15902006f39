<script setup lang="ts">
import { computed } from 'vue'
import type { DeviceModel } from '../../core/device/model'
import type { LightState } from '../../core/effects/effect'
import { composeLight, driveLights, prepareLight } from '../../core/light/compose'
import type { LightEntry } from '../../core/onboard/light-stack'
import { stripPicture } from '../shared/strip-picture'

/** The light of some effects over time: time from left to right, lights from top to bottom. */
const props = defineProps<{
  stack: readonly LightEntry[]
  model: DeviceModel
  windowMs: number
  level: number
  state: (ms: number) => LightState | undefined
  label: string
  /** The lights with a row; all if omitted. */
  rows?: readonly number[]
}>()

const COLUMNS = 240

/**
 * The strip as a picture. A canvas on the page would be composed again with every frame of anything moving next to it.
 */
const picture = computed(() => {
  const prepared = prepareLight(props.stack, props.model)
  const lights = props.rows ?? Array.from({ length: prepared.plan.count }, (_, light) => light)
  return stripPicture(COLUMNS, lights, (column) => {
    const ms = Math.floor((column * props.windowMs) / COLUMNS)
    const state = props.state(ms)
    return state && driveLights(composeLight(prepared, state, ms), props.level, props.model.electrical).drives
  })
})
</script>

<template>
  <div class="strip h-full w-full rounded-4 bg-unlit" role="img" :aria-label="label">
    <img
      v-if="picture"
      class="block h-full w-full rounded-4 [image-rendering:pixelated]"
      :src="picture"
      alt=""
      draggable="false"
    />
  </div>
</template>
