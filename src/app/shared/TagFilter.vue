<script setup lang="ts">
/** All of a list, or those with a tag. Of its own, so that a search of the list renders none of it. */
defineProps<{ tags: readonly string[] }>()
const tag = defineModel<string | undefined>({ required: true })
</script>

<template>
  <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Tags">
    <v-btn size="small" :aria-pressed="tag === undefined" @click="tag = undefined">All</v-btn>
    <v-btn
      v-for="each in tags"
      :key="each"
      size="small"
      :aria-pressed="tag === each"
      @click="tag = tag === each ? undefined : each"
    >
      {{ each }}
    </v-btn>
  </div>
</template>
