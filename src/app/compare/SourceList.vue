<script setup lang="ts">
import { t, withTexts } from '../../messages/page'
import { computed, ref } from 'vue'
import { matchesFilter } from '../../core/base/matching'
import TwoLineButton from '../shared/TwoLineButton.vue'
import type { SourceGroup } from './sources'
import SearchField from '../../look/SearchField.vue'

/** Sources for comparing the open profile, by kind. */
const props = defineProps<{ groups: readonly SourceGroup[]; chosen?: string }>()
defineEmits<{ choose: [key: string] }>()
/** A long list has a search. */
const MAX_AT_A_GLANCE = 6
const wanted = ref('')
const many = computed(() =>
  props.groups.some(({ id, sources }) => id === 'profiles' && sources.length > MAX_AT_A_GLANCE),
)
const shown = computed(() =>
  props.groups.map((group) => ({
    ...group,
    sources: group.sources.filter(({ title, about }) => matchesFilter(wanted.value, [title, about])),
  })),
)

const EMPTY: Record<SourceGroup['id'], string> = withTexts(
  { starters: '' },
  {
    states: 'compare.noSavedVersionsYetUniseraSavesOne',
    slots: 'compare.theDeviceHasNotBeenReadOr',
    profiles: 'compare.theLibraryHasNoOtherProfiles',
  },
)
</script>

<template>
  <nav
    class="flex flex-col gap-4 overflow-auto border-e border-line p-4"
    :aria-label="t('compare.compareWith')"
  >
    <SearchField
      v-if="many"
      v-model="wanted"
      :placeholder="t('compare.search')"
      :label="t('compare.searchForSomethingToCompareWith')"
    />
    <section v-for="group in shown" :key="group.id" :aria-label="group.title">
      <h2 class="mb-1 flex items-baseline justify-between">{{ group.title }}<slot :name="group.id" /></h2>
      <p v-if="group.sources.length === 0" class="caption soft">
        {{ wanted ? t('compare.noMatches') : EMPTY[group.id] }}
      </p>
      <TwoLineButton
        v-for="{ key, title, about, problems } in group.sources"
        :key="key"
        :title="title"
        :about="problems ? t('compare.unreadable') : about"
        :trouble="problems !== undefined"
        :chosen="key === chosen"
        @click="$emit('choose', key)"
      />
    </section>
  </nav>
</template>
