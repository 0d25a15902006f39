<script setup lang="ts">
import { commandWords, keysShown, type CommandId } from './commands'

/** A command in a menu, by its one name and with its keys; why it cannot be done now, where it cannot. */
defineProps<{ of: CommandId; cannot?: string }>()
</script>

<template>
  <v-list-item
    role="menuitem"
    :title="commandWords(of).text"
    :subtitle="cannot"
    :disabled="cannot !== undefined"
  >
    <template v-if="keysShown(of).length" #append>
      <kbd class="caption ml-4">{{ keysShown(of)[0] }}</kbd>
    </template>
  </v-list-item>
</template>
