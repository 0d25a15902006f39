<script setup lang="ts">
import type { Edit } from '../../core/compile/pending'

/** What changes, a line each: the place, what was there, and what comes. */
defineProps<{ edits: readonly Edit[] }>()
</script>

<template>
  <p v-for="{ key, what, from, to } in edits" :key="key" class="soft">
    {{ what }}: <s>{{ from }}</s> → {{ to }}
  </p>
</template>
