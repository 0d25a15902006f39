<script setup lang="ts">
import { computed, ref } from 'vue'
import ChoiceRow from '../../look/ChoiceRow.vue'
import FileButton from '../shared/FileButton.vue'
import FileProgress from '../shared/FileProgress.vue'
import FileRefusal from '../shared/FileRefusal.vue'
import NameDialog from '../shared/NameDialog.vue'
import { useReading } from '../shared/reading'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { useStates } from '../stores/states'
import { counted, useComparison } from './comparison'
import DifferenceTable from './DifferenceTable.vue'
import GiveDialog from './GiveDialog.vue'
import SourceList from './SourceList.vue'
import { SelectField } from '../../look/SelectField'

/**
 * The open profile held against something else, place by place: a profile to begin from, one of its own earlier states,
 * a slot, another profile, a file. Any of the differences can be taken.
 */
const editor = useEditor()
const states = useStates()
const notices = useNotices()
const {
  groups,
  opened,
  chosen,
  choose,
  base,
  hold,
  way,
  giving,
  differences,
  asked,
  layers,
  sections,
  take,
  takeAsNew,
} = useComparison()
const WAYS = [
  { value: 'take', text: 'Take into this profile' },
  { value: 'give', text: 'Put into the other' },
] as const

const naming = ref(false)
function keepState(name: string): string | undefined {
  const { profile, openId } = editor
  if (name.trim() === '') return 'A state that is kept needs a name'
  if (profile && openId !== undefined)
    void states
      .keep(openId, profile, 'kept', name.trim())
      .then((kept) => kept && notices.say(`Kept as “${name.trim()}”`))
  return undefined
}

const { reading, refusal, read, stop } = useReading('profile')
async function open(file: File | undefined): Promise<void> {
  const found = file && (await read(file))
  if (found?.kind !== 'profile') return
  opened.value = { name: file?.name ?? '', file: found.file }
  await choose('file')
}

const giveParts = ref(false)

/** What can be held against what is chosen. */
const bases = computed(() => [
  { value: '', title: 'this profile' },
  ...groups.value
    .flatMap(({ sources }) => sources)
    .filter(({ key, problems }) => key !== chosen.value?.key && !problems && !key.startsWith('starter:'))
    .map(({ key, title, about }) => ({ value: key, title, props: { subtitle: about } })),
])
const hereName = computed(() => base.value?.title ?? 'Here')
</script>

<template>
  <div class="grid h-full grid-cols-[290px_minmax(0,1fr)] max-[1000px]:h-auto max-[1000px]:grid-cols-1">
    <SourceList :groups="groups" :chosen="chosen?.key" @choose="choose">
      <template #states>
        <v-btn variant="plain" @click="naming = true">Keep this state…</v-btn>
      </template>
      <template #profiles>
        <FileButton label="A file…" accept=".json,.png,.svg" plain @files="([file]) => open(file)" />
      </template>
    </SourceList>
    <section class="flex min-h-0 min-w-0 flex-col bg-paper-low" aria-label="Differences">
      <FileProgress v-if="reading" v-bind="reading" @stop="stop" />
      <FileRefusal v-if="refusal" v-bind="refusal" />
      <template v-if="chosen">
        <header class="flex flex-wrap items-center gap-x-4 gap-y-2 px-5 py-3">
          <div>
            <h2>{{ chosen.title }}</h2>
            <p class="soft">{{ chosen.about }}</p>
          </div>
          <SelectField
            class="inner-label max-w-[300px]"
            label="against"
            :items="bases"
            :model-value="base?.key ?? ''"
            @update:model-value="hold"
          />
          <ChoiceRow v-if="chosen.entryId && !base" v-model="way" label="Which way" :choices="WAYS" />
          <v-btn v-if="chosen.state" variant="text" @click="states.remove(chosen.state)"
            >Delete this state</v-btn
          >
        </header>
        <ul v-if="chosen.problems" class="pending">
          <li v-for="problem in chosen.problems" :key="problem">{{ problem }}</li>
        </ul>
        <v-empty-state
          v-else-if="differences.length === 0"
          class="sheet"
          title="No difference"
          text="Whatever a device keeps is the same in both."
        />
        <template v-else>
          <div class="min-h-0 flex-1 overflow-auto px-5 py-0" tabindex="0" aria-label="Places that differ">
            <DifferenceTable
              v-model="asked"
              :differences="differences"
              :layers="layers"
              :here="giving ? chosen.title : hereName"
              :there="giving ? 'Here' : chosen.title"
            />
            <v-expansion-panels>
              <v-expansion-panel title="As bytes on the device">
                <template #text>
                  <v-table>
                    <thead>
                      <tr>
                        <th scope="col">Section</th>
                        <th scope="col">{{ hereName }}</th>
                        <th scope="col">{{ chosen.title }}</th>
                        <th scope="col" />
                      </tr>
                    </thead>
                    <tbody>
                      <tr v-for="row in sections" :key="row.type">
                        <th scope="row">{{ row.name }}</th>
                        <td class="mono">{{ row.here }} B</td>
                        <td class="mono">{{ row.there }} B</td>
                        <td :class="row.same ? 'faint' : 'pending'">
                          {{ row.same ? 'the same' : 'differs' }}
                        </td>
                      </tr>
                    </tbody>
                  </v-table>
                </template>
              </v-expansion-panel>
            </v-expansion-panels>
          </div>
          <footer class="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line bg-paper px-5 py-3">
            <span class="soft">{{ asked.size }} of {{ differences.length }} ticked</span>
            <span class="flex-1" />
            <v-btn v-if="!giving && !base" :disabled="asked.size === 0" @click="takeAsNew"
              >As a new profile</v-btn
            >
            <span v-if="base && !base.entryId" class="soft">
              Neither is a profile of the library: nothing is changed by looking.
            </span>
            <v-btn v-else variant="flat" color="ink" :disabled="asked.size === 0" @click="take">
              {{
                base
                  ? `Put ${counted(asked.size)} into ${base.title}`
                  : giving
                    ? `Put ${counted(asked.size)} into it`
                    : `Take ${counted(asked.size)}`
              }}
            </v-btn>
          </footer>
        </template>
      </template>
      <v-empty-state
        v-else
        class="sheet flex-1"
        title="Hold this profile against something"
        text="Choose at the left: a profile to begin from, one of its earlier states, what a slot holds, or another profile. What differs is listed before anything changes, and any part of it can be taken."
      >
        <template #actions>
          <v-btn color="ink" @click="giveParts = true">Put parts of it on other profiles…</v-btn>
        </template>
      </v-empty-state>
    </section>
    <NameDialog
      v-model="naming"
      title="Keep this state"
      confirm="Keep"
      label="Name of the state"
      :name="editor.profile?.name ?? ''"
      :apply="keepState"
    />
    <GiveDialog v-model="giveParts" />
  </div>
</template>

<style scoped>
header > div {
  min-width: 0;
  flex: 1;
}
</style>
