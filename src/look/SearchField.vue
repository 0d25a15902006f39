<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { useTemplateRef } from 'vue'

/** A search field. Its label and placeholder name the searched items. */
defineProps<{ label: string; placeholder: string }>()
const text = defineModel<string>({ required: true })
const field = useTemplateRef('field')
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <v-text-field
    ref="field"
    v-model="text"
    type="search"
    :prepend-inner-icon="mdiMagnify"
    :aria-label="label"
    :placeholder="placeholder"
  >
    <!-- The bar for loading, which no field of ours shows, would make the page lay itself out once for each field. -->
    <template #loader />
  </v-text-field>
</template>
