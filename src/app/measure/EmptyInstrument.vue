<script setup lang="ts">
/** The empty state of an instrument: what to do, and a faint sketch of the result. */
defineProps<{
  title: string
  text: string
  /** Paths on 240 by 90: the axes, and the curve. */
  axes?: string
  ghost: string
}>()
</script>

<template>
  <v-empty-state
    class="sheet flex-1 rounded-8 border border-dashed border-line-strong"
    :title="title"
    :text="text"
  >
    <template #media>
      <svg class="mx-auto mt-0 mb-4 w-[240px] fill-none stroke-[1.5]" viewBox="0 0 240 90" aria-hidden="true">
        <path class="stroke-line-strong" :d="axes ?? 'M1 0V89H240'" />
        <path class="stroke-ink-faint [stroke-dasharray:4_4]" :d="ghost" />
      </svg>
    </template>
  </v-empty-state>
</template>
