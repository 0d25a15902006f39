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
  <li>
    <div>
      <strong>{{ item.name }}</strong> <span class="soft">{{ NOUNS[item.table] }}</span>
      <ul class="caption">
        <li v-for="problem in item.problems.slice(0, 4)" :key="problem">{{ problem }}</li>
      </ul>
    </div>
    <v-btn @click="save(item)">Save as a file</v-btn>
    <v-btn @click="setAside.discard(item)">Delete</v-btn>
  </li>
</template>

<style scoped>
li {
  display: flex;
  align-items: center;
  gap: 8px;
}

div {
  flex: 1;
  padding: 8px 0;
}

ul {
  padding-left: 18px;
  margin: 0;
}

div li {
  display: list-item;
}
</style>
