<script setup lang="ts">
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useNoteOptions } from '../../look/screen-notes'

/** Notes on the screen: whether, where and how long. */
const { options, setNotes } = useNoteOptions()
const PLACES = [
  { value: 'top', text: 'top' },
  { value: 'bottom', text: 'bottom' },
  { value: 'corner', text: 'corner' },
] as const
const SECONDS = [1, 2, 4, 8].map((value) => ({ value, text: `${value} s` }))
</script>

<template>
  <v-switch
    label="Shown"
    :model-value="options.shown"
    @update:model-value="(now: unknown) => setNotes({ shown: now === true })"
  />
  <template v-if="options.shown">
    <ChoiceRow
      label="Where notes stand"
      :choices="PLACES"
      :model-value="options.at"
      @update:model-value="(at) => at && setNotes({ at })"
    />
    <ChoiceRow
      label="How long notes stand"
      :choices="SECONDS"
      :model-value="options.seconds"
      @update:model-value="(seconds) => seconds && setNotes({ seconds })"
    />
    <v-switch
      label="with a short sound"
      :model-value="options.sound"
      @update:model-value="(now: unknown) => setNotes({ sound: now === true })"
    />
  </template>
</template>
