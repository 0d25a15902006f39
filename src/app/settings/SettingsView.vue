<script setup lang="ts">
import { t } from '../../messages/page'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useCommands } from '../shared/commands'
import { commandTexts } from '../shared/command-list'
import { matchesFilter } from '../../core/base/matching'
import ChoiceSetting from './ChoiceSetting.vue'
import { ROWS } from './rows'
import SettingRow from './SettingRow.vue'
import { SETTINGS, settingIds, type SettingId } from './settings'
import { useFoundCount } from '../shared/found-count'
import SearchField from '../../look/SearchField.vue'

/** All settings of the application on one page with a search; each has an address. */
const route = useRoute()
const wanted = ref('')
const search = useTemplateRef('search')
const rows = computed(() => {
  const fits = (id: SettingId) => {
    const { title, about, words } = SETTINGS[id]
    return matchesFilter(wanted.value, [title, about, words])
  }
  return settingIds.filter(fits).map((id) => ({ id, row: ROWS[id] }))
})
useFoundCount(
  () => wanted.value,
  () => rows.value.length,
)
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
      <h1>{{ t('settings.settings') }}</h1>
      <SearchField
        ref="search"
        v-model="wanted"
        width="280"
        max-width="100%"
        :placeholder="t('settings.searchSettings')"
        :label="commandTexts('settings.search').text"
      />
    </header>
    <div class="max-w-[980px] border-t-[1.5px] border-ink">
      <SettingRow v-for="{ id, row } in rows" :key="id" :of="id" :wide="'panel' in row && row.wide">
        <component :is="row.panel" v-if="'panel' in row" />
        <ChoiceSetting v-else :of="id" :choice="row.choice" :note="row.note" />
      </SettingRow>
      <p v-if="rows.length === 0" class="soft px-0 py-5">
        {{ t('settings.noSettingMatchesSettingsOfAProfile') }}
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
