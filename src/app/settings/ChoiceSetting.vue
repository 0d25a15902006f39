<script setup lang="ts">
import ChoiceRow from '../../look/ChoiceRow.vue'
import type { Choice } from './rows'
import { SETTINGS, type SettingId } from './settings'

/** A setting with a few options. */
const props = defineProps<{ of: SettingId; choice: () => Choice; note?: string }>()
// The setting of a row never changes, so its state is set up once.
const { choices, now, choose } = props.choice()
</script>

<template>
  <ChoiceRow
    :label="SETTINGS[of].title"
    :choices="choices"
    :model-value="now"
    @update:model-value="(value) => value !== undefined && choose(value)"
  />
  <span v-if="note" class="caption soft">{{ note }}</span>
</template>
