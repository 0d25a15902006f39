<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'

/** Moves something within its row, one place up or down. */
defineProps<{ what: string; place: number; count: number; keys?: { up: string; down: string } }>()
const emit = defineEmits<{ move: [to: number] }>()
</script>

<template>
  <v-btn
    icon
    size="small"
    variant="text"
    :title="keys?.up"
    :aria-label="`Move ${what} up`"
    :disabled="place === 0"
    @click="emit('move', place - 1)"
  >
    <v-icon :icon="mdiArrowUp" />
  </v-btn>
  <v-btn
    icon
    size="small"
    variant="text"
    :title="keys?.down"
    :aria-label="`Move ${what} down`"
    :disabled="place === count - 1"
    @click="emit('move', place + 1)"
  >
    <v-icon :icon="mdiArrowDown" />
  </v-btn>
</template>
