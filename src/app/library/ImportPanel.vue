<script setup lang="ts">
import { listText, t, textOf, withTexts } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { modelById } from '../../core/device/models'
import { deepEqual } from '../../core/base/deep-equal'
import { yieldThread } from '../database/yield-thread'
import { useAppRules } from '../stores/app-rules'
import type { ImportChoice, ImportPlan, ImportedProfile } from './import-plan'
import { SelectField } from '../../look/SelectField'

/** The contents of a backup before the import: new, identical, different and invalid ones, with an option for each. */
const props = defineProps<{ plan: ImportPlan }>()
const emit = defineEmits<{ bring: [choices: ImportChoice[], withRules: boolean]; leave: [] }>()
const heading = useTemplateRef<HTMLElement>('heading')
/** The rows are rendered in a task after their panel, so that neither blocks the page. */
const listed = ref(false)
onMounted(async () => {
  heading.value?.focus()
  await yieldThread()
  listed.value = true
})
const ROW_PX = 38
const MAX_PX = 230

const FIRST: Record<ImportedProfile['standing'], ImportChoice> = {
  new: 'take',
  different: 'both',
  same: 'leave',
}
const choices = ref<ImportChoice[]>(props.plan.profiles.map(({ standing }) => FIRST[standing]))

type Items = readonly { value: ImportChoice; title: string }[]
const FOR_DIFFERENT: Items = [
  withTexts({ value: 'both' }, { title: 'library.keepBoth' }),
  withTexts({ value: 'replace' }, { title: 'library.replaceTheExistingOne' }),
  withTexts({ value: 'leave' }, { title: 'library.skipTheFilesVersion' }),
]
const FOR_NEW: Items = [
  withTexts({ value: 'take' }, { title: 'library.import' }),
  withTexts({ value: 'leave' }, { title: 'library.skip' }),
]
const groups = computed(() =>
  (
    [
      { standing: 'different', title: t('library.alreadyInTheLibraryButDifferent'), items: FOR_DIFFERENT },
      { standing: 'new', title: t('library.notInTheLibraryYet'), items: FOR_NEW },
    ] as const
  )
    .map((group) => ({
      ...group,
      profiles: props.plan.profiles.flatMap((profile, index) =>
        profile.standing === group.standing ? [{ ...profile, index }] : [],
      ),
    }))
    .filter(({ profiles }) => profiles.length > 0),
)
const same = computed(() => props.plan.profiles.filter(({ standing }) => standing === 'same').length)
const beside = computed(() => {
  const { macros, sessions, palettes } = props.plan.file
  const counted = [
    ['library.macro', macros.length],
    ['library.session', sessions.length],
    ['library.palette', palettes.length],
    ['library.savedVersionsCounted', props.plan.states.length],
  ] as const
  return listText(counted.flatMap(([key, count]) => (count > 0 ? [t(key, { count })] : [])))
})
/** The app rules of the file, if they differ from the existing ones. */
const appRules = useAppRules()
const rules = computed(() => {
  const { rules: brought } = props.plan.file
  return brought && !deepEqual(brought, appRules.rules) ? brought : undefined
})
const here = computed(() => (appRules.rules?.rules.length ?? 0) > 0)
const ticked = ref<boolean>()
/** By default, rules are only imported if there are none. */
const withRules = computed({
  get: () => rules.value !== undefined && (ticked.value ?? !here.value),
  set: (on) => (ticked.value = on),
})
/** Selecting an option for all has no state of its own. */
const undecided = ref<ImportChoice | null>(null)
const taken = computed(() => choices.value.filter((choice) => choice !== 'leave').length)

const titleOf = (items: Items, index: number) =>
  items.find(({ value }) => value === choices.value[index])?.title ?? ''

/** A button that cycles through the options: a thousand rows with a menu each would block the page. */
function nextOf(items: Items, index: number): ImportChoice {
  const at = items.findIndex(({ value }) => value === choices.value[index])
  return itemAt(items, (at + 1) % items.length).value
}

function forAll(indices: readonly { index: number }[], choice: ImportChoice): void {
  for (const { index } of indices) choices.value[index] = choice
}
</script>

<template>
  <div
    class="grid gap-2.5 rounded-6 border border-line-strong px-4 py-3.5"
    role="region"
    aria-labelledby="bring-title"
  >
    <h3 id="bring-title" ref="heading" tabindex="-1">{{ t('library.contentsOf', { name: plan.name }) }}</h3>
    <p class="soft">
      {{ same === 0 ? '' : t('library.profileIsAlreadyInTheLibraryAnd', { count: same }) }}
      {{ beside ? t('library.theFileAlsoContainsWhateverIs', { contents: beside }) : '' }}
    </p>
    <div
      v-for="{ standing, title, items, profiles } in groups"
      :key="standing"
      class="border-t-[1.5px] border-ink"
      :data-standing="standing"
    >
      <h4 class="m-0 flex items-center justify-between">
        {{ title }}, {{ profiles.length }}
        <SelectField
          class="inner-label"
          :label="t('library.forAll')"
          :items="items"
          :model-value="undecided"
          @update:model-value="(choice) => choice && forAll(profiles, choice)"
        />
      </h4>
      <v-virtual-scroll
        :items="listed ? profiles : []"
        :item-height="ROW_PX"
        :height="Math.min(MAX_PX, ROW_PX * profiles.length)"
      >
        <template #default="{ item }">
          <div
            class="grid h-9.5 grid-cols-[minmax(0,1fr)_90px_190px] items-center gap-3 border-t border-line"
          >
            <span>{{ item.name }}</span>
            <span class="soft">{{ modelById(item.model)?.name ?? item.model }}</span>
            <v-btn
              size="small"
              :aria-label="t('library.importOf', { name: item.name, title: titleOf(items, item.index) })"
              :title="t('library.selectTheNextOption')"
              @click="choices[item.index] = nextOf(items, item.index)"
            >
              {{ titleOf(items, item.index) }}
            </v-btn>
          </div>
        </template>
      </v-virtual-scroll>
    </div>
    <div v-if="plan.broken.length" class="border-t-[1.5px] border-ink" data-standing="broken">
      <h4 class="m-0 flex items-center justify-between">
        {{ t('library.unreadable', { count: plan.broken.length }) }}
      </h4>
      <p v-for="{ name, problems } in plan.broken.slice(0, 20)" :key="name" class="pending">
        {{ name }}: {{ problems[0] === undefined ? '' : textOf(problems[0]) }}
      </p>
    </div>
    <v-checkbox
      v-if="rules"
      v-model="withRules"
      :label="
        here
          ? t('library.replaceTheExistingAppRulesWith', { count: rules.rules.length })
          : t('library.importAppRules', { count: rules.rules.length })
      "
    />
    <div class="flex justify-end gap-2">
      <v-btn @click="emit('leave')">{{ t('library.cancelTheImport') }}</v-btn>
      <v-btn variant="flat" color="ink" @click="emit('bring', choices, withRules)">
        {{ taken === 0 ? t('library.importWhatIsMissing') : t('library.importOneProfile', { count: taken }) }}
      </v-btn>
    </div>
  </div>
</template>
