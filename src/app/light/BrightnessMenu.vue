<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { mdiBrightness6 } from '@mdi/js'
import { computed } from 'vue'
import type { DeviceSettings, SettingKey } from '../../core/onboard/settings'
import { SETTINGS, effectiveSettings } from '../../core/document/device-settings'
import { setSettings } from '../../core/edits/motion-edits'
import SettingRows from '../shared/SettingRows.vue'
import type { LightView } from './light-view'

/** Device settings for light: brightness on cable and on battery, and when the lights turn off. */
const props = defineProps<{ work: LightView }>()
const inForce = computed<DeviceSettings>(() => {
  const { profile, model } = props.work
  return profile.value && model.value ? effectiveSettings(profile.value.settings, model.value) : {}
})
const rows = computed(() =>
  SETTINGS.flatMap(({ key, name, setIn, range, text }) => {
    const value = inForce.value[key]
    const model = props.work.model.value
    if (setIn !== 'light' || typeof value !== 'number' || !model || !range) return []
    const [min, max] = range(model)
    return [{ key, name: textOf(name), value, text: textOf(text(value)), min, max }]
  }),
)
/** Settings with a row here, which is made for numbers. */
const inRows = computed(() => rows.value.map(({ key }) => key))

function change(settings: DeviceSettings, gesture?: string): void {
  const model = props.work.model.value
  if (model)
    props.work.edit(['settings', { settings }], (current) => setSettings(current, model, settings), gesture)
}
const set = (key: SettingKey, value: number) => change({ [key]: value }, key)
</script>

<template>
  <v-menu :close-on-content-click="false" :activator-props="{ 'aria-haspopup': 'dialog' }">
    <template #activator="{ props: activator }">
      <v-btn size="small" :prepend-icon="mdiBrightness6" v-bind="activator">{{
        t('light.brightnessAndIdle')
      }}</v-btn>
    </template>
    <v-card class="w-[440px] px-4 py-2" role="dialog" :aria-label="t('light.brightnessAndIdle')">
      <div
        v-for="{ key, name, value, text, min, max } in rows"
        :key="key"
        class="grid min-h-9 grid-cols-[170px_minmax(0,1fr)_84px] items-center gap-3"
      >
        <span>{{ name }}</span>
        <v-slider
          color="bar-light"
          :model-value="value"
          :min="min"
          :max="max"
          :step="1"
          hide-details
          :aria-label="name"
          :aria-valuetext="text"
          @update:model-value="(next) => set(key, next)"
        />
        <span class="mono">{{ text }}</span>
      </div>
      <SettingRows
        v-if="work.model.value"
        place="light"
        :own="inRows"
        :settings="inForce"
        :model="work.model.value"
        @set="change"
      />
    </v-card>
  </v-menu>
</template>
