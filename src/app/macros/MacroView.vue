<script setup lang="ts">
import { t } from '../../messages/page'
import { mdiMagnifyMinusOutline, mdiMagnifyPlusOutline } from '@mdi/js'
import { shallowRef, useTemplateRef, watch } from 'vue'
import type { SentChange } from '../../core/compile/dry-run'
import { renameMacro, setTags } from '../../core/edits/macro-edits'
import { useMacroView } from './macro-view'
import EventDetails from './EventDetails.vue'
import EventList from './EventList.vue'
import EventTools from './EventTools.vue'
import MacroFigures from './MacroFigures.vue'
import RecordBox from './RecordBox.vue'
import MacroTimeline from './MacroTimeline.vue'
import EditTextField from '../shared/EditTextField.vue'
import UndoButtons from '../shared/UndoButtons.vue'
import { useMacroEditor } from '../stores/macro-editor'
import { useMacros } from '../stores/macros'
import { useLayoutItems } from '../../look/layout-items'
import { SelectField } from '../../look/SelectField'

/** One macro: recording, editing and details. */
const props = defineProps<{ id: string }>()
const editor = useMacroEditor()
const macros = useMacros()
const work = useMacroView()
const layouts = useLayoutItems()
const sent = shallowRef<SentChange[]>()
const line = useTemplateRef('line')
const SNAPS = [1, 2, 8, 10].map((ms) => ({
  value: ms,
  title: 1000 % ms === 0 && ms < 10 ? t('macros.msHz', { ms, ms2: 1000 / ms }) : t('macros.ms4', { ms }),
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
    <h1 class="visually-hidden">{{ t('macros.macro2', { name: editor.macro.name }) }}</h1>
    <header class="flex flex-wrap items-center gap-x-2.5 gap-y-1 whitespace-nowrap">
      <RouterLink to="/macros" class="soft">{{ t('macros.macros') }}</RouterLink>
      <span class="faint" aria-hidden="true">/</span>
      <EditTextField
        class="name"
        width="250"
        :aria-label="t('macros.macroName')"
        :value="editor.macro.name"
        :apply="setName"
      />
      <EditTextField
        class="inner-label"
        width="270"
        :label="t('macros.tags')"
        :value="editor.macro.tags.join(', ')"
        :placeholder="t('macros.separateTagsWithCommas')"
        :apply="changeTags"
      />
      <span class="flex-1" />
      <span class="caption" :class="editor.unsaved ? 'pending' : 'faint'">
        {{ editor.unsaved ? t('macros.notSaved') : t('macros.savedInThisBrowser') }}
      </span>
      <UndoButtons :editor="editor" />
      <v-btn href="/unplugged.html" target="unplugged">{{ t('macros.tryInUnplugged') }}</v-btn>
    </header>
    <RecordBox :work="work" />
    <section class="drawn" :aria-label="t('macros.timelineOfEvents')">
      <div class="bar mb-1.5 flex flex-wrap items-center gap-x-2.5 gap-y-1 whitespace-nowrap">
        <h2>{{ t('macros.timeline') }}</h2>
        <span class="caption soft">{{ t('macros.dragABarToMoveItIts') }}</span>
        <span class="flex-1" />
        <SelectField
          class="inner-label"
          :label="t('macros.snapTo')"
          :items="SNAPS"
          :model-value="work.snapMs"
          @update:model-value="(ms: number) => work.setSnap(ms)"
        />
        <SelectField
          class="inner-label"
          :label="t('macros.keyLegends')"
          :items="layouts"
          :model-value="work.layout"
          @update:model-value="work.setLayout"
        />
        <v-btn icon :aria-label="t('macros.zoomOut')" @click="line?.zoom(1 / 1.5)">
          <v-icon :icon="mdiMagnifyMinusOutline" />
        </v-btn>
        <v-btn icon :aria-label="t('macros.zoomIn')" @click="line?.zoom(1.5)">
          <v-icon :icon="mdiMagnifyPlusOutline" />
        </v-btn>
        <v-btn @click="line?.fit()">{{ t('macros.showAll') }}</v-btn>
      </div>
      <MacroTimeline ref="line" :work="work" :sent="sent" />
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
    <h1>{{ t('macros.macroNotFound') }}</h1>
    <p class="soft">{{ t('macros.itMayHaveBeenDeletedOrIt') }}</p>
    <v-btn variant="flat" color="ink" to="/macros">{{ t('macros.allMacros') }}</v-btn>
  </div>
  <div v-else class="sheet grid place-content-center justify-items-center gap-2.5">
    <p class="soft">{{ t('macros.readingTheLibrary') }}</p>
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
