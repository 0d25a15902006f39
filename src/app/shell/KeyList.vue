<script setup lang="ts">
import { commandWords, keysShown, type CommandId } from '../shared/commands'

/** Commands with the keys of each. */
defineProps<{ commands: readonly CommandId[] }>()
</script>

<template>
  <dl class="m-0">
    <div
      v-for="id in commands"
      :key="id"
      class="flex justify-between gap-3 border-b border-line px-0 py-0.75"
    >
      <dt>{{ commandWords(id).text }}</dt>
      <dd class="m-0 flex flex-wrap justify-end gap-x-1.25 gap-y-0.5">
        <kbd
          v-for="way in keysShown(id)"
          :key="way"
          class="rounded-4 border border-line-strong px-1.5 py-0 whitespace-nowrap"
          >{{ way }}</kbd
        >
      </dd>
    </div>
  </dl>
</template>
