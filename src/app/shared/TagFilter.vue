<script setup lang="ts">
/** All of a list, or those with a tag. Of its own, so that a search of the list renders none of it. */
defineProps<{ tags: readonly string[] }>()
const tag = defineModel<string | undefined>({ required: true })
</script>

<template>
  <v-btn-toggle
    :model-value="tag ?? ''"
    size="small"
    role="group"
    aria-label="Tags"
    @update:model-value="(each: string | undefined) => (tag = each || undefined)"
  >
    <v-btn value="" :aria-pressed="tag === undefined" text="All" />
    <v-btn v-for="each in tags" :key="each" :value="each" :aria-pressed="tag === each" :text="each" />
  </v-btn-toggle>
</template>
