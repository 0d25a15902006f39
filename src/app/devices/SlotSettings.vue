<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { computed } from 'vue'
import { SETTINGS, effectiveSettings, type SettingPlace } from '../../core/document/device-settings'
import { useLibrary } from '../stores/library'
import { entryOf } from '../stores/slots'
import type { KnownDevice } from '../stores/known-device'

/**
 * Power and light settings of the active slot: sleep, low-battery warning, brightness, lights off; with links to their
 * views.
 */
const props = defineProps<{ device: KnownDevice }>()
const library = useLibrary()
const active = computed(() => props.device.slots[props.device.info?.activeSlot ?? 0]?.profile)
/** The views for power and light. Settings of presses and movements are not listed here. */
const VIEWS: Partial<Record<SettingPlace, string>> = { light: 'light', power: 'motion?part=power' }
const entry = computed(() => entryOf(active.value, props.device.model, library.entries))
const rows = computed(() => {
  const { model } = props.device
  const inForce = effectiveSettings(active.value?.settings ?? {}, model)
  return SETTINGS.flatMap(({ key, name, setIn, text }) => {
    const [view, value] = [VIEWS[setIn], inForce[key]]
    if (!view || value === undefined) return []
    return [
      {
        key,
        name: textOf(name),
        text: textOf(text(value)),
        to: entry.value && `/profile/${entry.value.id}/${view}`,
      },
    ]
  })
})
</script>

<template>
  <dl
    v-if="rows.length"
    class="m-0 flex flex-wrap gap-x-6 gap-y-1.5 border-t border-line pt-2"
    :aria-label="t('devices.settingsInTheActiveSlot')"
  >
    <div v-for="{ key, name, text, to } in rows" :key="key">
      <dt class="caption">{{ name }}</dt>
      <dd class="m-0">
        <RouterLink
          v-if="to"
          class="text-inherit"
          :to="to"
          :aria-label="t('devices.change', { name, text })"
          >{{ text }}</RouterLink
        >
        <template v-else>{{ text }}</template>
      </dd>
    </div>
  </dl>
</template>
