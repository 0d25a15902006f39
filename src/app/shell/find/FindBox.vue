<script setup lang="ts">
import { t } from '../../../messages/page'
import { computed, ref } from 'vue'
import { VCommandPalette } from 'vuetify/labs/VCommandPalette'
import { useFoundCount } from '../../shared/found-count'
import CommandKeys from '../../shared/CommandKeys.vue'
import { useFindables } from './findables'
import { rankFindables } from '../../../core/find/rank'
import type { FindEntry } from './find-entry'

/** Find: any input, action, profile, view or setting. */
const emit = defineEmits<{ close: [] }>()
const typed = ref('')
const all = useFindables(() => typed.value)
const found = computed(() => rankFindables(typed.value, all.value, MAX_SHOWN))
/** Keys include the typed text, so that each character selects the best result again. */
const items = computed(() =>
  found.value.map((entry, index) => ({
    title: entry.text,
    value: `${index} ${typed.value}`,
    onClick: () => run(entry),
  })),
)

/** If there are more results, a more precise text is needed. */
const MAX_SHOWN = 20

const list = computed(() => ({ lines: 'one' as const, 'aria-label': t('shell.found') }))

useFoundCount(
  () => typed.value,
  () => found.value.length,
)

function run(entry: FindEntry): void {
  emit('close')
  entry.run()
}
</script>

<template>
  <VCommandPalette
    v-model:search="typed"
    :model-value="true"
    :items="items"
    no-filter
    :aria-label="t('shell.findAnything2')"
    max-width="640"
    offset-top="12vh"
    :list-props="list"
    @update:model-value="(open) => open || emit('close')"
  >
    <template #input="{ props: field }">
      <v-text-field
        v-model="typed"
        class="border-b-[1.5px] border-ink px-2 py-1.5 [&_.v-field]:text-[1.2rem] [&_.v-field]:outline-none"
        variant="plain"
        v-bind="{ ...field, role: undefined, '^role': field.role }"
        autocomplete="off"
        spellcheck="false"
        :placeholder="t('shell.anInputAnActionAProfileA')"
        :aria-label="t('shell.findAnything2')"
        @keydown.tab.prevent
      />
    </template>
    <template #item="{ index, props: { value } }">
      <v-list-item
        v-for="entry in found.slice(index, index + 1)"
        :key="entry.text"
        :index="index"
        :value="value"
        class="aria-selected:bg-binding-wash"
        @click="run(entry)"
      >
        <span class="grid grid-cols-[62px_auto_minmax(0,1fr)_auto] items-center gap-3">
          <span class="caption text-ink-soft">{{ entry.kind }}</span>
          <strong>{{ entry.text }}</strong>
          <span class="soft truncate">{{ entry.detail }}</span>
          <CommandKeys v-if="entry.command" :of="entry.command" aria-hidden="true" />
        </span>
      </v-list-item>
    </template>
    <template #no-data>
      <span class="text-ink-soft">{{ t('shell.nothingContainsTryAnInputSuchAs', { text: typed }) }}</span>
    </template>
  </VCommandPalette>
</template>
