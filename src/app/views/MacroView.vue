<script setup lang="ts">
import { mdiMagnifyMinusOutline, mdiMagnifyPlusOutline } from '@mdi/js'
import { shallowRef, useTemplateRef, watch } from 'vue'
import { LAYOUTS } from '../../core/hid/layouts'
import type { SentChange } from '../../core/macro/dry-run'
import { renameMacro, setTags } from '../../core/macro/edits'
import { useMacroDesk } from '../macros/desk'
import EventDetails from '../macros/EventDetails.vue'
import EventList from '../macros/EventList.vue'
import EventTools from '../macros/EventTools.vue'
import MacroFigures from '../macros/MacroFigures.vue'
import RecordBox from '../macros/RecordBox.vue'
import TimeLine from '../macros/TimeLine.vue'
import AppIcon from '../parts/AppIcon.vue'
import UndoButtons from '../parts/UndoButtons.vue'
import { useMacroEditor } from '../stores/macro-editor'
import { useMacros } from '../stores/macros'

/** One macro: recorded, shaped, understood. */
const props = defineProps<{ id: string }>()
const editor = useMacroEditor()
const macros = useMacros()
const desk = useMacroDesk()
const sent = shallowRef<SentChange[]>()
const line = useTemplateRef('line')
const SNAPS = [1, 2, 8, 10]

watch(
  () => props.id,
  (id) => editor.open(id),
  { immediate: true },
)

function setName(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const { value } = event.target
  if (!desk.say(editor.edit('rename', (macro) => renameMacro(macro, value))))
    event.target.value = editor.macro?.name ?? ''
}

function changeTags(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const tags = event.target.value.split(',')
  desk.say(editor.edit('tags', (macro) => setTags(macro, tags)))
}

function chooseLayout({ target }: Event): void {
  const layout = LAYOUTS.find(({ id }) => target instanceof HTMLSelectElement && id === target.value)
  if (layout) desk.setLayout(layout.id)
}
</script>

<template>
  <div v-if="editor.macro" class="macro">
    <header>
      <RouterLink to="/macros" class="soft">Macros</RouterLink>
      <span class="faint" aria-hidden="true">/</span>
      <input
        class="name"
        aria-label="Name of the macro"
        :value="editor.macro.name"
        data-untouched
        @change="setName"
        @keydown.enter="($event.target as HTMLInputElement).blur()"
      />
      <label class="tags">
        <span class="caption soft">Tags</span>
        <input
          class="field"
          :value="editor.macro.tags.join(', ')"
          placeholder="none; commas between"
          data-untouched
          @change="changeTags"
        />
      </label>
      <span class="stretch" />
      <span class="caption" :class="editor.unsaved ? 'pending' : 'faint'">
        {{ editor.unsaved ? 'not stored' : 'kept in this browser' }}
      </span>
      <UndoButtons :editor="editor" />
      <a class="button" href="/unplugged.html" target="unplugged">Try it unplugged</a>
    </header>
    <RecordBox :desk="desk" />
    <section class="drawn" aria-label="Drawn to time">
      <div class="bar">
        <h2>Time line</h2>
        <span class="caption soft"
          >Drag a bar to move it, an end to stretch it, a frame to select; Ctrl and wheel zoom.</span
        >
        <span class="stretch" />
        <label class="caption">
          Snap to
          <select
            class="field small"
            :value="desk.snapMs"
            @change="desk.setSnap(Number(($event.target as HTMLSelectElement).value))"
          >
            <option v-for="ms in SNAPS" :key="ms" :value="ms">
              {{ ms }} ms{{ 1000 % ms === 0 && ms < 10 ? ` (${1000 / ms} Hz)` : '' }}
            </option>
          </select>
        </label>
        <label class="caption">
          Keys of
          <select class="field small" :value="desk.layout" @change="chooseLayout">
            <option v-for="{ id: layout, name } in LAYOUTS" :key="layout" :value="layout">{{ name }}</option>
          </select>
        </label>
        <button type="button" class="button square" aria-label="Zoom out" @click="line?.zoom(1 / 1.5)">
          <AppIcon :path="mdiMagnifyMinusOutline" />
        </button>
        <button type="button" class="button square" aria-label="Zoom in" @click="line?.zoom(1.5)">
          <AppIcon :path="mdiMagnifyPlusOutline" />
        </button>
        <button type="button" class="button" @click="line?.fit()">Show all</button>
      </div>
      <TimeLine ref="line" :desk="desk" :sent="sent" />
    </section>
    <div class="below">
      <div class="left">
        <EventTools :desk="desk" />
        <EventList :desk="desk" />
        <EventDetails :desk="desk" />
      </div>
      <MacroFigures :key="id" :desk="desk" @sent="sent = $event" />
    </div>
  </div>
  <div v-else-if="macros.complete" class="missing sheet">
    <h1>This macro is not here</h1>
    <p class="soft">It may have been deleted, or belongs to another browser.</p>
    <RouterLink class="button strong" to="/macros">All macros</RouterLink>
  </div>
  <div v-else class="missing sheet"><p class="soft">Reading the library…</p></div>
</template>

<style scoped>
.macro {
  display: grid;
  height: 100%;
  grid-template-rows: 40px auto auto minmax(220px, 1fr);
  gap: 10px;
  padding: 8px 20px 12px;
  overflow: auto;
}

header,
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
  white-space: nowrap;
}

.name {
  width: 250px;
  padding: 2px 6px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: transparent;
  color: var(--ink);
  font: inherit;
  font-size: 1.4rem;
  font-weight: 650;
}

.name:hover,
.name:focus {
  border-color: var(--line-strong);
  background: var(--paper-high);
}

.tags {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}

.stretch {
  flex: 1;
}

.bar {
  margin-bottom: 6px;
}

.small {
  min-height: 27px;
  padding: 1px 6px;
}

.below {
  display: grid;
  min-height: 0;
  grid-template-columns: minmax(0, 1fr) 372px;
  gap: 20px;
}

.left {
  display: grid;
  min-height: 0;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
}

.missing {
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 10px;
}

@media (width < 1000px) {
  .macro {
    height: auto;
  }

  .below {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
