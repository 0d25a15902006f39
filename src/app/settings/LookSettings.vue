<script setup lang="ts">
import { useTheme } from '../../look/component-library'
import { useLightsMove } from '../../look/lights-move'
import { TEXT_SIZES, useOwnLook } from '../../look/own-look'
import ChoiceSetting from './ChoiceSetting.vue'
import type { SettingId } from './settings'

/** How the pages look. */
defineProps<{ shown: (id: SettingId) => boolean }>()
const { store } = useTheme()
const THEMES = [
  { value: 'auto', text: 'as the system' },
  { value: 'light', text: 'light' },
  { value: 'dark', text: 'dark' },
] as const
const { look, setLook } = useOwnLook()
const SIZES = TEXT_SIZES.map((value) => ({ value, text: value === 100 ? 'usual' : `${value} %` }))
const CONTRASTS = [
  { value: 'usual', text: 'usual' },
  { value: 'more', text: 'more' },
] as const
const moves = useLightsMove()
const LIGHTS = [
  { value: 'move', text: 'move' },
  { value: 'rest', text: 'rest' },
] as const
</script>

<template>
  <ChoiceSetting
    v-if="shown('theme')"
    of="theme"
    :choices="THEMES"
    :now="store"
    @choose="(theme) => (store = theme)"
  />
  <ChoiceSetting
    v-if="shown('textSize')"
    of="textSize"
    :choices="SIZES"
    :now="look.textSize"
    @choose="(textSize) => setLook({ textSize })"
  />
  <ChoiceSetting
    v-if="shown('contrast')"
    of="contrast"
    :choices="CONTRASTS"
    :now="look.contrast"
    @choose="(contrast) => setLook({ contrast })"
  />
  <ChoiceSetting
    v-if="shown('lights')"
    of="lights"
    :choices="LIGHTS"
    :now="moves ? 'move' : 'rest'"
    @choose="(now) => (moves = now === 'move')"
  >
    <span class="caption soft">Until it is chosen here, as the system asks for less motion or not.</span>
  </ChoiceSetting>
</template>
