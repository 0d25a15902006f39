<script setup lang="ts">
import { t } from '../../messages/page'
/** Filters a list by tag. A separate component, so that a search of the list does not render it. */
defineProps<{ tags: readonly string[] }>()
const tag = defineModel<string | undefined>({ required: true })
</script>

<template>
  <v-btn-toggle
    :model-value="tag ?? ''"
    size="small"
    role="group"
    :aria-label="t('shared.tags')"
    @update:model-value="(each: string | undefined) => (tag = each || undefined)"
  >
    <v-btn value="" :aria-pressed="tag === undefined" :text="t('shared.all')" />
    <v-btn v-for="each in tags" :key="each" :value="each" :aria-pressed="tag === each" :text="each" />
  </v-btn-toggle>
</template>
