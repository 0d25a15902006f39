<script setup lang="ts">
import { computed, ref } from 'vue'
import ChoiceRow from '../../look/ChoiceRow.vue'
import { useNoteOptions } from '../../look/screen-notes'
import { NOTICE_KINDS, usePreferences, type NoticeKind } from '../stores/preferences'
import SaidList from './SaidList.vue'
import SettingRow from './SettingRow.vue'
import type { SettingId } from './settings'

/** What is told, where, and what was. */
defineProps<{ shown: (id: SettingId) => boolean }>()
const preferences = usePreferences()
const { options, setNotes } = useNoteOptions()
const PLACES = [
  { value: 'top', text: 'top' },
  { value: 'bottom', text: 'bottom' },
  { value: 'corner', text: 'corner' },
] as const
const SECONDS = [1, 2, 4, 8].map((value) => ({ value, text: `${value} s` }))
const KINDS = Object.entries(NOTICE_KINDS) as [NoticeKind, string][]

const canTell = typeof Notification !== 'undefined'
const refused = ref(false)
const toSystem = computed(() => preferences.now.toSystem && canTell && Notification.permission === 'granted')
async function setToSystem(wanted: boolean): Promise<void> {
  const granted = wanted && (await Notification.requestPermission()) === 'granted'
  refused.value = wanted && !granted
  preferences.set('toSystem', granted)
}
</script>

<template>
  <SettingRow v-if="shown('notes')" of="notes">
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
  </SettingRow>
  <SettingRow v-if="shown('notices')" of="notices" wide>
    <div role="group" aria-label="Notices">
      <v-checkbox
        v-for="[kind, text] in KINDS"
        :key="kind"
        :label="text"
        :model-value="preferences.now.notices[kind]"
        @update:model-value="
          (now: unknown) => preferences.set('notices', { ...preferences.now.notices, [kind]: now === true })
        "
      />
    </div>
    <v-switch
      v-if="canTell"
      label="By the system as well, while this page is not looked at"
      :model-value="toSystem"
      @update:model-value="(now: unknown) => setToSystem(now === true)"
    />
    <div class="contents" role="status">
      <p v-if="refused" class="caption pending">
        The browser does not let this page show notifications. It can be allowed in the browser’s settings of
        this page; what is said stays listed below in any case.
      </p>
    </div>
  </SettingRow>
  <SettingRow v-if="shown('said')" of="said" wide><SaidList /></SettingRow>
</template>
