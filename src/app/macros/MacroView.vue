<script setup lang="ts">
import { mdiMagnifyMinusOutline, mdiMagnifyPlusOutline } from '@mdi/js'
import { shallowRef, useTemplateRef, watch } from 'vue'
import { LAYOUTS } from '../../core/computer/layouts'
import type { SentChange } from '../../core/compile/dry-run'
import { renameMacro, setTags } from '../../core/edits/macro-edits'
import { useMacroWork } from './work'
import EventDetails from './EventDetails.vue'
import EventList from './EventList.vue'
import EventTools from './EventTools.vue'
import MacroFigures from './MacroFigures.vue'
import RecordBox from './RecordBox.vue'
import TimeLine from './TimeLine.vue'
import WordsField from '../shared/WordsField.vue'
import UndoButtons from '../shared/UndoButtons.vue'
import { useMacroEditor } from '../stores/macro-editor'
import { useMacros } from '../stores/macros'
import { SelectField } from '../../look/SelectField'

/** One macro: recorded, shaped, understood. */
const props = defineProps<{ id: string }>()
const editor = useMacroEditor()
const macros = useMacros()
const work = useMacroWork()
const sent = shallowRef<SentChange[]>()
const line = useTemplateRef('line')
const SNAPS = [1, 2, 8, 10].map((ms) => ({
  value: ms,
  title: 1000 % ms === 0 && ms < 10 ? `${ms} ms (${1000 / ms} Hz)` : `${ms} ms`,
}))

watch(
  () => props.id,
  (id) => editor.open(id),
  { immediate: true },
)

const setName = (name: string) => editor.edit(['rename'], (macro) => renameMacro(macro, name))
const changeTags = (tags: string) => editor.edit(['tags'], (macro) => setTags(macro, tags.split(',')))
</script>

<template>
  <div
    v-if="editor.macro"
    class="grid h-full grid-cols-1 grid-rows-[auto_auto_auto_minmax(220px,1fr)] gap-2.5 overflow-auto px-5 pt-2 pb-3 max-[1000px]:h-auto"
  >
    <h1 class="visually-hidden">{{ editor.macro.name }}, macro</h1>
    <header class="flex flex-wrap items-center gap-x-2.5 gap-y-1 whitespace-nowrap">
      <RouterLink to="/macros" class="soft">Macros</RouterLink>
      <span class="faint" aria-hidden="true">/</span>
      <WordsField
        class="name"
        width="250"
        aria-label="Name of the macro"
        :value="editor.macro.name"
        :apply="setName"
      />
      <WordsField
        class="inner-label"
        width="270"
        label="Tags"
        :value="editor.macro.tags.join(', ')"
        placeholder="none; commas between"
        :apply="changeTags"
      />
      <span class="flex-1" />
      <span class="caption" :class="editor.unsaved ? 'pending' : 'faint'">
        {{ editor.unsaved ? 'not stored' : 'kept in this browser' }}
      </span>
      <UndoButtons :editor="editor" />
      <v-btn href="/unplugged.html" target="unplugged">Try it unplugged</v-btn>
    </header>
    <RecordBox :work="work" />
    <section class="drawn" aria-label="Drawn to time">
      <div class="bar mb-1.5 flex flex-wrap items-center gap-x-2.5 gap-y-1 whitespace-nowrap">
        <h2>Timeline</h2>
        <span class="caption soft"
          >Drag a bar to move it, an end to stretch it, a frame to select; Ctrl and wheel zoom.</span
        >
        <span class="flex-1" />
        <SelectField
          class="inner-label"
          label="Snap to"
          :items="SNAPS"
          :model-value="work.snapMs"
          @update:model-value="(ms: number) => work.setSnap(ms)"
        />
        <SelectField
          class="inner-label"
          label="Keys of"
          :items="LAYOUTS"
          item-value="id"
          item-title="name"
          :model-value="work.layout"
          @update:model-value="work.setLayout"
        />
        <v-btn icon aria-label="Zoom out" @click="line?.zoom(1 / 1.5)">
          <v-icon :icon="mdiMagnifyMinusOutline" />
        </v-btn>
        <v-btn icon aria-label="Zoom in" @click="line?.zoom(1.5)">
          <v-icon :icon="mdiMagnifyPlusOutline" />
        </v-btn>
        <v-btn @click="line?.fit()">Show all</v-btn>
      </div>
      <TimeLine ref="line" :work="work" :sent="sent" />
    </section>
    <div class="below grid min-h-0 grid-cols-[minmax(0,1fr)_372px] gap-5 max-[1000px]:grid-cols-1">
      <div
        class="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] gap-2 max-[1000px]:grid-rows-[auto_320px_auto]"
      >
        <EventTools :work="work" />
        <EventList :work="work" />
        <EventDetails :work="work" />
      </div>
      <MacroFigures :key="id" :work="work" @sent="sent = $event" />
    </div>
  </div>
  <div v-else-if="macros.complete" class="sheet grid place-content-center justify-items-center gap-2.5">
    <h1>This macro is not here</h1>
    <p class="soft">It may have been deleted, or belongs to another browser.</p>
    <v-btn variant="flat" color="ink" to="/macros">All macros</v-btn>
  </div>
  <div v-else class="sheet grid place-content-center justify-items-center gap-2.5">
    <p class="soft">Reading the library…</p>
  </div>
</template>

<style scoped>
.name :deep(input) {
  text-overflow: ellipsis;
  font-size: 1.4rem;
  font-weight: 650;
}

.name :deep(.v-field:not(:hover, .v-field--focused)) {
  background: transparent;
}

.name :deep(.v-field:not(:hover, .v-field--focused) .v-field__outline) {
  color: transparent;
}
</style>
