<script setup lang="ts">
import { computed } from 'vue'
import { SETTINGS, settingsInForce, type SettingPlace } from '../../core/document/device-settings'
import { useLibrary } from '../stores/library'
import { entryOf } from '../stores/slots'
import type { KnownDevice } from '../stores/known-device'

/** How the device keeps house in the slot that is on: sleep, battery notice, brightness, dark when idle; and where each is set. */
const props = defineProps<{ device: KnownDevice }>()
const library = useLibrary()
const active = computed(() => props.device.slots[props.device.info?.activeSlot ?? 0]?.profile)
/** The views for power and light. Settings of presses and movements are not listed here. */
const VIEWS: Partial<Record<SettingPlace, string>> = { power: 'motion?part=power', light: 'light' }
const entry = computed(() => entryOf(active.value, props.device.model, library.entries))
const rows = computed(() => {
  const { model } = props.device
  const inForce = settingsInForce(active.value?.settings ?? {}, model)
  return SETTINGS.flatMap(({ key, name, setIn, text }) => {
    const [view, value] = [VIEWS[setIn], inForce[key]]
    if (!view || value === undefined) return []
    return [{ key, name, text: text(value), to: entry.value && `/profile/${entry.value.id}/${view}` }]
  })
})
</script>

<template>
  <dl
    v-if="rows.length"
    class="m-0 flex flex-wrap gap-x-6 gap-y-1.5 border-t border-line pt-2"
    aria-label="In the slot that is on"
  >
    <div v-for="{ key, name, text, to } in rows" :key="key">
      <dt class="caption">{{ name }}</dt>
      <dd class="m-0">
        <RouterLink v-if="to" class="text-inherit" :to="to" :aria-label="`${name}: ${text}, change it`">{{
          text
        }}</RouterLink>
        <template v-else>{{ text }}</template>
      </dd>
    </div>
  </dl>
</template>
