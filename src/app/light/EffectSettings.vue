<script setup lang="ts">
import { t, withTexts, textOf } from '../../messages/page'
import { membersOf, withMembers } from '../../core/base/tables'
import { computed } from 'vue'
import type { Parameters } from '../../core/base/parameters'
import { conditionParameters, type ConditionName } from '../../core/effects/conditions'
import { unusedParameters, parametersOf, type EffectName } from '../../core/effects/registry'
import { newCondition } from '../../core/terms/light'
import { supportedConditions, changeKind } from '../../core/edits/light-edits'
import type { StackedEffect } from '../../core/document/schema'
import { message } from '../../core/message/message'
import { CONDITION_MESSAGES, EFFECT_MESSAGES, parameterLabel } from '../../core/wording/effect-messages'
import { lightTargetMessage, stackItemName } from '../../core/text/light-messages'
import ChoiceRow from '../../look/ChoiceRow.vue'
import EditTextField from '../shared/EditTextField.vue'
import ParameterField from './ParameterField.vue'
import type { LightView } from './light-view'
import { SelectField } from '../../look/SelectField'

/** The settings of one effect: its kind, lights, condition, blending, and parameters. */
const props = defineProps<{ entry: StackedEffect; place: number; work: LightView }>()
const name = computed(() => textOf(stackItemName(props.entry)))
const model = computed(() => props.work.model.value)

const kinds = computed(() =>
  props.work.kinds.value.map((kind) => ({
    value: kind,
    title: textOf(EFFECT_MESSAGES[kind].name),
    about: textOf(EFFECT_MESSAGES[kind].about),
  })),
)
const conditions = computed(() => {
  const { value } = model
  const layers = props.work.profile.value?.layers.length ?? 1
  return (['always', ...(value ? supportedConditions(value, layers - 1) : [])] as const).map((kind) => ({
    value: kind,
    title: textOf(CONDITION_MESSAGES[kind]),
  }))
})

const rows = (parameters: Parameters, value: object): [string, Parameters[string], unknown][] =>
  Object.entries(parameters).map(([key, parameter]) => [key, parameter, membersOf(value)[key]])
const effectRows = computed(() => {
  const { effect } = props.entry
  const idle = unusedParameters(effect.kind, effect)
  return rows(parametersOf(effect.kind), effect).filter(([key]) => !idle.includes(key))
})
const whenRows = computed(() => {
  const { when } = props.entry
  return when.kind === 'always' ? [] : rows(conditionParameters(when.kind), when)
})

const setEffect = (key: string, value: unknown, gesture?: string) =>
  props.work.change(
    props.place,
    { effect: withMembers(props.entry.effect, { [key]: value }) },
    parameterLabel(key),
    gesture,
  )
const setWhen = (key: string, value: unknown, gesture?: string) =>
  props.work.change(
    props.place,
    { when: withMembers(props.entry.when, { [key]: value }) },
    parameterLabel(key),
    gesture,
  )
const setKind = (kind: EffectName) =>
  props.work.change(
    props.place,
    { effect: changeKind(props.entry.effect, kind) },
    message('effects.becomes', { effect: EFFECT_MESSAGES[kind].name }),
  )
const setCondition = (kind: ConditionName | 'always') =>
  model.value &&
  props.work.change(props.place, { when: newCondition(kind, model.value) }, CONDITION_MESSAGES[kind])

const rename = (name: string) =>
  props.work.tryChange(props.place, { name: name.trim() || undefined }, message('effects.name'))

const onChosen = computed(() => props.work.chosen.value.size > 0)
const put = () =>
  props.work.change(
    props.place,
    { where: props.work.selectedPlace.value },
    model.value
      ? message('effects.onLights', {
          lights: lightTargetMessage(props.work.selectedPlace.value, model.value),
        })
      : message('effects.onSelected'),
  )
const MIXES = [
  withTexts({ value: 'covers' }, { text: 'light.cover', about: 'light.hidesTheEffectsBelowAsFarAs' }),
  withTexts({ value: 'adds' }, { text: 'light.add', about: 'light.addsItsLightToTheEffectsBelow' }),
] as const
</script>

<template>
  <div
    v-if="model && work.profile.value"
    class="grid grid-cols-[repeat(auto-fit,minmax(290px,1fr))] gap-x-7 gap-y-1 ps-5 pe-0 pt-2 pb-1.5"
    role="group"
    :aria-label="t('light.settingsOf', { name })"
  >
    <div class="grid content-start gap-1">
      <div class="row">
        <span class="text-ink-soft">{{ t('light.effect') }}</span>
        <SelectField
          :items="kinds"
          :model-value="entry.effect.kind"
          :aria-label="t('light.typeOf', { name })"
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
        <span class="text-ink-soft">{{ t('light.lights') }}</span>
        <span class="where font-semi">{{ textOf(lightTargetMessage(entry.where, model)) }}</span>
      </div>
      <div class="row buttons">
        <v-btn
          size="small"
          :disabled="!onChosen"
          :title="t('light.selectLightsOnTheDrawingFirst')"
          @click="put"
        >
          {{ t('light.useSelectedLights') }}
        </v-btn>
        <v-btn size="small" @click="work.choose(work.lightsOf(entry))">{{
          t('light.selectItsLights')
        }}</v-btn>
        <v-btn
          size="small"
          :disabled="entry.where.kind === 'all'"
          @click="work.change(place, { where: { kind: 'all' } }, t('light.onAllLights'))"
        >
          {{ t('light.useAllLights') }}
        </v-btn>
      </div>
      <div class="row">
        <span class="text-ink-soft">{{ t('light.when') }}</span>
        <SelectField
          :items="conditions"
          :model-value="entry.when.kind"
          :aria-label="t('light.conditionFor', { name })"
          @update:model-value="setCondition"
        />
      </div>
      <ParameterField
        v-for="[key, parameter, value] in whenRows"
        :key="`when ${key}`"
        :name="key"
        :parameter="parameter"
        :value="value"
        :of="t('light.theConditionOf', { name })"
        :model="model"
        :profile="work.profile.value"
        @change="(next, gesture) => setWhen(key, next, gesture)"
      />
      <div class="row">
        <span class="text-ink-soft">{{ t('light.blending') }}</span>
        <ChoiceRow
          family="light"
          :label="t('light.blendingOf', { name })"
          :choices="MIXES"
          :model-value="entry.mix"
          @update:model-value="
            (mix) =>
              mix && work.change(place, { mix }, message(mix === 'adds' ? 'effects.adds' : 'effects.covers'))
          "
        />
      </div>
      <div class="row">
        <span class="text-ink-soft">{{ t('light.name') }}</span>
        <EditTextField
          :value="entry.name ?? ''"
          :placeholder="textOf(EFFECT_MESSAGES[entry.effect.kind].name)"
          :aria-label="t('light.nameOf', { name })"
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
  padding-inline-start: 102px;
  gap: 6px;
}
</style>
