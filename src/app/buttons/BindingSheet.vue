<script setup lang="ts">
import { t, textOf } from '../../messages/page'
import { RichMessage } from '../../messages/rich-message'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import { keyLegend } from '../../core/computer/layouts'
import { chordMessage, type TypingContext } from '../../core/text/context'
import { announce } from '../../look/announce'
import { draggedText } from '../../look/dragged-text'
import { useEditor } from '../stores/editor'
import EmptyCellsDialog from './EmptyCellsDialog.vue'
import { unfinishedTextIn } from './unfinished-text'
import { cellOfEvent, useSheetKeys } from './sheet-keys'
import SheetRow from './SheetRow.vue'
import { cellKey, type ButtonsView, type CellPlace } from './buttons-view'

/** The actions of every input on every layer: one row per input, one column per layer, edited in place. */
const props = defineProps<{ work: ButtonsView; context: TypingContext }>()
const grid = useTemplateRef<HTMLElement>('grid')
/** Legends of the keys in the line below the sheet. */
const chord = (code: string) => textOf(chordMessage(['ControlLeft', code], 'us'))
const named = (code: string) => textOf(keyLegend(code, 'us'))
const KEYS = computed(() => ({
  enter: named('Enter'),
  home: named('Home'),
  end: named('End'),
  shift: named('ShiftLeft'),
  copy: chord('KeyC'),
  cut: chord('KeyX'),
  paste: chord('KeyV'),
  fill: chord('KeyD'),
  delete: named('Delete'),
}))
/** The text typed on a cell before its field existed. */
const begun = ref<string>()

const groups = computed(() => {
  const found = new Map<string, DeviceInput[]>()
  for (const input of props.work.rows) {
    const group = props.work.many && input.group ? textOf(input.group) : ''
    found.set(group, [...(found.get(group) ?? []), input])
  }
  return [...found]
})
const columns = computed(
  () => `30px minmax(92px, 0.8fr) repeat(${props.work.layers.length}, minmax(112px, 1fr))`,
)
const { focusCell, goTo, rowFrom, keydown, copy, paste } = useSheetKeys(props.work, grid, { open, carryTo })

/** One listener for all cells, so that a cell is only rendered again when its content changes. */
function clicked(event: MouseEvent): void {
  const place = cellOfEvent(event, 'around')
  if (!place) return
  if (props.work.carrying !== undefined) carryTo(place)
  else if (event.shiftKey) props.work.extendTo(place)
  else if (event.ctrlKey || event.metaKey || props.work.selectsMore) props.work.toggle(place)
  else open(props.work.open && cellKey(props.work.open) === cellKey(place) ? undefined : place)
  if (!props.work.open) void focusCell(place)
}

function dragged(event: DragEvent): void {
  if (cellOfEvent(event, 'around')) event.preventDefault()
}

function dropped(event: DragEvent): void {
  const place = cellOfEvent(event, 'around')
  if (!place) return
  event.preventDefault()
  const text = draggedText(event)
  if (text) props.work.drop(text, place.input, place.layer)
}

function carryTo(place: CellPlace): void {
  props.work.chooseLayer(place.layer)
  props.work.openInput(place.input)
}

function open(place: CellPlace | undefined, text?: string): void {
  begun.value = text
  const before = props.work.cursor
  props.work.openCell(place)
  if (!place && before) void focusCell(before)
}

watch(
  () => props.work.selected.length,
  (count) => count > 1 && announce(t('buttons.cellsSelected', { count })),
)
watch(
  () => props.work.selectsMore,
  (on) =>
    announce(
      on ? t('buttons.arrowKeysAndClicksSelectMoreCells') : t('buttons.arrowKeysAndClicksSelectOneCell'),
    ),
)

/** Keeps the selected layer visible if not all are. */
watch(
  () => props.work.layer,
  () => grid.value?.querySelector('.now')?.scrollIntoView({ block: 'nearest', inline: 'nearest' }),
  { flush: 'post', immediate: true },
)

/** The row and as much of its editor as fits, but always the row. */
watch(
  () => props.work.open?.input,
  async (input) => {
    await nextTick()
    const row = grid.value?.querySelector(`[data-row="${input}"]`)
    row?.nextElementSibling?.scrollIntoView({ block: 'nearest' })
    row?.scrollIntoView({ block: 'nearest' })
  },
  { flush: 'post' },
)

const editor = useEditor()
onMounted(() => {
  const half = unfinishedTextIn(editor.openId)
  if (
    half &&
    props.work.layers[half.place.layer] &&
    props.work.rows.some(({ id }) => id === half.place.input)
  )
    open(half.place, half.text)
})

function step(by: 1 | -1): void {
  const { open: place } = props.work
  const input = place && rowFrom(place, by)
  if (place && input) open({ ...place, input })
}

/** The result of pressing Enter in a cell, for screen readers. */
const said = ref('')
/** As in a spreadsheet: the cell below is selected, or the same one at the bottom. */
function next(what: string): void {
  const { open: place } = props.work
  if (!place) return
  said.value = what
  props.work.openCell(undefined)
  goTo({ ...place, input: rowFrom(place, 1) ?? place.input }, false)
}

/** Focus selects a cell, unless it came from a click, which selects by itself. */
const byPointer = ref(false)
function focused(event: FocusEvent): void {
  const place = byPointer.value ? undefined : cellOfEvent(event)
  if (place && !props.work.selected.some((each) => cellKey(each) === cellKey(place))) props.work.select(place)
}
</script>

<template>
  <div
    ref="grid"
    role="grid"
    :aria-label="t('buttons.bindingSheet')"
    aria-multiselectable="true"
    class="w-min min-w-full"
    :style="{ '--columns': columns }"
    @click="clicked"
    @dragover="dragged"
    @drop="dropped"
    @keydown="keydown"
    @pointerdown="byPointer = true"
    @pointerup="byPointer = false"
    @pointercancel="byPointer = false"
    @focusin="focused"
    @copy="copy"
    @cut="copy"
    @paste="paste"
  >
    <div role="rowgroup" class="contents">
      <div
        role="row"
        class="head caption sticky top-0 z-2 grid grid-cols-[var(--columns)] border-b-[1.5px] border-ink bg-paper-low"
      >
        <span role="columnheader" class="stays start-0"
          ><span class="visually-hidden">{{ t('buttons.number') }}</span></span
        >
        <span role="columnheader" class="stays start-7.5">{{ t('buttons.input') }}</span>
        <span
          v-for="(layer, index) in work.layers"
          :key="index"
          role="columnheader"
          class="layer-head"
          :class="[index === 0 ? 'layer-base' : `layer-${layer.colour}`, { now: index === work.layer }]"
          :title="work.reach(index)"
        >
          <strong>{{ layer.name }}</strong> <span v-if="index > 0">{{ work.reach(index) }}</span>
        </span>
      </div>
    </div>
    <div v-for="[group, inputs] in groups" :key="group" role="rowgroup">
      <div
        v-if="group"
        role="row"
        class="border-b border-line px-2 pt-3 pb-0.75 text-12 font-semi text-ink-soft"
      >
        <span role="rowheader">{{ group }}</span>
      </div>
      <SheetRow
        v-for="input in inputs"
        :key="input.id"
        :work="work"
        :context="context"
        :input="input"
        :begun="begun"
        @close="open(undefined)"
        @step="step"
        @next="next"
      />
    </div>
  </div>
  <EmptyCellsDialog v-if="work.asking" @settle="work.settleEmpty" />
  <span class="visually-hidden" role="status">{{ said }}</span>
  <div v-if="work.rows.length === 0" class="flex items-center gap-3 px-2 py-5">
    <p class="soft">
      {{
        work.filter.text
          ? t('buttons.noInputActionOrNameContains', { text: work.filter.text })
          : t('buttons.thisProfileHasNoChangedInputsYet')
      }}
    </p>
    <v-btn @click="work.setFilter({ text: '', changedOnly: false })">{{ t('buttons.showAllInputs') }}</v-btn>
  </div>
  <p class="caption px-2 pt-2.5 pb-0">
    <RichMessage message="buttons.typeOrPressToEditACell">
      <template v-for="(legend, name) in KEYS" :key="name" #[name]
        ><v-kbd>{{ legend }}</v-kbd></template
      >
    </RichMessage>
  </p>
</template>

<style scoped>
.head > span {
  overflow: hidden;
  padding: 4px 8px 6px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.layer-head strong {
  color: var(--layer);
  font-size: 0.93rem;
}

.layer-head.now {
  box-shadow: inset 0 -3px 0 var(--layer);
}

/* Number and name of an input stay visible while its layers scroll. */
:deep(.stays) {
  position: sticky;
  z-index: 1;
  display: flex;
  align-items: center;
  padding: 4px 8px;
  background: var(--paper-low);
}
</style>
