<script setup lang="ts">
import { mdiClose, mdiPlus } from '@mdi/js'
import { computed } from 'vue'
import type { Parameter } from '../../core/base/parameters'
import { ANY_MACRO, LOOKS_FOR_ONE, NO_CONNECTION } from '../../core/terms/parameter-terms'
import type { DeviceModel } from '../../core/device/model'
import type { Profile } from '../../core/document/schema'
import { amountText, parameterWord } from '../../core/text/light-words'
import ChoiceRow from '../../look/ChoiceRow.vue'
import ColourField from '../shared/ColourField.vue'
import { useMacros } from '../stores/macros'
import { namedList, SelectField } from '../../look/SelectField'

/** The control of one parameter, by its kind: whatever an effect or a condition can be set to is set here. */
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
const word = computed(() => parameterWord(props.name))
const label = computed(() => `${word.value} of ${props.of}`)

/** Long ranges go by factors, short ones by equal parts; a slider has a hundred places or fewer. */
const PLACES = 100
const slides = computed(() => {
  const { parameter } = props
  if (parameter.kind !== 'number') return undefined
  const { least, most, grid = 1 } = parameter
  const byFactor = least > 0 && most / least > 50
  const places = byFactor ? PLACES : Math.min(PLACES, (most - least) / grid)
  const at = (place: number) => {
    const value = byFactor
      ? least * (most / least) ** (place / places)
      : least + ((most - least) * place) / places
    const rounding =
      byFactor && value > 20 * grid ? grid * 10 ** Math.floor(Math.log10(value / grid) - 1) : grid
    return Math.max(least, Math.min(most, Math.round(value / rounding) * rounding))
  }
  const placeOf = (value: number) =>
    byFactor
      ? (places * Math.log(value / least)) / Math.log(most / least)
      : ((value - least) / (most - least)) * places
  return { places, at, placeOf }
})

const amount = computed(() =>
  props.parameter.kind === 'number' ? amountText(Number(props.value), props.parameter) : '',
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
        { value: ANY_MACRO, title: 'Any macro' },
        ...[...macros.wholeShelf.values()].map(({ id, name }) => ({ value: id, title: name })),
      ]
    case 'connection':
      return [
        ...model.connections.map(({ id, name }) => ({ value: id, title: name })),
        { value: NO_CONNECTION, title: 'Not connected' },
        { value: LOOKS_FOR_ONE, title: 'Pairing' },
      ]
    default:
      return model.inputs.map(({ id, name, number }) => ({ value: id, title: `${number} ${name}` }))
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
        :aria-valuetext="amount"
        @update:model-value="(place) => emit('change', slides?.at(place), name)"
      />
      <span class="mono text-right whitespace-nowrap">{{ amount }}</span>
    </template>
    <ChoiceRow
      v-else-if="parameter.kind === 'choice'"
      class="col-[2/4]"
      family="light"
      :label="label"
      :choices="parameter.of.map((text) => ({ value: text, text }))"
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
          :label="`Colour ${index + 1} of ${of}`"
          @change="(next) => emit('change', withColour(index, next), `${name} ${index}`)"
        />
        <v-btn
          v-if="listed.length > parameter.least"
          icon
          size="small"
          variant="text"
          :aria-label="`Remove colour ${index + 1} of ${of}`"
          @click="emit('change', listed.toSpliced(index, 1))"
        >
          <v-icon :icon="mdiClose" />
        </v-btn>
      </span>
      <v-btn
        v-if="listed.length < parameter.most"
        size="small"
        :prepend-icon="mdiPlus"
        @click="emit('change', [...listed, listed[0]])"
      >
        Colour
      </v-btn>
    </div>
    <v-autocomplete
      v-else-if="parameter.kind === 'inputs'"
      class="w-full justify-self-start"
      multiple
      clearable
      :items="options"
      :model-value="listed"
      placeholder="any input"
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
