<script setup lang="ts">
import { t, textOf, withTexts } from '../../messages/page'
import type { QuarantinedDocument } from '../database/library'
import { useQuarantine } from '../stores/quarantine'
import { saveFile } from '../files/save-file'

/** An invalid document: its name, its problems, and options to export or delete it. */
defineProps<{ item: QuarantinedDocument }>()
const quarantined = useQuarantine()
const KINDS: Record<QuarantinedDocument['table'], string> = withTexts(
  {},
  {
    profiles: 'library.aProfile',
    macros: 'library.aMacro',
    sessions: 'library.aSession',
    palettes: 'library.aPalette',
    programs: 'library.aProgram',
  },
)

const save = ({ name, stored }: QuarantinedDocument) =>
  saveFile({ name: `${name}.json`, content: `${JSON.stringify(stored, null, 2)}\n` })
</script>

<template>
  <li class="flex items-center gap-2">
    <div class="flex-1 px-0 py-2">
      <strong>{{ item.name }}</strong> <span class="soft">{{ KINDS[item.table] }}</span>
      <ul class="caption m-0 ps-4.5">
        <li
          v-for="problem in item.problems.slice(0, 4).map(textOf)"
          :key="problem"
          class="flex items-center gap-2"
        >
          {{ problem }}
        </li>
      </ul>
    </div>
    <v-btn @click="save(item)">{{ t('library.exportAsAFile') }}</v-btn>
    <v-btn @click="quarantined.discard(item)">{{ t('library.delete') }}</v-btn>
  </li>
</template>

<style scoped>
div li {
  display: list-item;
}
</style>
