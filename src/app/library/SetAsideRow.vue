<script setup lang="ts">
import type { SetAside } from '../database/library'
import { useSetAside } from '../stores/set-aside'
import { saveFile } from '../shared/save-file'

/** A document that did not pass its gate: its name, what is wrong, and a way to keep or drop it. */
defineProps<{ item: SetAside }>()
const setAside = useSetAside()
const NOUNS = { profiles: 'profile', macros: 'macro', sessions: 'session', palettes: 'palette' } as const

const save = ({ name, stored }: SetAside) =>
  saveFile({ name: `${name}.json`, content: `${JSON.stringify(stored, null, 2)}\n` })
</script>

<template>
  <li class="flex items-center gap-2">
    <div class="flex-1 px-0 py-2">
      <strong>{{ item.name }}</strong> <span class="soft">{{ NOUNS[item.table] }}</span>
      <ul class="caption m-0 pl-4.5">
        <li v-for="problem in item.problems.slice(0, 4)" :key="problem" class="flex items-center gap-2">
          {{ problem }}
        </li>
      </ul>
    </div>
    <v-btn @click="save(item)">Save as a file</v-btn>
    <v-btn @click="setAside.discard(item)">Delete</v-btn>
  </li>
</template>

<style scoped>
div li {
  display: list-item;
}
</style>
