<script setup lang="ts">
import NumberField from '../shared/NumberField.vue'

/** A DPI that is typed. */
defineProps<{ dpi: number; label: string; apply: (dpi: number) => string | undefined }>()
</script>

<template>
  <NumberField
    :value="dpi"
    :label="label"
    :apply="apply"
    due="A step is a whole number of DPI, such as 800"
    :width="68"
  />
</template>
