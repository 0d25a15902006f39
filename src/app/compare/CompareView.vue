<script setup lang="ts">
import { bytesText } from '../shared/device-line'
import { t, withTexts } from '../../messages/page'
import { computed, ref } from 'vue'
import ChoiceRow from '../../look/ChoiceRow.vue'
import FileButton from '../files/FileButton.vue'
import FileProgress from '../files/FileProgress.vue'
import FileRefusal from '../files/FileRefusal.vue'
import NameDialog from '../shared/NameDialog.vue'
import { useReading } from '../files/reading'
import { useEditor } from '../stores/editor'
import { useNotifications } from '../stores/notifications'
import { useSavedVersions } from '../stores/saved-versions'
import { changeCount, useComparison } from './comparison'
import DifferenceTable from './DifferenceTable.vue'
import CopyPartsDialog from './CopyPartsDialog.vue'
import SourceList from './SourceList.vue'
import { SelectField } from '../../look/SelectField'

/**
 * Compares the open profile with something else: a starter, a saved version, a slot, another profile, a file. Any
 * difference can be copied.
 */
const editor = useEditor()
const states = useSavedVersions()
const notices = useNotifications()
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
  withTexts({ value: 'take' }, { text: 'compare.copyIntoThisProfile' }),
  withTexts({ value: 'give' }, { text: 'compare.copyIntoTheOther' }),
] as const

const naming = ref(false)
function keepState(name: string): string | undefined {
  const { profile, openId } = editor
  if (name.trim() === '') return t('compare.enterANameForTheSavedVersion')
  if (profile && openId !== undefined)
    void states
      .keep(openId, profile, 'kept', name.trim())
      .then((kept) => kept && notices.say(t('compare.savedAs', { name: name.trim() })))
  return undefined
}

const { reading, refusal, read, stop } = useReading()
async function open(file: File | undefined): Promise<void> {
  const found = file && (await read(file))
  if (!file || !found) return
  if (found.kind !== 'profile') {
    refusal.value = { file: file.name, problems: [], opened: { name: file.name, found } }
    return
  }
  opened.value = { name: file.name, file: found.file }
  await choose('file')
}

const giveParts = ref(false)

/** Sources that the selected one can be compared with. */
const bases = computed(() => [
  { value: '', title: t('compare.thisProfile') },
  ...groups.value
    .flatMap(({ sources }) => sources)
    .filter(({ key, problems }) => key !== chosen.value?.key && !problems && !key.startsWith('starter:'))
    .map(({ key, title, about }) => ({ value: key, title, props: { subtitle: about } })),
])
const hereName = computed(() => base.value?.title ?? t('compare.thisProfileOpen'))
</script>

<template>
  <div class="grid h-full grid-cols-[290px_minmax(0,1fr)] max-[1000px]:h-auto max-[1000px]:grid-cols-1">
    <SourceList :groups="groups" :chosen="chosen?.key" @choose="choose">
      <template #states>
        <v-btn variant="plain" @click="naming = true">{{ t('compare.saveThisVersion') }}</v-btn>
      </template>
      <template #profiles>
        <FileButton
          :label="t('compare.openAFile')"
          accept=".json,.png,.svg"
          plain
          @files="([file]) => open(file)"
        />
      </template>
    </SourceList>
    <section class="flex min-h-0 min-w-0 flex-col bg-paper-low" :aria-label="t('compare.differences')">
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
            :label="t('compare.with')"
            :items="bases"
            :model-value="base?.key ?? ''"
            @update:model-value="hold"
          />
          <ChoiceRow
            v-if="chosen.entryId && !base"
            v-model="way"
            :label="t('compare.direction')"
            :choices="WAYS"
          />
          <v-btn v-if="chosen.state" variant="text" @click="states.remove(chosen.state)">{{
            t('compare.deleteThisVersion')
          }}</v-btn>
        </header>
        <ul v-if="chosen.problems" class="pending">
          <li v-for="problem in chosen.problems" :key="problem">{{ problem }}</li>
        </ul>
        <v-empty-state
          v-else-if="differences.length === 0"
          class="sheet"
          :title="t('compare.noDifferences')"
          :text="t('compare.everythingThatADeviceStoresIs')"
        />
        <template v-else>
          <div
            class="min-h-0 flex-1 overflow-auto px-5 py-0"
            tabindex="0"
            :aria-label="t('compare.differences')"
          >
            <DifferenceTable
              v-model="asked"
              :differences="differences"
              :layers="layers"
              :here="giving ? chosen.title : hereName"
              :there="giving ? t('compare.here') : chosen.title"
            />
            <v-expansion-panels>
              <v-expansion-panel :title="t('compare.bytesOnTheDevice')">
                <template #text>
                  <v-table>
                    <thead>
                      <tr>
                        <th scope="col">{{ t('compare.section') }}</th>
                        <th scope="col">{{ hereName }}</th>
                        <th scope="col">{{ chosen.title }}</th>
                        <th scope="col" />
                      </tr>
                    </thead>
                    <tbody>
                      <tr v-for="row in sections" :key="row.type">
                        <th scope="row">{{ row.name }}</th>
                        <td class="mono">{{ bytesText(row.here) }}</td>
                        <td class="mono">{{ bytesText(row.there) }}</td>
                        <td :class="row.same ? 'faint' : 'pending'">
                          {{ row.same ? t('compare.identical') : t('compare.different') }}
                        </td>
                      </tr>
                    </tbody>
                  </v-table>
                </template>
              </v-expansion-panel>
            </v-expansion-panels>
          </div>
          <footer class="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line bg-paper px-5 py-3">
            <span class="soft">{{
              t('compare.ofSelected', { selected: asked.size, count: differences.length })
            }}</span>
            <span class="flex-1" />
            <v-btn v-if="!giving && !base" :disabled="asked.size === 0" @click="takeAsNew">{{
              t('compare.saveAsANewProfile')
            }}</v-btn>
            <span v-if="base && !base.entryId" class="soft">
              {{ t('compare.neitherProfileIsInTheLibrary') }}
            </span>
            <v-btn v-else variant="flat" color="ink" :disabled="asked.size === 0" @click="take">
              {{
                base
                  ? t('compare.copyInto', { count: changeCount(asked.size), title: base.title })
                  : giving
                    ? t('compare.copyIntoIt', { count: changeCount(asked.size) })
                    : t('compare.copy', { count: changeCount(asked.size) })
              }}
            </v-btn>
          </footer>
        </template>
      </template>
      <v-empty-state
        v-else
        class="sheet flex-1"
        :title="t('compare.compareThisProfile')"
        :text="t('compare.selectWhatToCompareWithOnThe')"
      >
        <template #actions>
          <v-btn color="ink" @click="giveParts = true">{{ t('compare.copyPartsToOtherProfiles') }}</v-btn>
        </template>
      </v-empty-state>
    </section>
    <NameDialog
      v-model="naming"
      :title="t('compare.saveThisVersion2')"
      :confirm="t('compare.save')"
      :label="t('compare.versionName')"
      :name="editor.profile?.name ?? ''"
      :apply="keepState"
    />
    <CopyPartsDialog v-model="giveParts" />
  </div>
</template>

<style scoped>
header > div {
  min-width: 0;
  flex: 1;
}
</style>
