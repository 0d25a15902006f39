<script setup lang="ts">
import CommandKeys from './CommandKeys.vue'
import { commandWords, type CommandId } from './command-list'

/** A command in a menu, by its one name and with its keys; why it cannot be done now, where it cannot. */
defineProps<{ of: CommandId; cannot?: string }>()
</script>

<template>
  <v-list-item
    role="menuitem"
    :title="commandWords(of).text"
    :subtitle="cannot"
    :disabled="cannot !== undefined"
    :aria-disabled="cannot !== undefined"
  >
    <template v-if="commandWords(of).keys" #append>
      <CommandKeys class="caption ml-4" :of="of" />
    </template>
  </v-list-item>
</template>
