<script setup lang="ts">
import { mdiTrashCanOutline } from '@mdi/js'
import type { AppRule, RuleTarget } from '../../core/computer/app-rules'
import type { RuleFinding } from '../../core/checks/checks-of-rules'
import { ruleText } from '../../core/checks/words'
import MoveButtons from '../shared/MoveButtons.vue'
import WordsField from '../shared/WordsField.vue'
import { useLibrary } from '../stores/library'
import type { KnownDevice } from '../stores/known-device'
import { placeOf, placesOf, targetOf } from './rule-places'
import { SelectField } from '../../look/SelectField'

/** One rule: a program, and what each device does while it is in front; without a rule, what they do otherwise. */
const props = defineProps<{
  rule?: AppRule
  use: readonly RuleTarget[]
  place: number
  count: number
  devices: readonly KnownDevice[]
  findings: readonly RuleFinding[]
}>()
const emit = defineEmits<{
  /** @param what is changed, as the rest of a sentence about the rule */
  rule: [rule: AppRule, what: string]
  use: [use: RuleTarget[], what: string]
  move: [to: number]
  remove: []
}>()
const library = useLibrary()
function take(typed: string): string | undefined {
  const program = typed.trim()
  if (program === '') return 'A program is due, such as GantryRun.exe, or a pattern such as Gantry*'
  if (!props.rule || program === props.rule.program) return undefined
  // Whoever types a sign that stands for others means a pattern.
  const by = /[*?]/.test(program) ? 'pattern' : props.rule.by
  emit('rule', { ...props.rule, program, by }, `is for ${program} now`)
  return undefined
}

const chosen = ({ model }: KnownDevice) => placeOf(props.use.find(({ device }) => device === model.id))

function choose({ model }: KnownDevice, place: string): void {
  const target = targetOf(model.id, place)
  const others = props.use.filter(({ device }) => device !== model.id)
  emit('use', target ? [...others, target] : others, `does something else with ${model.name}`)
}

const BY = [
  { value: 'name', title: 'is called' },
  { value: 'pattern', title: 'fits' },
]
const called = () => (props.rule ? `rule ${props.place + 1}` : 'any other program')
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
          :aria-label="`How ${called()} goes by the program`"
          @update:model-value="
            (by: AppRule['by']) => rule && emit('rule', { ...rule, by }, 'goes by another way')
          "
        />
        <WordsField
          class="mono"
          :value="rule.program"
          :aria-label="`Program of ${called()}`"
          maxlength="120"
          :apply="take"
        />
      </div>
      <strong v-else>any other program</strong>
      <p
        v-for="finding in findings"
        :key="ruleText(finding)"
        class="finding caption mt-1 border-l-3 border-line-strong pl-2"
        :class="finding.severity"
      >
        {{ ruleText(finding) }}.
      </p>
    </td>
    <td v-for="device in devices" :key="device.id">
      <SelectField
        :model-value="chosen(device)"
        :items="placesOf(device, library.entries, chosen(device))"
        :class="{ leaves: chosen(device) === '' }"
        :title="
          placesOf(device, library.entries, chosen(device)).find(({ value }) => value === chosen(device))
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
          :title="`Delete ${called()}`"
          :aria-label="`Delete ${called()}`"
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
