<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { commandWords, useCommands } from '../shared/commands'
import { matchesFilter } from '../shared/filter'
import BackupSettings from './BackupSettings.vue'
import ForgetEverything from './ForgetEverything.vue'
import LookSettings from './LookSettings.vue'
import NoticeSettings from './NoticeSettings.vue'
import SettingRow from './SettingRow.vue'
import { SETTINGS, settingIds, type SettingId } from './settings'
import OfflineSettings from './OfflineSettings.vue'
import StorageSettings from './StorageSettings.vue'
import SupportSettings from './SupportSettings.vue'
import WorkSettings from './WorkSettings.vue'
import { useFoundCount } from '../shared/found-count'

/** How the application is for its person, on one page that is searched; each setting has an address. */
const route = useRoute()
const wanted = ref('')
const search = useTemplateRef('search')
const found = computed(() => {
  const fits = (id: SettingId) => {
    const { title, about, words } = SETTINGS[id]
    return matchesFilter(wanted.value, [title, about, words])
  }
  return new Set(settingIds.filter(fits))
})
useFoundCount(
  () => wanted.value,
  () => found.value.size,
)
const shown = (id: SettingId) => found.value.has(id)
useCommands({ 'settings.search': () => search.value?.focus() })

async function goToHash(): Promise<void> {
  const id = settingIds.find((each) => route.hash === `#${each}`)
  if (!id) return
  wanted.value = ''
  await nextTick()
  const row = document.getElementById(id)
  row?.scrollIntoView({ block: 'start' })
  row?.focus({ preventScroll: true })
}
onMounted(goToHash)
watch(() => route.hash, goToHash)
</script>

<template>
  <div class="overflow-auto px-7 py-5.5">
    <header>
      <h1>Settings</h1>
      <v-text-field
        ref="search"
        v-model="wanted"
        type="search"
        width="280"
        max-width="100%"
        :prepend-inner-icon="mdiMagnify"
        placeholder="Theme, backup, notices"
        :aria-label="commandWords('settings.search').text"
      />
    </header>
    <div class="max-w-[980px] border-t-[1.5px] border-ink">
      <LookSettings :shown />
      <WorkSettings :shown />
      <NoticeSettings :shown />
      <SettingRow v-if="shown('storage')" of="storage" wide><StorageSettings /></SettingRow>
      <SettingRow v-if="shown('offline')" of="offline"><OfflineSettings /></SettingRow>
      <SettingRow v-if="shown('backup')" of="backup" wide><BackupSettings /></SettingRow>
      <SettingRow v-if="shown('support')" of="support" wide><SupportSettings /></SettingRow>
      <SettingRow v-if="shown('forget')" of="forget"><ForgetEverything /></SettingRow>
      <p v-if="found.size === 0" class="soft px-0 py-5">
        No setting is called that. What is of one profile (steps, polling, light) is in its views; what is of
        a device is in Devices.
      </p>
    </div>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  max-width: 980px;
  margin-bottom: 14px;
  gap: 8px;
}
</style>
