<script setup lang="ts">
import { listText, t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { itemAt } from '../../core/base/items'
import { mdiPlus } from '@mdi/js'
import { computed, ref, useTemplateRef } from 'vue'
import { ProfileError } from '../../core/base/errors'
import { MAX_RULES, findRule, type AppRule, type RuleTarget } from '../../core/computer/app-rules'
import { modelById } from '../../core/device/models'
import { readAppRules } from '../../core/files/app-rules-file'
import FileButton from '../files/FileButton.vue'
import FileRefusal from '../files/FileRefusal.vue'
import { useFilesDroppedOn } from '../files/from-outside'
import { saveFile } from '../files/save-file'
import { useAppRules } from '../stores/app-rules'
import { useDevices } from '../stores/devices'
import DevicesNav from './DevicesNav.vue'
import RuleRow from './RuleRow.vue'
import { targetText } from './rule-targets'

/** The slots for programs in front: the only feature that needs a helper on the computer. */
const appRules = useAppRules()
const devices = useDevices()
/** One column per model, because rules refer to models. */
const columns = computed(() =>
  devices.list.filter(
    ({ model }, index, all) => all.findIndex((each) => each.model.id === model.id) === index,
  ),
)
const list = computed(() => appRules.rules?.rules ?? [])
const findingsAt = (at: number | undefined) => appRules.findings.filter((finding) => finding.at === at)

const replaceAt = (at: number, rule: AppRule, change: string) =>
  void appRules.change(change, (rules) => ({
    ...rules,
    rules: rules.rules.with(at, rule),
  }))
const useAt = (at: number, use: RuleTarget[], change: string) =>
  replaceAt(at, { ...itemAt(list.value, at), use }, change)
const changeDefault = (use: RuleTarget[], change: string) =>
  void appRules.change(change, (rules) => ({ ...rules, otherwise: use }))
const move = (at: number, to: number) =>
  void appRules.change(t('devices.ruleIsNowRule', { from: at + 1, to: to + 1 }), (rules) => {
    const others = rules.rules.filter((_, index) => index !== at)
    return { ...rules, rules: [...others.slice(0, to), itemAt(rules.rules, at), ...others.slice(to)] }
  })
const remove = (at: number) =>
  void appRules.change(t('devices.ruleWasDeleted', { number: at + 1 }), (rules) => ({
    ...rules,
    rules: rules.rules.filter((_, index) => index !== at),
  }))

const added = ref('')
async function add(): Promise<void> {
  const program = added.value.trim()
  if (program === '') return
  const rule: AppRule = { program, by: /[*?]/.test(program) ? 'pattern' : 'name', use: [] }
  added.value = ''
  await appRules.change(t('devices.aRuleForWasAdded', { program }), (rules) => ({
    ...rules,
    rules: [...rules.rules, rule],
  }))
}

const tried = ref('')
const outcome = computed(() => {
  if (!appRules.rules || tried.value.trim() === '') return undefined
  const { at, use } = findRule(appRules.rules, tried.value)
  const matched =
    at === undefined ? t('devices.itMatchesNoRule') : t('devices.itMatchesRule', { number: at + 1 })
  const effects = use.map((target) =>
    t('devices.switchesTo', {
      name: modelById(target.device)?.name ?? target.device,
      slot: targetText(target),
    }),
  )
  return effects.length > 0
    ? t('devices.text', { matched, effects: listText(effects) })
    : t('devices.noDeviceSwitchesItsSlot', { matched })
})

const refusal = ref<{ file: string; problems: readonly string[] }>()
async function open(file: File): Promise<void> {
  try {
    const rules = readAppRules(await file.text())
    refusal.value = undefined
    await appRules.change(t('devices.theRulesInReplacedThePreviousRules', { name: file.name }), () => rules)
  } catch (error) {
    if (!(error instanceof ProfileError)) throw error
    refusal.value = { file: file.name, problems: error.problems.map(textOf) }
  }
}
const view = useTemplateRef<HTMLElement>('view')
const over = useFilesDroppedOn(view, ([file]) => file && void open(file))
const save = () => saveFile({ name: 'unisera-rules.json', content: appRules.asFile })
</script>

<template>
  <div ref="view" class="rules overflow-auto px-7 py-5.5" :class="{ over }" data-takes-files>
    <header class="mb-3.5 flex flex-wrap items-end gap-x-4 gap-y-2">
      <div>
        <h1>{{ t('devices.appRules') }}</h1>
        <p class="soft">{{ t('devices.switchSlotsWhenAProgramComesTo') }}</p>
      </div>
      <DevicesNav />
      <FileButton
        class="text-inherit"
        :label="t('devices.importRules')"
        accept=".json,application/json"
        @files="(files) => open(itemAt(files, 0))"
      />
      <v-btn class="text-inherit" :disabled="list.length === 0" @click="save">{{
        t('devices.exportRules')
      }}</v-btn>
    </header>
    <p class="mb-3.5 border border-s-3 border-line border-s-ink bg-paper-high px-3.5 py-2">
      <RichMessage message="devices.appRulesOnTheComputerASmall">
        <template #need
          ><strong>{{ t('devices.needAProgramThatRuns') }}</strong></template
        >
        <template #page
          ><a class="text-inherit" href="/unplugged.html" target="unplugged">{{
            t('shell.unplugged')
          }}</a></template
        >
      </RichMessage>
    </p>
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <v-alert v-if="appRules.problems.length" class="mb-3.5">
      <p>
        {{ t('devices.theSavedAppRulesCouldNotBe', { problems: appRules.problems.join('; ') }) }}
      </p>
      <v-btn
        class="text-inherit"
        @click="
          saveFile({ name: 'app-rules-as-stored.json', content: JSON.stringify(appRules.stored, null, 2) })
        "
      >
        {{ t('devices.exportTheUnreadableRules') }}
      </v-btn>
    </v-alert>
    <v-table v-if="appRules.rules" class="rules border-t-[1.5px] border-ink">
      <thead>
        <tr>
          <th scope="col">
            <span class="visually-hidden">{{ t('devices.number') }}</span>
          </th>
          <th scope="col">{{ t('devices.programInFront') }}</th>
          <th v-for="{ id, model } in columns" :key="id" scope="col">
            {{ t('devices.slotOn', { name: model.name }) }}
          </th>
          <th scope="col">
            <span class="visually-hidden">{{ t('devices.ruleActions') }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <RuleRow
          v-for="(rule, at) in list"
          :key="at"
          :rule
          :use="rule.use"
          :place="at"
          :count="list.length"
          :devices="columns"
          :findings="findingsAt(at)"
          @rule="(next, what) => replaceAt(at, next, what)"
          @use="(use, what) => useAt(at, use, what)"
          @move="(to) => move(at, to)"
          @remove="remove(at)"
        />
        <RuleRow
          :use="appRules.rules.otherwise"
          :place="list.length"
          :count="list.length"
          :devices="columns"
          :findings="findingsAt(undefined)"
          @use="changeDefault"
        />
      </tbody>
    </v-table>
    <form
      v-if="list.length < MAX_RULES"
      class="add ms-6.5 me-0 mt-3.5 mb-6 flex items-end gap-x-4 gap-y-2"
      @submit.prevent="add"
    >
      <v-text-field
        v-model="added"
        :label="t('devices.programForANewRule')"
        :placeholder="t('devices.brinewatchExeOrGantry')"
        maxlength="120"
      />
      <v-btn class="text-inherit" type="submit" :prepend-icon="mdiPlus" :disabled="added.trim() === ''">{{
        t('devices.addRule')
      }}</v-btn>
    </form>
    <section
      class="try sheet flex flex-wrap items-end gap-x-4 gap-y-2 rounded-8 border border-line px-3.5 pt-2.5 pb-3.5"
      :aria-label="t('devices.tryAProgram')"
    >
      <v-text-field
        v-model="tried"
        :label="t('devices.whichRuleDoesAProgramMatch')"
        :placeholder="t('devices.cGamesBrinewatchExe')"
      />
      <p role="status" class="pb-1">
        {{ outcome ?? t('devices.enterAProgramNameWithOrWithout') }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.rules.over {
  background: var(--binding-wash);
}

header > div {
  flex: 1 1 300px;
}

/* Content for screen readers only must be inside it, not next to the page. */
.rules :deep(.v-table__wrapper) {
  position: relative;
  overflow-x: auto;
}

.rules :deep(table) {
  min-width: 1000px;
  table-layout: fixed;
}

th:first-child {
  width: 26px;
}

th:nth-child(2) {
  width: 27%;
}

th:last-child {
  width: 104px;
}

th {
  padding: 6px 6px 6px 0;
}

.add > .v-input,
.try > .v-input {
  max-width: 340px;
  flex: 1 1 340px;
}
</style>
