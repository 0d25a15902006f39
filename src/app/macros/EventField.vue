<script setup lang="ts">
import { computed } from 'vue'
import { textOf, withTexts } from '../../messages/page'
import type { Parameter } from '../../core/base/parameters'
import { CONSUMER_USAGES } from '../../core/hid/consumer-page'
import { SelectField } from '../../look/SelectField'
import { applyBounded } from '../shared/bounded'
import ColourField from '../shared/ColourField.vue'
import NumberField from '../shared/NumberField.vue'

/** Edits one parameter of an event. Parameters of other kinds are read-only. */
const props = defineProps<{ label: string; parameter: Parameter; value: unknown }>()
const emit = defineEmits<{ change: [value: unknown] }>()

/** The texts of choices of events. */
const CHOICES: Record<string, string | undefined> = withTexts(
  {},
  { press: 'macros.press', release: 'macros.release' },
)

const items = computed((): { value: string; title: string }[] | undefined => {
  const { parameter } = props
  if (parameter.kind === 'control')
    return CONSUMER_USAGES.map(({ id, label }) => ({ value: id, title: textOf(label) }))
  return parameter.kind === 'choice'
    ? parameter.of.map((each) => ({ value: each, title: CHOICES[each] ?? each }))
    : undefined
})
</script>

<template>
  <span class="soft">{{ label }}</span>
  <NumberField
    v-if="parameter.kind === 'number' || parameter.kind === 'layer'"
    :value="Number(value)"
    :label="label"
    :apply="
      applyBounded(parameter.min, parameter.max, 'shared.enterANumberFromTo', (number) =>
        emit('change', number),
      )
    "
  />
  <SelectField
    v-else-if="items"
    :aria-label="label"
    :items="items"
    :model-value="value"
    @update:model-value="(chosen) => emit('change', chosen)"
  />
  <ColourField
    v-else-if="parameter.kind === 'colour'"
    :colour="String(value)"
    :label="label"
    @change="(colour) => emit('change', colour)"
  />
  <span v-else class="mono">{{ value }}</span>
</template>
