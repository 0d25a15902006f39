<script setup lang="ts">
/** Where figures will stand: what to do for them, and, drawn faintly, what they will look like. */
defineProps<{
  title: string
  text: string
  /** Paths on 240 by 90: what it is drawn on, and what is drawn. */
  axes?: string
  ghost: string
}>()
</script>

<template>
  <v-empty-state class="sheet room" :title="title" :text="text">
    <template #media>
      <svg class="drawn" viewBox="0 0 240 90" aria-hidden="true">
        <path class="axes" :d="axes ?? 'M1 0V89H240'" />
        <path class="ghost" :d="ghost" />
      </svg>
    </template>
  </v-empty-state>
</template>

<style scoped>
.room {
  flex: 1;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
}

.drawn {
  width: 240px;
  margin: 0 auto 16px;
  fill: none;
  stroke-width: 1.5;
}

.axes {
  stroke: var(--line-strong);
}

.ghost {
  stroke: var(--ink-faint);
  stroke-dasharray: 4 4;
}
</style>
