<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { SETTINGS, type SettingPlace } from '../../core/document/device-settings'
import { SETTING_KINDS, type DeviceSettings, type SettingKey } from '../../core/onboard/settings'
import type { DeviceModel } from '../../core/device/model'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { usePending } from '../stores/pending'
import { applyBounded } from './bounded'
import NumberField from './NumberField.vue'

/**
 * Shows the settings of a place, each with a control for its parameter. `own` lists the settings that the panel shows
 * itself, so a new setting gets a row here automatically.
 */
const props = defineProps<{
  place: SettingPlace
  own: readonly SettingKey[]
  settings: DeviceSettings
  model: DeviceModel
}>()
const emit = defineEmits<{ set: [change: DeviceSettings] }>()

const { edits } = usePending()
const pending = computed(() => new Set(edits.value.map(({ key }) => key)))

const rows = computed(() =>
  SETTINGS.flatMap(({ key, name, setIn, range }) => {
    const value = props.settings[key]
    if (setIn !== props.place || props.own.includes(key) || value === undefined) return []
    const { parameter } = SETTING_KINDS[key]
    const [min, max] =
      range?.(props.model) ?? (parameter.kind === 'number' ? [parameter.min, parameter.max] : [0, 1])
    const choices =
      parameter.kind === 'choice'
        ? parameter.of.map((each: string) => ({ value: each, text: each }))
        : undefined
    return [{ key, name: textOf(name), value, min, max, choices }]
  }),
)
const set = (key: SettingKey, value: unknown) => emit('set', { [key]: value })
</script>

<template>
  <section v-for="{ key, name, value, min, max, choices } in rows" :key="key" :aria-label="name">
    <h3 class="mx-0 mt-0 mb-1.5 text-15">
      {{ name }}
      <span v-if="pending.has(`setting:${key}`)" class="pending text-12 font-normal text-pending">{{
        t('shared.notOnTheDevice')
      }}</span>
    </h3>
    <ChoiceRow
      v-if="choices"
      :label="name"
      :choices="choices"
      :model-value="String(value)"
      @update:model-value="(choice) => choice && set(key, choice)"
    />
    <v-switch
      v-else-if="typeof value === 'boolean'"
      :label="name"
      :model-value="value"
      @update:model-value="(now: unknown) => set(key, now === true)"
    />
    <NumberField
      v-else
      :value="Number(value)"
      :label="name"
      :apply="applyBounded(min, max, 'shared.enterANumberFromTo', (number) => set(key, number))"
    />
  </section>
</template>
