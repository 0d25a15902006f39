<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useNoteOptions } from '../../look/screen-notes'

/** On-screen notes: whether, where and how long. */
const { options, setNotes } = useNoteOptions()
const PLACES = [
  withTexts({ value: 'top' }, { text: 'settings.top' }),
  withTexts({ value: 'bottom' }, { text: 'settings.bottom' }),
  withTexts({ value: 'corner' }, { text: 'settings.corner' }),
] as const
const SECONDS = [1, 2, 4, 8].map((value) => ({ value, text: `${value} s` }))
</script>

<template>
  <v-switch
    :label="t('settings.showOnScreenNotes')"
    :model-value="options.shown"
    @update:model-value="(now: unknown) => setNotes({ shown: now === true })"
  />
  <template v-if="options.shown">
    <ChoiceRow
      :label="t('settings.positionOfOnScreenNotes')"
      :choices="PLACES"
      :model-value="options.at"
      @update:model-value="(at) => at && setNotes({ at })"
    />
    <ChoiceRow
      :label="t('settings.durationOfOnScreenNotes')"
      :choices="SECONDS"
      :model-value="options.seconds"
      @update:model-value="(seconds) => seconds && setNotes({ seconds })"
    />
    <v-switch
      :label="t('settings.playAShortSound')"
      :model-value="options.sound"
      @update:model-value="(now: unknown) => setNotes({ sound: now === true })"
    />
  </template>
</template>
