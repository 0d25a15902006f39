<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { useLayoutItems } from '../../look/layout-items'
import { OPERATING_SYSTEMS, OPERATING_SYSTEM_NAMES } from '../../core/computer/shortcuts'
import { usePreferences } from '../stores/preferences'
import { SelectField } from '../../look/SelectField'

/** Operating system and layout of new profiles. */
const preferences = usePreferences()
const SYSTEMS = [
  withTexts({ value: 'open' as const }, { title: 'settings.anySystem' }),
  ...OPERATING_SYSTEMS.map((value) => ({ value, title: OPERATING_SYSTEM_NAMES[value] })),
]
const layouts = useLayoutItems()
</script>

<template>
  <SelectField
    :model-value="preferences.now.system"
    :items="SYSTEMS"
    max-width="160"
    :aria-label="t('settings.operatingSystemForNewProfiles')"
    @update:model-value="(system) => preferences.set('system', system)"
  />
  <SelectField
    :model-value="preferences.now.layout"
    :items="layouts"
    max-width="260"
    :aria-label="t('settings.keyboardLayoutForNewProfiles')"
    @update:model-value="(layout) => preferences.set('layout', layout)"
  />
</template>
