<script setup lang="ts">
import { useHelp } from './help'

/** A word of the trade where it stands: what it means is one press away. */
defineProps<{ of: string }>()
const { term } = useHelp()
</script>

<template>
  <v-btn variant="plain" class="term" title="What this means" @click="term = of"><slot /></v-btn>
</template>

<style scoped>
.term {
  height: auto;
  font: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
</style>
