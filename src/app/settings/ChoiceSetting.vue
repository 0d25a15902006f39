<script setup lang="ts">
import ChoiceRow from '../../look/ChoiceRow.vue'
import type { Choice } from './rows'
import { SETTINGS, type SettingId } from './settings'

/** A setting that is one of a few. */
const props = defineProps<{ of: SettingId; choice: () => Choice; note?: string }>()
// A row is of one setting for as long as it is there.
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
