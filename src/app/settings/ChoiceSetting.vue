<script setup lang="ts" generic="T extends string | number">
import ChoiceRow from '../../look/ChoiceRow.vue'
import SettingRow from './SettingRow.vue'
import { SETTINGS, type SettingId } from './settings'

/** A setting that is one of a few; what is beside the choice comes as its content. */
defineProps<{ of: SettingId; choices: readonly { value: T; text: string }[]; now: T }>()
const emit = defineEmits<{ choose: [value: T] }>()
</script>

<template>
  <SettingRow :of="of">
    <ChoiceRow
      :label="SETTINGS[of].title"
      :choices="choices"
      :model-value="now"
      @update:model-value="(value?: T) => value !== undefined && emit('choose', value)"
    />
    <slot />
  </SettingRow>
</template>
