<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { numberedInput } from '../../core/device/lookups'
import { clamp } from '../../core/base/numbers'
import { mdiClose, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import type { Parameter } from '../../core/base/parameters'
import { ANY_MACRO, IS_PAIRING, NO_CONNECTION } from '../../core/terms/parameter-terms'
import type { DeviceModel } from '../../core/device/model'
import type { Profile } from '../../core/document/schema'
import { choiceLabel, parameterLabel } from '../../core/wording/effect-messages'
import { amount } from '../../core/text/light-messages'
import ChoiceRow from '../../look/ChoiceRow.vue'
import ColourField from '../shared/ColourField.vue'
import { useMacros } from '../stores/macros'
import { namedList, SelectField } from '../../look/SelectField'

/** The control of one parameter of an effect or condition, by its kind. */
const props = defineProps<{
  name: string
  parameter: Parameter
  value: unknown
  of: string
  model: DeviceModel
  profile: Profile
}>()
const emit = defineEmits<{ change: [value: unknown, gesture?: string] }>()
const macros = useMacros()
const word = computed(() => textOf(parameterLabel(props.name)))
const label = computed(() => t('light.of', { setting: word.value, effect: props.of }))

/** Long ranges use factors, short ones equal steps; a slider has at most a hundred positions. */
const PLACES = 100
const slides = computed(() => {
  const { parameter } = props
  if (parameter.kind !== 'number') return undefined
  const { min, max, step = 1 } = parameter
  const byFactor = min > 0 && max / min > 50
  const places = byFactor ? PLACES : Math.min(PLACES, (max - min) / step)
  const at = (place: number) => {
    const value = byFactor ? min * (max / min) ** (place / places) : min + ((max - min) * place) / places
    const rounding =
      byFactor && value > 20 * step ? step * 10 ** Math.floor(Math.log10(value / step) - 1) : step
    return clamp(Math.round(value / rounding) * rounding, min, max)
  }
  const placeOf = (value: number) =>
    byFactor ? (places * Math.log(value / min)) / Math.log(max / min) : ((value - min) / (max - min)) * places
  return { places, at, placeOf }
})

const amountText = computed(() =>
  props.parameter.kind === 'number' ? textOf(amount(Number(props.value), props.parameter)) : '',
)
/** Colours or ids of inputs. */
const listed = computed(() => (Array.isArray(props.value) ? props.value.map(String) : []))
const withColour = (index: number, colour: string) => listed.value.with(index, colour)

const options = computed(() => {
  const { model, profile } = props
  switch (props.parameter.kind) {
    case 'layer':
      return profile.layers.slice(1).map(({ name }, index) => ({ value: index + 1, title: name }))
    case 'macro':
      return [
        { value: ANY_MACRO, title: t('light.anyMacro') },
        ...[...macros.wholeShelf.values()].map(({ id, name }) => ({ value: id, title: name })),
      ]
    case 'connection':
      return [
        ...model.connections.map(({ id, name }) => ({ value: id, title: name })),
        { value: NO_CONNECTION, title: t('light.notConnected') },
        { value: IS_PAIRING, title: t('light.pairing') },
      ]
    default:
      return model.inputs.map((input) => ({ value: input.id, title: textOf(numberedInput(input)) }))
  }
})
</script>

<template>
  <div class="grid min-h-8.5 grid-cols-[92px_minmax(0,1fr)_56px] items-center gap-2.5">
    <span class="text-ink-soft">{{ word }}</span>
    <template v-if="parameter.kind === 'number' && slides">
      <v-slider
        color="bar-light"
        :model-value="slides.placeOf(Number(value))"
        :min="0"
        :max="slides.places"
        :step="1"
        hide-details
        :aria-label="label"
        :aria-valuetext="amountText"
        @update:model-value="(place) => emit('change', slides?.at(place), name)"
      />
      <span class="mono text-end whitespace-nowrap">{{ amountText }}</span>
    </template>
    <ChoiceRow
      v-else-if="parameter.kind === 'choice'"
      class="col-[2/4]"
      family="light"
      :label="label"
      :choices="parameter.of.map((choice) => ({ value: choice, text: textOf(choiceLabel(choice)) }))"
      :model-value="String(value)"
      @update:model-value="(choice) => choice && emit('change', choice)"
    />
    <ColourField
      v-else-if="parameter.kind === 'colour'"
      class="justify-self-start"
      :colour="String(value)"
      :label="label"
      @change="(colour) => emit('change', colour, name)"
    />
    <div v-else-if="parameter.kind === 'colours'" class="col-[2/4] flex flex-wrap gap-1.5">
      <span v-for="(colour, index) in listed" :key="index" class="inline-flex items-center">
        <ColourField
          :colour="colour"
          :label="t('light.colourOf', { index: index + 1, effect: of })"
          @change="(next) => emit('change', withColour(index, next), `${name} ${index}`)"
        />
        <v-btn
          v-if="listed.length > parameter.min"
          icon
          size="small"
          variant="text"
          :aria-label="t('light.removeColourOf', { index: index + 1, effect: of })"
          @click="emit('change', listed.toSpliced(index, 1))"
        >
          <v-icon :icon="mdiClose" />
        </v-btn>
      </span>
      <v-btn
        v-if="listed.length < parameter.max"
        size="small"
        :prepend-icon="mdiPlus"
        @click="emit('change', [...listed, listed[0]])"
      >
        {{ t('light.colour') }}
      </v-btn>
    </div>
    <v-autocomplete
      v-else-if="parameter.kind === 'inputs'"
      class="w-full justify-self-start"
      multiple
      clearable
      :items="options"
      :model-value="listed"
      :placeholder="t('light.anyInput')"
      :aria-label="label"
      :list-props="namedList(label)"
      @update:model-value="(ids) => emit('change', ids)"
    />
    <SelectField
      v-else
      class="w-full justify-self-start"
      :items="options"
      :model-value="value"
      :aria-label="label"
      @update:model-value="(id) => emit('change', id)"
    />
  </div>
</template>
