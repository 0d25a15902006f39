<script setup lang="ts">
import { useHelp } from './help'

/** A word of the trade where it stands: what it means is one press away. */
defineProps<{ of: string }>()
const { term } = useHelp()
</script>

<template>
  <v-btn
    variant="plain"
    class="h-auto underline decoration-dotted underline-offset-3 [font:inherit]"
    title="What this means"
    @click="term = of"
    ><slot
  /></v-btn>
</template>
