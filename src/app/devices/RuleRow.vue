<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { mdiTrashCanOutline } from '@mdi/js'
import type { AppRule, RuleTarget } from '../../core/computer/app-rules'
import type { RuleFinding } from '../../core/checks/app-rule-checks'
import { ruleMessage } from '../../core/checks/finding-messages'
import MoveButtons from '../shared/MoveButtons.vue'
import EditTextField from '../shared/EditTextField.vue'
import { useLibrary } from '../stores/library'
import type { KnownDevice } from '../stores/known-device'
import { targetPlace, targetOptions, targetOf } from './rule-targets'
import { SelectField } from '../../look/SelectField'

/** One rule: a program, and the slot of each device while it is in front; without a rule, the defaults. */
const props = defineProps<{
  rule?: AppRule
  use: readonly RuleTarget[]
  place: number
  count: number
  devices: readonly KnownDevice[]
  findings: readonly RuleFinding[]
}>()
const emit = defineEmits<{
  /** @param change what was changed, as a sentence */
  rule: [rule: AppRule, change: string]
  use: [use: RuleTarget[], change: string]
  move: [to: number]
  remove: []
}>()
const library = useLibrary()
function take(typed: string): string | undefined {
  const program = typed.trim()
  if (program === '') return t('devices.enterAProgramSuchAsGantryrunExe')
  if (!props.rule || program === props.rule.program) return undefined
  // A wildcard character means a pattern.
  const by = /[*?]/.test(program) ? 'pattern' : props.rule.by
  emit(
    'rule',
    { ...props.rule, program, by },
    t('devices.ruleNowMatches', { number: props.place + 1, program }),
  )
  return undefined
}

const chosen = ({ model }: KnownDevice) => targetPlace(props.use.find(({ device }) => device === model.id))

function choose({ model }: KnownDevice, place: string): void {
  const target = targetOf(model.id, place)
  const others = props.use.filter(({ device }) => device !== model.id)
  const change = props.rule
    ? t('devices.ruleNowSwitchesDifferently', { number: props.place + 1, device: model.name })
    : t('devices.theSlotsForOtherProgramsWere')
  emit('use', target ? [...others, target] : others, change)
}

const BY = [
  withTexts({ value: 'name' }, { title: 'devices.isNamed' }),
  withTexts({ value: 'pattern' }, { title: 'devices.matches' }),
]
const called = () =>
  props.rule ? t('devices.rule2', { number: props.place + 1 }) : t('devices.anyOtherProgram')
</script>

<template>
  <tr :aria-label="called()">
    <td class="number">
      <template v-if="rule">{{ place + 1 }}</template>
    </td>
    <td class="program">
      <div v-if="rule" class="typed grid grid-cols-[104px_minmax(100px,1fr)] gap-1">
        <SelectField
          :model-value="rule.by"
          :items="BY"
          :aria-label="t('devices.matchingFor', { rule: called() })"
          @update:model-value="
            (by: AppRule['by']) =>
              rule &&
              emit('rule', { ...rule, by }, t('devices.ruleNowMatchesInAnotherWay', { number: place + 1 }))
          "
        />
        <EditTextField
          class="mono"
          :value="rule.program"
          :aria-label="t('devices.programFor', { rule: called() })"
          maxlength="120"
          :apply="take"
        />
      </div>
      <strong v-else>{{ t('devices.anyOtherProgram') }}</strong>
      <p
        v-for="finding in findings"
        :key="textOf(ruleMessage(finding))"
        class="finding caption mt-1 border-s-3 border-line-strong ps-2"
        :class="finding.severity"
      >
        {{ textOf(ruleMessage(finding)) }}.
      </p>
    </td>
    <td v-for="device in devices" :key="device.id">
      <SelectField
        :model-value="chosen(device)"
        :items="targetOptions(device, library.entries, chosen(device))"
        :class="{ leaves: chosen(device) === '' }"
        :title="
          targetOptions(device, library.entries, chosen(device)).find(({ value }) => value === chosen(device))
            ?.title
        "
        :aria-label="`${device.model.name}, ${called()}`"
        @update:model-value="(place: string) => choose(device, place)"
      />
    </td>
    <td class="whitespace-nowrap">
      <template v-if="rule">
        <MoveButtons :what="called()" :place="place" :count="count" @move="(to) => emit('move', to)" />
        <v-btn
          icon
          size="small"
          variant="text"
          :title="t('devices.delete', { rule: called() })"
          :aria-label="t('devices.delete', { rule: called() })"
          @click="emit('remove')"
        >
          <v-icon :icon="mdiTrashCanOutline" />
        </v-btn>
      </template>
    </td>
  </tr>
</template>

<style scoped>
td {
  padding: 6px 6px 6px 0;
  vertical-align: top;
}

.number {
  padding-top: 14px;
  font-weight: 650;
}

.finding.error {
  border-color: var(--pending);
  color: var(--pending);
}

.leaves :deep(.v-select__selection) {
  color: var(--ink-soft);
}
</style>
