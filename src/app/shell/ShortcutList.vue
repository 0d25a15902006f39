<script setup lang="ts">
import CommandKeys from '../shared/CommandKeys.vue'
import { commandTexts, type CommandId } from '../shared/command-list'

/** Commands with their keys. */
defineProps<{ commands: readonly CommandId[] }>()
</script>

<template>
  <dl class="m-0">
    <div
      v-for="id in commands"
      :key="id"
      class="flex justify-between gap-3 border-b border-line px-0 py-0.75"
    >
      <dt>{{ commandTexts(id).text }}</dt>
      <dd class="m-0 flex flex-wrap justify-end gap-x-1.25 gap-y-0.5">
        <CommandKeys :of="id" all variant="outlined" />
      </dd>
    </div>
  </dl>
</template>
