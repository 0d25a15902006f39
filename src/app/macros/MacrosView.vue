<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import MacroRow from './MacroRow.vue'
import { saveMacros, useMacroFiles } from './files'
import FileProgress from '../shared/FileProgress.vue'
import { onHandedOver } from '../shared/handed-over'
import { useFileDrop } from '../shared/file-drop'
import { matchesFilter } from '../../core/find/match'
import { runCommand, useCommands } from '../shared/commands'
import { commandWords } from '../shared/command-list'
import FileDrop from '../shared/FileDrop.vue'
import FileButton from '../shared/FileButton.vue'
import FileRefusal from '../shared/FileRefusal.vue'
import TagFilter from '../shared/TagFilter.vue'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import TermWord from '../shared/TermWord.vue'
import { useFoundCount } from '../shared/found-count'

/** Every macro of the library. */
const macros = useMacros()
const library = useLibrary()
const router = useRouter()
const search = ref('')
const tag = ref<string>()

const tags = computed(() => [...new Set(macros.list.flatMap((macro) => macro.tags))].sort())
const shown = computed(() =>
  macros.list.filter(
    ({ name, tags: own }) =>
      (tag.value === undefined || own.includes(tag.value)) && matchesFilter(search.value, [name, ...own]),
  ),
)

async function create(): Promise<void> {
  const id = await macros.create()
  if (id) await router.push(`/macros/${id}`)
}

const ACCEPT = '.json,.csv,application/json,text/csv'
const file = useTemplateRef('file')
useFoundCount(
  () => search.value,
  () => shown.value.length,
)
const some = () => shown.value.length > 0
useCommands({
  'macro.new': create,
  'macro.open': () => file.value?.choose(),
  'macro.json': { run: () => saveMacros(shown.value, 'json'), can: some },
  'macro.csv': { run: () => saveMacros(shown.value, 'csv'), can: some },
})

const { reading, refusal, clash, open, settle, stop } = useMacroFiles()
onHandedOver((handed) => open([handed]))
const { over, dropping } = useFileDrop((files) => void open(files))
</script>

<template>
  <div class="macros overflow-auto px-7 py-5.5" :class="{ over }" v-on="dropping">
    <header class="mb-4 flex flex-wrap items-end gap-2">
      <div class="flex-[1_1_200px]">
        <h1>Macros</h1>
        <p class="soft">
          Several things by one press. A <TermWord of="macro">macro</TermWord> is kept here once and can be on
          any input of any profile; devices play it by themselves.
        </p>
      </div>
      <v-btn :disabled="!shown.length" @click="runCommand('macro.json')"> Save these as JSON </v-btn>
      <v-btn :disabled="!shown.length" @click="runCommand('macro.csv')"> as CSV </v-btn>
      <FileButton
        ref="file"
        class="flex-[1_1_200px]"
        label="Open a file…"
        :accept="ACCEPT"
        multiple
        @files="open"
      />
      <v-btn variant="flat" color="ink" @click="create">{{ commandWords('macro.new').text }}</v-btn>
    </header>
    <div class="mb-3.5 flex flex-wrap items-center gap-x-3 gap-y-1.5" role="search">
      <v-text-field
        v-model="search"
        width="260"
        type="search"
        :prepend-inner-icon="mdiMagnify"
        placeholder="Name or tag"
        aria-label="Search macros"
      />
      <TagFilter v-model="tag" :tags="tags" />
    </div>
    <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <v-alert v-if="clash" class="mb-4" role="alertdialog" aria-label="Names that are taken">
      <p>
        {{ clash.names.length === 1 ? 'A name is' : `${clash.names.length} names are` }} taken:
        <strong>{{ clash.names.slice(0, 5).join(', ') }}</strong>. For all of them:
      </p>
      <p class="mt-2 flex gap-2">
        <v-btn @click="settle('both')">Keep both</v-btn>
        <v-btn @click="settle('replace')">Replace what is here</v-btn>
        <v-btn @click="settle('skip')">Skip those in the file</v-btn>
        <v-btn variant="text" @click="settle('cancel')">Cancel</v-btn>
      </p>
    </v-alert>
    <ul v-if="shown.length" class="m-0 list-none border-t-[1.5px] border-ink p-0" aria-label="Macros">
      <MacroRow v-for="macro in shown" :key="macro.id" :macro="macro" />
    </ul>
    <v-empty-state
      v-else-if="macros.contents && library.begun"
      class="sheet"
      :title="macros.list.length ? 'No macro is called that' : 'No macros yet'"
      :text="
        macros.list.length ? 'Search for another name or tag.' : 'Make one above and record what you do.'
      "
    />
    <FileDrop v-if="macros.contents" class="mt-5" :accept="ACCEPT" multiple @files="open">
      Drop files of macros here, or choose them: JSON or CSV.
    </FileDrop>
    <p v-if="macros.setAside.length" class="soft mt-8 grid gap-2">
      {{ macros.setAside.length === 1 ? 'One macro' : `${macros.setAside.length} macros` }} could not be read:
      <RouterLink to="/library">set aside in the library</RouterLink>.
    </p>
  </div>
</template>

<style scoped>
.macros.over {
  background: var(--macro-wash);
}
</style>
