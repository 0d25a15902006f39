<script setup lang="ts">
import { t } from '../../messages/page'
import type { SensorData } from '../../core/device/model'
import NumberField from '../shared/NumberField.vue'

/** A DPI value that is typed, or changed in the increments of the sensor. */
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
    :invalid="t('motion.enterAWholeNumberOfDpi')"
    :step="sensor.resolutionDpi"
    :width="68"
  />
</template>
