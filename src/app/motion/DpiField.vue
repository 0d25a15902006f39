<script setup lang="ts">
import type { SensorData } from '../../core/device/model'
import NumberField from '../shared/NumberField.vue'

/** A DPI that is typed, or stepped on the sensor's grid. */
defineProps<{
  dpi: number
  label: string
  sensor: SensorData
  apply: (dpi: number) => string | undefined
}>()
</script>

<template>
  <NumberField
    :value="dpi"
    :label="label"
    :apply="apply"
    due="A step is a whole number of DPI, such as 800"
    :step="sensor.resolutionDpi"
    :width="68"
  />
</template>
