<script setup lang="ts">
import CommandKeys from './CommandKeys.vue'
import { commandTexts, type CommandId } from './command-list'

/** A command in a menu, with its name, its keys, and the reason if it is not available. */
defineProps<{ of: CommandId; cannot?: string }>()
</script>

<template>
  <v-list-item
    role="menuitem"
    :title="commandTexts(of).text"
    :subtitle="cannot"
    :disabled="cannot !== undefined"
    :aria-disabled="cannot !== undefined"
  >
    <template v-if="commandTexts(of).keys" #append>
      <CommandKeys class="caption ms-4" :of="of" />
    </template>
  </v-list-item>
</template>
