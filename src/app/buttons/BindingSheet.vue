<script setup lang="ts">
import { itemAt } from '../../core/base/items'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import type { ActionContext } from '../../core/text/context'
import { pressed } from '../shared/command-keys'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import EmptyCellsDialog from './EmptyCellsDialog.vue'
import ActionEntry from './ActionEntry.vue'
import { cellKey, type ButtonsWork, type CellPlace } from './work'
import { halfTypedIn } from './half-typed'
import SheetCell from './SheetCell.vue'
import { announce } from '../../look/announce'

/** What every input does on every layer: a row an input, a column a layer, edited where it stands. */
const props = defineProps<{ work: ButtonsWork; context: ActionContext }>()
const notices = useNotices()
const grid = useTemplateRef<HTMLElement>('grid')
/** What was typed onto a cell before its field was there. */
const begun = ref<string>()

const groups = computed(() => {
  const found = new Map<string, DeviceInput[]>()
  for (const input of props.work.rows) {
    const group = props.work.many ? (input.group ?? '') : ''
    found.set(group, [...(found.get(group) ?? []), input])
  }
  return [...found]
})
const columns = computed(
  () => `30px minmax(92px, 0.8fr) repeat(${props.work.layers.length}, minmax(112px, 1fr))`,
)
const isOpen = (input: DeviceInput) => props.work.open?.input === input.id
const focusable = (place: CellPlace) =>
  props.work.cursor
    ? cellKey(props.work.cursor) === cellKey(place)
    : place.layer === props.work.layer && place.input === props.work.rows[0]?.id

async function focusCell(place: CellPlace): Promise<void> {
  await nextTick()
  const cell = grid.value?.querySelector<HTMLElement>(`[data-cell="${cellKey(place)}"]`)
  cell?.focus({ preventScroll: true })
  cell?.scrollIntoView({ block: 'nearest' })
}

function pick(place: CellPlace, event: MouseEvent): void {
  if (props.work.carrying !== undefined) carryTo(place)
  else if (event.shiftKey) props.work.extendTo(place)
  else if (event.ctrlKey || event.metaKey || props.work.selectsMore) props.work.toggle(place)
  else open(props.work.open && cellKey(props.work.open) === cellKey(place) ? undefined : place)
  if (!props.work.open) void focusCell(place)
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
  (count) => count > 1 && announce(`${count} cells selected`),
)
watch(
  () => props.work.selectsMore,
  (on) => announce(on ? 'Arrow keys and clicks select more cells' : 'Arrow keys and clicks select one cell'),
)

/** The layer that is chosen is in sight, where not all are. */
watch(
  () => props.work.layer,
  () => grid.value?.querySelector('.now')?.scrollIntoView({ block: 'nearest', inline: 'nearest' }),
  { flush: 'post', immediate: true },
)

/** The row and as much of its editor as there is room for, the row in any case. */
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
  const half = halfTypedIn(editor.openId)
  if (
    half &&
    props.work.layers[half.place.layer] &&
    props.work.rows.some(({ id }) => id === half.place.input)
  )
    open(half.place, half.text)
})

/** The input so many rows on, or undefined past the ends. */
function rowFrom({ input }: CellPlace, down: number): string | undefined {
  const { rows } = props.work
  const row: DeviceInput | undefined = rows[rows.findIndex(({ id }) => id === input) + down]
  return row?.id
}

function step(by: 1 | -1): void {
  const { open: place } = props.work
  const input = place && rowFrom(place, by)
  if (place && input) open({ ...place, input })
}

/** What was put into a cell by Enter, for who cannot see it there. */
const said = ref('')
/** As in a spreadsheet: the cell below is chosen, at the bottom the same one. */
function next(what: string): void {
  const { open: place } = props.work
  if (!place) return
  said.value = what
  props.work.openCell(undefined)
  goTo({ ...place, input: rowFrom(place, 1) ?? place.input }, false)
}

/** The focus selects, unless it came by a click, which has its own say in that. */
const byPointer = ref(false)
function focused(event: FocusEvent): void {
  const place = byPointer.value ? undefined : placeOf(event)
  if (place && !props.work.selected.some((each) => cellKey(each) === cellKey(place))) props.work.select(place)
}

const MOVES: Record<string, [down: number, right: number] | undefined> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

function keydown(event: KeyboardEvent): void {
  const place = placeOf(event)
  if (!place) return
  const command = event.ctrlKey || event.metaKey
  const move = MOVES[event.key]
  const far = farFrom(place, event.key, command)
  if (far) goTo(far, event.shiftKey)
  else if (move) moveCursor(place, move, event.shiftKey)
  else if (event.key === 'Enter' && props.work.carrying !== undefined) carryTo(place)
  else if (pressed(event, 'cell.edit')) open(place)
  else if (pressed(event, 'cell.clear')) props.work.clear(props.work.selected)
  else if (event.key === 'Escape') {
    props.work.setSelectsMore(false)
    props.work.select(place)
  } else if (pressed(event, 'cell.more')) props.work.setSelectsMore(!props.work.selectsMore)
  else if (pressed(event, 'cell.fill')) props.work.fillSelected()
  else if (pressed(event, 'cell.all')) {
    const { rows, layers } = props.work
    props.work.select({ layer: 0, input: itemAt(rows, 0).id })
    props.work.extendTo({ layer: layers.length - 1, input: itemAt(rows, rows.length - 1).id })
  } else if (!command && !event.altKey && event.key.length === 1) open(place, event.key)
  else return
  event.preventDefault()
}

function moveCursor(from: CellPlace, [down, right]: [number, number], extend: boolean): void {
  const input = rowFrom(from, down)
  const layer = from.layer + right
  if (input && props.work.layers[layer]) goTo({ layer, input }, extend)
}

/** Rows that Page Up and Page Down pass over. */
const PAGE_ROWS = 10

/** Home and End go along the row, with Ctrl to the corners; the pages a screenful up and down. */
function farFrom({ input, layer }: CellPlace, key: string, command: boolean): CellPlace | undefined {
  const { rows, layers } = props.work
  const at = rows.findIndex(({ id }) => id === input)
  const place = (row: number, column: number) => ({
    input: itemAt(rows, Math.max(0, Math.min(rows.length - 1, row))).id,
    layer: column,
  })
  if (key === 'Home') return place(command ? 0 : at, 0)
  if (key === 'End') return place(command ? rows.length : at, layers.length - 1)
  if (key === 'PageUp') return place(at - PAGE_ROWS, layer)
  return key === 'PageDown' ? place(at + PAGE_ROWS, layer) : undefined
}

function goTo(place: CellPlace, extend: boolean): void {
  if (extend || props.work.selectsMore) props.work.extendTo(place)
  else props.work.select(place)
  void focusCell(place)
}

/** The cell that has the focus; a field in the sheet keeps its own keys, copy and paste. */
function placeOf({ target }: Event): CellPlace | undefined {
  const key = target instanceof HTMLElement ? target.dataset.cell : undefined
  const at = key?.lastIndexOf(' ') ?? -1
  return key === undefined || at < 0
    ? undefined
    : { input: key.slice(0, at), layer: Number(key.slice(at + 1)) }
}

function copy(event: ClipboardEvent): void {
  if (!placeOf(event) || !event.clipboardData) return
  event.preventDefault()
  event.clipboardData.setData('text/plain', props.work.copyText())
  const { length } = props.work.selected
  notices.say(`${length === 1 ? 'One cell is' : `${length} cells are`} on the clipboard, as text`)
  if (event.type === 'cut') props.work.clear(props.work.selected)
}

function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain')
  if (!placeOf(event) || !text) return
  event.preventDefault()
  props.work.paste(text)
}

function drop(place: CellPlace, event: DragEvent): void {
  const text = event.dataTransfer?.getData('text/plain')
  if (text) props.work.drop(text, place.input, place.layer)
}
</script>

<template>
  <div
    ref="grid"
    role="grid"
    aria-label="Binding sheet"
    aria-multiselectable="true"
    class="w-min min-w-full"
    :style="{ '--columns': columns }"
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
        <span role="columnheader" class="stays left-0"><span class="visually-hidden">Number</span></span>
        <span role="columnheader" class="stays left-7.5">Input</span>
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
      <template v-for="input in inputs" :key="input.id">
        <div
          role="row"
          class="row grid scroll-mt-9 grid-cols-[var(--columns)] border-b border-line"
          :class="{ hovered: work.hovered === input.id, open: isOpen(input) }"
          :data-row="input.id"
          @pointerenter="work.hover(input.id)"
          @pointerleave="work.hover(undefined)"
        >
          <span role="gridcell" class="mono stays left-0 text-ink-soft">{{ input.number }}</span>
          <span role="rowheader" class="stays left-7.5 cursor-pointer" @click="work.openInput(input.id)">{{
            input.name
          }}</span>
          <SheetCell
            v-for="(_, layer) in work.layers"
            :key="layer"
            :work="work"
            :context="context"
            :input="input"
            :layer="layer"
            :tabindex="focusable({ layer, input: input.id }) ? 0 : -1"
            @click="pick({ layer, input: input.id }, $event)"
            @dragover.prevent
            @drop.prevent="drop({ layer, input: input.id }, $event)"
          />
        </div>
        <div v-if="work.open && isOpen(input)" role="row" class="scroll-mt-9">
          <div
            role="gridcell"
            class="editor"
            :class="work.open.layer === 0 ? 'layer-base' : `layer-${work.layers[work.open.layer]?.colour}`"
          >
            <ActionEntry
              :key="cellKey(work.open)"
              :work="work"
              :place="work.open"
              :context="context"
              :begun="begun"
              @close="open(undefined)"
              @step="step"
              @next="next"
            />
          </div>
        </div>
      </template>
    </div>
  </div>
  <EmptyCellsDialog v-if="work.asking" @settle="work.settleEmpty" />
  <span class="visually-hidden" role="status">{{ said }}</span>
  <div v-if="work.rows.length === 0" class="flex items-center gap-3 px-2 py-5">
    <p class="soft">
      {{
        work.filter.text
          ? `No input, action or name contains “${work.filter.text}”.`
          : 'No inputs are changed in this profile yet.'
      }}
    </p>
    <v-btn @click="work.setFilter({ text: '', changedOnly: false })">Show all inputs</v-btn>
  </div>
  <p class="caption px-2 pt-2.5 pb-0">
    On a cell: type, or <v-kbd>Enter</v-kbd>, to edit; arrows, <v-kbd>Home</v-kbd>, <v-kbd>End</v-kbd> and the
    pages move, with <v-kbd>Shift</v-kbd> they select; <v-kbd>Ctrl C</v-kbd> <v-kbd>X</v-kbd>
    <v-kbd>V</v-kbd> as in a spreadsheet; <v-kbd>Ctrl D</v-kbd> fills; <v-kbd>Del</v-kbd> clears.
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

/* Which input it is stays in sight while layers are moved under it. */
.stays {
  position: sticky;
  z-index: 1;
  display: flex;
  align-items: center;
  padding: 4px 8px;
  background: var(--paper-low);
}

.row.hovered,
.row.hovered .stays {
  background: color-mix(in srgb, var(--binding-wash) 45%, var(--paper-low));
}

/* As wide as what is seen of the sheet. */
.editor {
  position: sticky;
  left: 0;
  width: 100cqw;
  padding: 2px 0 0 38px;
  border-bottom: 1px solid var(--line);
  background: var(--layer-wash);
  box-shadow: inset 3px 0 0 var(--layer);
}

.editor :deep(.caption) {
  color: var(--ink-soft);
}

@media (width < 1000px) {
  .editor {
    padding-left: 8px;
  }
}
</style>
