<script setup lang="ts">
import { listText, t } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import MacroRow from './MacroRow.vue'
import { saveMacros, useMacroFiles } from './files'
import { onOpened, useOpenFile } from '../files/open-file'
import { matchesFilter } from '../../core/base/matching'
import { runCommand, useCommands } from '../shared/commands'
import { commandTexts } from '../shared/command-list'
import FileDrop from '../files/FileDrop.vue'
import FileButton from '../files/FileButton.vue'
import TagFilter from '../shared/TagFilter.vue'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import GlossaryTerm from '../shared/GlossaryTerm.vue'
import { useFoundCount } from '../shared/found-count'
import SearchField from '../../look/SearchField.vue'

/** All macros of the library. */
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

const { clash, take, settle } = useMacroFiles()
const { open } = useOpenFile()
onOpened('macros', (name, found) => take(name, found.macros))
</script>

<template>
  <div class="macros overflow-auto px-7 py-5.5">
    <header class="mb-4 flex flex-wrap items-end gap-2">
      <div class="flex-[1_1_200px]">
        <h1>{{ t('macros.macros') }}</h1>
        <p class="soft">
          <RichMessage message="macros.severalInputsWithOnePressAIs">
            <template #macro
              ><GlossaryTerm of="macro">{{ t('macros.macro3') }}</GlossaryTerm></template
            >
          </RichMessage>
        </p>
      </div>
      <v-btn :disabled="!shown.length" @click="runCommand('macro.json')">
        {{ t('macros.exportTheseAsJson') }}
      </v-btn>
      <v-btn :disabled="!shown.length" @click="runCommand('macro.csv')">
        {{ t('macros.exportTheseAsCsv') }}
      </v-btn>
      <FileButton
        ref="file"
        class="flex-[1_1_200px]"
        :label="t('macros.importMacros')"
        :accept="ACCEPT"
        multiple
        @files="open"
      />
      <v-btn variant="flat" color="ink" @click="create">{{ commandTexts('macro.new').text }}</v-btn>
    </header>
    <div class="mb-3.5 flex flex-wrap items-center gap-x-3 gap-y-1.5" role="search">
      <SearchField
        v-model="search"
        width="260"
        :placeholder="t('macros.nameOrTag')"
        :label="t('macros.searchMacros')"
      />
      <TagFilter v-model="tag" :tags="tags" />
    </div>
    <v-alert v-if="clash" class="mb-4" role="alertdialog" :aria-label="t('macros.namesAlreadyInUse')">
      <p>
        <RichMessage message="macros.theLibraryAlreadyHasAMacroWith" :facts="{ count: clash.names.length }">
          <template #names
            ><strong>{{ listText(clash.names.slice(0, 5)) }}</strong></template
          >
        </RichMessage>
      </p>
      <p class="mt-2 flex gap-2">
        <v-btn @click="settle('both')">{{ t('macros.keepBoth') }}</v-btn>
        <v-btn @click="settle('replace')">{{ t('macros.replaceExistingMacros') }}</v-btn>
        <v-btn @click="settle('skip')">{{ t('macros.skipTheseMacros') }}</v-btn>
        <v-btn variant="text" @click="settle('cancel')">{{ t('macros.cancel') }}</v-btn>
      </p>
    </v-alert>
    <ul
      v-if="shown.length"
      class="m-0 list-none border-t-[1.5px] border-ink p-0"
      :aria-label="t('macros.macros')"
    >
      <MacroRow v-for="macro in shown" :key="macro.id" :macro="macro" />
    </ul>
    <v-empty-state
      v-else-if="macros.contents && library.begun"
      class="sheet"
      :title="macros.list.length ? t('macros.noMatchingMacros') : t('macros.noMacrosYet')"
      :text="
        macros.list.length ? t('macros.tryAnotherNameOrTag') : t('macros.createAMacroAboveThenRecordWhat')
      "
    />
    <FileDrop v-if="macros.contents" class="mt-5" :accept="ACCEPT" multiple @files="open">
      {{ t('macros.dropMacroFilesHereOrSelectThem') }}
    </FileDrop>
    <p v-if="macros.quarantined.length" class="soft mt-8 grid gap-2">
      <RichMessage message="macros.oneMacroCouldNotBeReadIt" :facts="{ count: macros.quarantined.length }">
        <template #place
          ><RouterLink to="/library">{{ t('macros.unreadableRecords') }}</RouterLink></template
        >
      </RichMessage>
    </p>
  </div>
</template>
