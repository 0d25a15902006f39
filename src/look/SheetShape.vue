<script setup lang="ts">
import type { Shape } from '../core/device/model'

/** One outline of a device drawing, in the millimetres of its view. */
defineProps<{ shape: Shape }>()
</script>

<template>
  <circle v-if="shape.kind === 'circle'" :cx="shape.x" :cy="shape.y" :r="shape.radius" />
  <rect
    v-else-if="shape.kind === 'rect'"
    :x="shape.x"
    :y="shape.y"
    :width="shape.width"
    :height="shape.height"
    :rx="shape.radius"
  />
  <path v-else-if="shape.kind === 'line'" :d="shape.d" :stroke-width="shape.width" class="stroke" />
  <path v-else :d="shape.d" />
</template>
