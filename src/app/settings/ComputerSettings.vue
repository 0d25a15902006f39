<script setup lang="ts">
import { LAYOUTS, layoutName } from '../../core/computer/layouts'
import { OPERATING_SYSTEMS, SYSTEM_NAMES } from '../../core/computer/shortcuts'
import { usePreferences } from '../stores/preferences'
import { SelectField } from '../../look/SelectField'

/** The system and the layout that new profiles are for. */
const preferences = usePreferences()
const SYSTEMS = [
  { value: 'open' as const, title: 'any system' },
  ...OPERATING_SYSTEMS.map((value) => ({ value, title: SYSTEM_NAMES[value] })),
]
const LAYOUT_ITEMS = LAYOUTS.map(({ id }) => ({ value: id, title: layoutName(id) }))
</script>

<template>
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
</template>
