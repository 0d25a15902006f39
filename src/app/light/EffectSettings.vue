<script setup lang="ts">
import { membersOf, withMembers } from '../../core/base/tables'
import { computed } from 'vue'
import type { Parameters } from '../../core/base/parameters'
import { conditionParameters, type ConditionName } from '../../core/effects/conditions'
import { idleOf, parametersOf, type EffectName } from '../../core/effects/registry'
import { newCondition } from '../../core/terms/light'
import { conditionsOf, withKind } from '../../core/edits/light-edits'
import type { StackedEffect } from '../../core/document/schema'
import {
  CONDITION_WORDS,
  EFFECT_WORDS,
  itemName,
  parameterWord,
  whereText,
} from '../../core/text/light-words'
import ChoiceRow from '../../look/ChoiceRow.vue'
import WordsField from '../shared/WordsField.vue'
import ParameterField from './ParameterField.vue'
import type { LightWork } from './work'
import { SelectField } from '../../look/SelectField'

/** What one effect is set to: its kind, where, when, how it lies over the rest, and whatever its kind has to set. */
const props = defineProps<{ entry: StackedEffect; place: number; work: LightWork }>()
const name = computed(() => itemName(props.entry))
const model = computed(() => props.work.model.value)

const kinds = computed(() =>
  props.work.kinds.value.map((kind) => ({
    value: kind,
    title: EFFECT_WORDS[kind].text,
    about: EFFECT_WORDS[kind].about,
  })),
)
const conditions = computed(() => {
  const { value } = model
  const layers = props.work.profile.value?.layers.length ?? 1
  return (['always', ...(value ? conditionsOf(value, layers - 1) : [])] as const).map((kind) => ({
    value: kind,
    title: CONDITION_WORDS[kind],
  }))
})

const rows = (parameters: Parameters, value: object): [string, Parameters[string], unknown][] =>
  Object.entries(parameters).map(([key, parameter]) => [key, parameter, membersOf(value)[key]])
const effectRows = computed(() => {
  const { effect } = props.entry
  const idle = idleOf(effect.kind, effect)
  return rows(parametersOf(effect.kind), effect).filter(([key]) => !idle.includes(key))
})
const whenRows = computed(() => {
  const { when } = props.entry
  return when.kind === 'always' ? [] : rows(conditionParameters(when.kind), when)
})

const wordOf = (key: string) => parameterWord(key).toLowerCase()
const setEffect = (key: string, value: unknown, gesture?: string) =>
  props.work.change(
    props.place,
    { effect: withMembers(props.entry.effect, { [key]: value }) },
    wordOf(key),
    gesture,
  )
const setWhen = (key: string, value: unknown, gesture?: string) =>
  props.work.change(
    props.place,
    { when: withMembers(props.entry.when, { [key]: value }) },
    wordOf(key),
    gesture,
  )
const setKind = (kind: EffectName) =>
  props.work.change(
    props.place,
    { effect: withKind(props.entry.effect, kind) },
    `to ${EFFECT_WORDS[kind].text.toLowerCase()}`,
  )
const setCondition = (kind: ConditionName | 'always') =>
  model.value &&
  props.work.change(
    props.place,
    { when: newCondition(kind, model.value) },
    CONDITION_WORDS[kind].toLowerCase(),
  )

const rename = (name: string) => props.work.tryChange(props.place, { name: name.trim() || undefined }, 'name')

const onChosen = computed(() => props.work.chosen.value.size > 0)
const put = () =>
  props.work.change(
    props.place,
    { where: props.work.chosenPlace.value },
    `on ${model.value ? whereText(props.work.chosenPlace.value, model.value) : 'the chosen lights'}`,
  )
const MIXES = [
  { value: 'covers', text: 'covers', about: 'What is below is hidden, as far as it shows itself' },
  { value: 'adds', text: 'adds', about: 'Its light is added to what is below' },
] as const
</script>

<template>
  <div
    v-if="model && work.profile.value"
    class="grid grid-cols-[repeat(auto-fit,minmax(290px,1fr))] gap-x-7 gap-y-1 pt-2 pr-0 pb-1.5 pl-5"
    role="group"
    :aria-label="`Settings of ${name}`"
  >
    <div class="grid content-start gap-1">
      <div class="row">
        <span class="text-ink-soft">Effect</span>
        <SelectField
          :items="kinds"
          :model-value="entry.effect.kind"
          :aria-label="`Kind of ${name}`"
          @update:model-value="setKind"
        >
          <template #item="{ props: item, item: { about } }">
            <v-list-item v-bind="item" :subtitle="about" />
          </template>
        </SelectField>
      </div>
      <ParameterField
        v-for="[key, parameter, value] in effectRows"
        :key="key"
        :name="key"
        :parameter="parameter"
        :value="value"
        :of="name"
        :model="model"
        :profile="work.profile.value"
        @change="(next, gesture) => setEffect(key, next, gesture)"
      />
    </div>
    <div class="grid content-start gap-1">
      <div class="row">
        <span class="text-ink-soft">Where</span>
        <span class="where font-semi">{{ whereText(entry.where, model) }}</span>
      </div>
      <div class="row buttons">
        <v-btn size="small" :disabled="!onChosen" title="Choose lights on the drawing first" @click="put">
          Put on the chosen
        </v-btn>
        <v-btn size="small" @click="work.choose(work.lightsOf(entry))">Choose its lights</v-btn>
        <v-btn
          size="small"
          :disabled="entry.where.kind === 'all'"
          @click="work.change(place, { where: { kind: 'all' } }, 'on all lights')"
        >
          All lights
        </v-btn>
      </div>
      <div class="row">
        <span class="text-ink-soft">When</span>
        <SelectField
          :items="conditions"
          :model-value="entry.when.kind"
          :aria-label="`When ${name} shows`"
          @update:model-value="setCondition"
        />
      </div>
      <ParameterField
        v-for="[key, parameter, value] in whenRows"
        :key="`when ${key}`"
        :name="key"
        :parameter="parameter"
        :value="value"
        :of="`when ${name} shows`"
        :model="model"
        :profile="work.profile.value"
        @change="(next, gesture) => setWhen(key, next, gesture)"
      />
      <div class="row">
        <span class="text-ink-soft">Over the rest</span>
        <ChoiceRow
          family="light"
          :label="`How ${name} lies over the rest`"
          :choices="MIXES"
          :model-value="entry.mix"
          @update:model-value="(mix) => mix && work.change(place, { mix }, mix)"
        />
      </div>
      <div class="row">
        <span class="text-ink-soft">Name</span>
        <WordsField
          :value="entry.name ?? ''"
          :placeholder="EFFECT_WORDS[entry.effect.kind].text"
          :aria-label="`Name of ${name}`"
          :apply="rename"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  min-height: 34px;
  align-items: center;
  gap: 10px;
  grid-template-columns: 92px minmax(0, 1fr);
}

.row.buttons {
  display: flex;
  flex-wrap: wrap;
  padding-left: 102px;
  gap: 6px;
}
</style>
