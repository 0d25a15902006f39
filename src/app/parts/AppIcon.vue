<script setup lang="ts">
/** An icon by its path data on a 24-unit square; beside words it says nothing of its own. */
defineProps<{ path: string }>()
</script>

<template>
  <svg class="icon" viewBox="0 0 24 24" aria-hidden="true"><path :d="path" /></svg>
</template>
