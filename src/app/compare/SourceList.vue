<script setup lang="ts">
import { mdiMagnify } from '@mdi/js'
import { computed, ref } from 'vue'
import { matchesFilter } from '../../core/find/match'
import TwoLineButton from '../shared/TwoLineButton.vue'
import type { SourceGroup } from './sources'

/** What the open profile can be held against, by kind. */
const props = defineProps<{ groups: readonly SourceGroup[]; chosen?: string }>()
defineEmits<{ choose: [key: string] }>()
/** More than are taken in at a glance are searched. */
const MOST_AT_A_GLANCE = 6
const wanted = ref('')
const many = computed(() =>
  props.groups.some(({ id, sources }) => id === 'profiles' && sources.length > MOST_AT_A_GLANCE),
)
const shown = computed(() =>
  props.groups.map((group) => ({
    ...group,
    sources: group.sources.filter(({ title, about }) => matchesFilter(wanted.value, [title, about])),
  })),
)

const EMPTY: Record<SourceGroup['id'], string> = {
  starters: '',
  states:
    'None yet. One is kept when it is written, before a change from outside, and before a day’s first edit.',
  slots: 'The device has not been read, or its slots are empty.',
  profiles: 'There is no other profile.',
}
</script>

<template>
  <nav class="flex flex-col gap-4 overflow-auto border-r border-line p-4" aria-label="What to compare with">
    <v-text-field
      v-if="many"
      v-model="wanted"
      type="search"
      :prepend-inner-icon="mdiMagnify"
      placeholder="Search these"
      aria-label="Search what to compare with"
    />
    <section v-for="group in shown" :key="group.id" :aria-label="group.title">
      <h2 class="mb-1 flex items-baseline justify-between">{{ group.title }}<slot :name="group.id" /></h2>
      <p v-if="group.sources.length === 0" class="caption soft">
        {{ wanted ? 'none of that name' : EMPTY[group.id] }}
      </p>
      <TwoLineButton
        v-for="{ key, title, about, problems } in group.sources"
        :key="key"
        :title="title"
        :about="problems ? 'cannot be read' : about"
        :trouble="problems !== undefined"
        :chosen="key === chosen"
        @click="$emit('choose', key)"
      />
    </section>
  </nav>
</template>
