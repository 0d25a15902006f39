<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import MacroRow from './MacroRow.vue'
import { saveMacros, useMacroFiles } from './files'
import FileProgress from '../shared/FileProgress.vue'
import { useFileDrop } from '../shared/file-drop'
import { matchesFilter } from '../shared/filter'
import { commandWords, runCommand, useCommands } from '../shared/commands'
import FileButton from '../shared/FileButton.vue'
import FileRefusal from '../shared/FileRefusal.vue'
import TagFilter from '../shared/TagFilter.vue'
import { useMacros } from '../stores/macros'
import TermWord from '../shared/TermWord.vue'

/** Every macro of the library. */
const macros = useMacros()
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

const file = useTemplateRef('file')
const some = () => shown.value.length > 0
useCommands({
  'macro.new': create,
  'macro.open': () => file.value?.choose(),
  'macro.json': { run: () => saveMacros(shown.value, 'json'), can: some },
  'macro.csv': { run: () => saveMacros(shown.value, 'csv'), can: some },
})

const { reading, refusal, clash, open, settle, stop } = useMacroFiles()
const { over, dropping } = useFileDrop((files) => void open(files))
</script>

<template>
  <div class="macros" :class="{ over }" v-on="dropping">
    <header>
      <div>
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
        label="Open a file…"
        accept=".json,.csv,application/json,text/csv"
        multiple
        @files="open"
      />
      <v-btn variant="flat" color="ink" @click="create">{{ commandWords('macro.new').text }}</v-btn>
    </header>
    <div class="filter" role="search">
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
    <div v-if="clash" class="clash" role="alertdialog" aria-label="Names that are taken">
      <p>
        {{ clash.names.length === 1 ? 'A name is' : `${clash.names.length} names are` }} taken:
        <strong>{{ clash.names.slice(0, 5).join(', ') }}</strong>. For all of them:
      </p>
      <p class="answers">
        <v-btn @click="settle('both')">Keep both</v-btn>
        <v-btn @click="settle('replace')">Replace what is here</v-btn>
        <v-btn @click="settle('skip')">Skip those in the file</v-btn>
        <v-btn variant="text" @click="settle('cancel')">Cancel</v-btn>
      </p>
    </div>
    <ul v-if="shown.length" class="list" aria-label="Macros">
      <MacroRow v-for="macro in shown" :key="macro.id" :macro="macro" />
    </ul>
    <div v-else-if="macros.contents" class="none sheet">
      <h2>{{ macros.list.length ? 'No macro is called that' : 'No macros yet' }}</h2>
      <p class="soft">
        {{
          macros.list.length
            ? 'Search for another name or tag.'
            : 'Make one above and record what you do, or drop a file here.'
        }}
      </p>
    </div>
    <p v-if="macros.setAside.length" class="soft aside">
      {{ macros.setAside.length === 1 ? 'One macro' : `${macros.setAside.length} macros` }} could not be read:
      <RouterLink to="/library">set aside in the library</RouterLink>.
    </p>
  </div>
</template>

<style scoped>
.macros {
  padding: 22px 28px;
  overflow: auto;
}

.macros.over {
  background: var(--macro-wash);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 8px;
  margin-bottom: 16px;
}

header div {
  flex: 1 1 200px;
}

.filter {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 14px;
}

.list {
  padding: 0;
  border-top: 1.5px solid var(--ink);
  margin: 0;
  list-style: none;
}

.clash {
  padding: 10px 14px;
  border-left: 3px solid var(--pending);
  margin-bottom: 16px;
  background: var(--pending-wash);
}

.answers {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}

.none {
  display: grid;
  gap: 8px;
  padding: 48px;
  border: 1px dashed var(--line-strong);
  border-radius: 8px;
  justify-items: center;
}

.aside {
  display: grid;
  gap: 8px;
  margin-top: 32px;
}
</style>
