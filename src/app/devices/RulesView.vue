<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { mdiPlus } from '@mdi/js'
import { computed, ref } from 'vue'
import { ProfileError } from '../../core/base/refusal'
import { MOST_RULES, ruleFor, type AppRule, type RuleTarget } from '../../core/computer/app-rules'
import { modelById } from '../../core/device/models'
import { readAppRules } from '../../core/files/app-rules-file'
import FileButton from '../shared/FileButton.vue'
import FileRefusal from '../shared/FileRefusal.vue'
import { useFileDrop } from '../shared/file-drop'
import { saveFile } from '../shared/save-file'
import { useAppRules } from '../stores/app-rules'
import { useDevices } from '../stores/devices'
import DevicesNav from './DevicesNav.vue'
import RuleRow from './RuleRow.vue'
import { targetWords } from './rule-places'

/** Which slot is used while which program is in front: the one thing here that needs a helper on the computer. */
const appRules = useAppRules()
const devices = useDevices()
/** A column a model: rules go by model. */
const columns = computed(() =>
  devices.list.filter(
    ({ model }, index, all) => all.findIndex((each) => each.model.id === model.id) === index,
  ),
)
const list = computed(() => appRules.rules?.rules ?? [])
const findingsAt = (at: number | undefined) => appRules.findings.filter((finding) => finding.at === at)

const replaceAt = (at: number, rule: AppRule, what: string) =>
  void appRules.change(`Rule ${at + 1} ${what}`, (rules) => ({ ...rules, rules: rules.rules.with(at, rule) }))
const useAt = (at: number, use: RuleTarget[], what: string) =>
  replaceAt(at, { ...itemAt(list.value, at), use }, what)
const otherwise = (use: RuleTarget[]) =>
  void appRules.change('What is used otherwise was changed', (rules) => ({ ...rules, otherwise: use }))
const move = (at: number, to: number) =>
  void appRules.change(`Rule ${at + 1} is rule ${to + 1} now`, (rules) => {
    const others = rules.rules.filter((_, index) => index !== at)
    return { ...rules, rules: [...others.slice(0, to), itemAt(rules.rules, at), ...others.slice(to)] }
  })
const remove = (at: number) =>
  void appRules.change(`Rule ${at + 1} was deleted`, (rules) => ({
    ...rules,
    rules: rules.rules.filter((_, index) => index !== at),
  }))

const added = ref('')
async function add(): Promise<void> {
  const program = added.value.trim()
  if (program === '') return
  const rule: AppRule = { program, by: /[*?]/.test(program) ? 'pattern' : 'name', use: [] }
  added.value = ''
  await appRules.change(`A rule for ${program} was added`, (rules) => ({
    ...rules,
    rules: [...rules.rules, rule],
  }))
}

const tried = ref('')
const outcome = computed(() => {
  if (!appRules.rules || tried.value.trim() === '') return undefined
  const { at, use } = ruleFor(appRules.rules, tried.value)
  const met = at === undefined ? 'It meets no rule' : `It meets rule ${at + 1}`
  const does = use.map(
    (target) => `${modelById(target.device)?.name ?? target.device} goes to ${targetWords(target)}`,
  )
  return `${met}: ${does.length > 0 ? does.join('; ') : 'every device stays as it is'}.`
})

const refusal = ref<{ file: string; problems: readonly string[] }>()
async function open(file: File): Promise<void> {
  try {
    const rules = readAppRules(await file.text())
    refusal.value = undefined
    await appRules.change(`The rules of ${file.name} took the place of those that were here`, () => rules)
  } catch (error) {
    if (!(error instanceof ProfileError)) throw error
    refusal.value = { file: file.name, problems: error.problems }
  }
}
const { over, dropping } = useFileDrop(([file]) => file && void open(file))
const save = () => saveFile({ name: 'unisera-rules.json', content: appRules.asFile })
</script>

<template>
  <div class="rules overflow-auto px-7 py-5.5" :class="{ over }" v-on="dropping">
    <header class="mb-3.5 flex flex-wrap items-end gap-x-4 gap-y-2">
      <div>
        <h1>App rules</h1>
        <p class="soft">When this program is in front, use that slot.</p>
      </div>
      <DevicesNav />
      <FileButton
        class="text-inherit"
        label="Open a file…"
        accept=".json,application/json"
        @files="(files) => open(itemAt(files, 0))"
      />
      <v-btn class="text-inherit" :disabled="list.length === 0" @click="save">Save as a file</v-btn>
    </header>
    <p class="mb-3.5 border border-l-3 border-line border-l-ink bg-paper-high px-3.5 py-2">
      <strong>This, and only this, needs a program that runs on the computer</strong>: a small helper that
      knows what is in front. It is simulated here, on the computer of
      <a class="text-inherit" href="/unplugged.html" target="unplugged">Unplugged</a>; for a real one the
      rules are saved as a file. All else works with nothing running.
    </p>
    <FileRefusal v-if="refusal" v-bind="refusal" />
    <v-alert v-if="appRules.problems.length" class="mb-3.5">
      <p>
        The app rules that are stored here could not be read, and are kept as they are until others take their
        place: {{ appRules.problems.join('; ') }}.
      </p>
      <v-btn
        class="text-inherit"
        @click="
          saveFile({ name: 'app-rules-as-stored.json', content: JSON.stringify(appRules.stored, null, 2) })
        "
      >
        Save what is stored
      </v-btn>
    </v-alert>
    <v-table v-if="appRules.rules" class="rules border-t-[1.5px] border-ink">
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">Number</span></th>
          <th scope="col">When the program in front</th>
          <th v-for="{ id, model } in columns" :key="id" scope="col">{{ model.name }}, slot</th>
          <th scope="col"><span class="visually-hidden">What is done with the rule</span></th>
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
          @use="otherwise"
        />
      </tbody>
    </v-table>
    <form
      v-if="list.length < MOST_RULES"
      class="add mt-3.5 mr-0 mb-6 ml-6.5 flex items-end gap-x-4 gap-y-2"
      @submit.prevent="add"
    >
      <v-text-field
        v-model="added"
        label="Program for a new rule"
        placeholder="Brinewatch.exe, or Gantry*"
        maxlength="120"
      />
      <v-btn class="text-inherit" type="submit" :prepend-icon="mdiPlus" :disabled="added.trim() === ''"
        >Add a rule</v-btn
      >
    </form>
    <section
      class="try sheet flex flex-wrap items-end gap-x-4 gap-y-2 rounded-8 border border-line px-3.5 pt-2.5 pb-3.5"
      aria-label="Try a program"
    >
      <v-text-field
        v-model="tried"
        label="Which rule would a program meet?"
        placeholder="C:\Games\Brinewatch.exe"
      />
      <p role="status" class="pb-1">
        {{ outcome ?? 'Type the name of a program, with or without its folder.' }}
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

/* What is only for screen readers is placed within it, not beside the page. */
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
