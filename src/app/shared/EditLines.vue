<script setup lang="ts">
import { textOf } from '../../messages/page'
import type { Edit } from '../../core/compile/pending'

/** Changes, one line each: the place, the old and the new value. */
defineProps<{ edits: readonly Edit[] }>()
</script>

<template>
  <p v-for="{ key, what, from, to } in edits" :key="key" class="soft">
    {{ textOf(what) }}: <s>{{ textOf(from) }}</s> → {{ textOf(to) }}
  </p>
</template>
