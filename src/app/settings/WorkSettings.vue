<script setup lang="ts">
import { LAYOUTS, layoutName } from '../../core/computer/layouts'
import { OPERATING_SYSTEMS, SYSTEM_NAMES } from '../../core/computer/shortcuts'
import { usePreferences } from '../stores/preferences'
import ChoiceSetting from './ChoiceSetting.vue'
import SettingRow from './SettingRow.vue'
import type { SettingId } from './settings'
import { SelectField } from '../../look/SelectField'

/** What work begins with, and what it is counted in. */
defineProps<{ shown: (id: SettingId) => boolean }>()
const preferences = usePreferences()
const LENGTHS = [
  { value: 'metric', text: 'mm and cm' },
  { value: 'inches', text: 'inches' },
] as const
const STARTS = [
  { value: 'devices', text: 'Devices' },
  { value: 'last', text: 'where I was last' },
] as const
const CAPTURES = [
  { value: 'together', text: 'Hold the keys together' },
  { value: 'inTurn', text: 'Press one key after the other' },
] as const
const SYSTEMS = [
  { value: 'open' as const, title: 'any system' },
  ...OPERATING_SYSTEMS.map((value) => ({ value, title: SYSTEM_NAMES[value] })),
]
const LAYOUT_ITEMS = LAYOUTS.map(({ id }) => ({ value: id, title: layoutName(id) }))
</script>

<template>
  <ChoiceSetting
    v-if="shown('lengths')"
    of="lengths"
    :choices="LENGTHS"
    :now="preferences.now.lengths"
    @choose="(lengths) => preferences.set('lengths', lengths)"
  >
    <span class="caption soft">Decimal sign and thousands are as your system writes them.</span>
  </ChoiceSetting>
  <SettingRow v-if="shown('computer')" of="computer">
    <SelectField
      :model-value="preferences.now.system"
      :items="SYSTEMS"
      max-width="160"
      aria-label="System of new profiles"
      @update:model-value="(system) => preferences.set('system', system)"
    />
    <SelectField
      :model-value="preferences.now.layout"
      :items="LAYOUT_ITEMS"
      max-width="260"
      aria-label="Keyboard layout of new profiles"
      @update:model-value="(layout) => preferences.set('layout', layout)"
    />
  </SettingRow>
  <ChoiceSetting
    v-if="shown('capture')"
    of="capture"
    :choices="CAPTURES"
    :now="preferences.now.capture"
    @choose="(capture) => preferences.set('capture', capture)"
  />
  <ChoiceSetting
    v-if="shown('start')"
    of="start"
    :choices="STARTS"
    :now="preferences.now.start"
    @choose="(start) => preferences.set('start', start)"
  />
</template>
