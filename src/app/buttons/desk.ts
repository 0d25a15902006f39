import { computed, reactive, ref, watch } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import { actionText, contextOf } from '../../core/profile/action-text'
import { cellText, parseCell } from '../../core/profile/cell-text'
import { bindAll, setWords, swap, type Cell } from '../../core/profile/edits'
import { keysOfLayer } from '../../core/profile/layer-edits'
import { bindingOn, differsFromFactory, factoryAction } from '../../core/profile/profile'
import type { Action, Binding } from '../../core/profile/schema'
import { usePending } from '../composables/pending'
import { useEditor } from '../stores/editor'
import { useNotices } from '../stores/notices'
import { matchesFilter } from './filter'

/** A cell of the sheet: an input on a layer. */
export interface CellPlace {
  layer: number
  input: string
}

export const cellKey = ({ layer, input }: CellPlace): string => `${input} ${layer}`
const sameCell = (a: CellPlace | undefined, b: CellPlace): boolean => a?.layer === b.layer && a.input === b.input

/** Above this many inputs the sheet begins with those that differ from the factory, in groups. */
const MANY_INPUTS = 30

/**
 * What the drawing and the sheet of the Buttons view share: the layer that is edited, the cell that is open, the
 * cells that are selected, and everything that is done to them.
 */
export function useButtonsDesk() {
  const editor = useEditor()
  const notices = useNotices()
  const { edits, device } = usePending()

  const profile = computed(() => editor.profile)
  const model = computed(() => editor.model)
  const context = computed(() =>
    profile.value && model.value ? contextOf(profile.value, model.value) : undefined,
  )
  const layers = computed(() => profile.value?.layers ?? [])
  const layer = ref(0)
  const open = ref<CellPlace>()
  const cursor = ref<CellPlace>()
  const anchor = ref<CellPlace>()
  const selected = ref<CellPlace[]>([])
  const hovered = ref<string>()
  const many = computed(() => (model.value?.inputs.length ?? 0) > MANY_INPUTS)
  const filter = reactive({ text: '', changedOnly: false })
  watch(many, (now) => (filter.changedOnly = now), { immediate: true })
  watch(
    () => layers.value.length,
    (count) => {
      layer.value = Math.min(layer.value, count - 1)
      if (open.value && open.value.layer >= count) open.value = undefined
      selected.value = selected.value.filter((each) => each.layer < count)
      if (cursor.value && cursor.value.layer >= count) cursor.value = undefined
    },
  )

  /** A binding as it stands on one layer; on the base layer the factory's where there is none. */
  function bindingAt({ layer: index, input: id }: CellPlace): Binding | undefined {
    const own = profile.value && bindingOn(profile.value, index, id)
    const input = model.value?.inputs.find((each) => each.id === id)
    return own ?? (index === 0 && input ? { action: factoryAction(input) } : undefined)
  }
  const textAt = (place: CellPlace): string => (context.value ? cellText(bindingAt(place), context.value) : '')

  const pending = computed(
    () => new Set(edits.value.flatMap(({ at }) => (at ? [cellKey(at)] : []))),
  )
  const isChanged = ({ id }: DeviceInput) =>
    profile.value !== undefined && model.value !== undefined && differsFromFactory(profile.value, model.value, id)
  const rows = computed(() =>
    (model.value?.inputs ?? []).filter((input) => {
      const kept = open.value?.input === input.id || cursor.value?.input === input.id
      if (kept) return true
      if (filter.changedOnly && filter.text === '' && !isChanged(input)) return false
      const texts = layers.value.map((_, index) => textAt({ layer: index, input: input.id }))
      return matchesFilter(filter.text, [String(input.number), input.name, ...texts])
    }),
  )
  const hiddenCount = computed(() => (model.value?.inputs.length ?? 0) - rows.value.length)

  /** How a layer comes on, in words: `while Side, rear is held`. */
  function reach(index: number): string {
    if (index === 0) return 'always'
    if (!profile.value || !model.value) return ''
    const { signal } = layers.value[index]
    const keys = keysOfLayer(profile.value, model.value, index)
    const name = (id: string) => model.value?.inputs.find((input) => input.id === id)?.name ?? id
    const held = keys.filter(({ how }) => how === 'hold').map(({ inputId }) => name(inputId))
    const switched = keys.filter(({ how }) => how === 'switch').map(({ inputId }) => name(inputId))
    const ways = [
      ...(held.length ? [`while ${held.join(' or ')} is held`] : []),
      ...(switched.length ? [`switched by ${switched.join(' or ')}`] : []),
      ...(signal ? [`with signal ${signal} over the receiver`] : []),
    ]
    return ways.join(', ') || 'nothing leads here yet'
  }

  function openCell(place: CellPlace | undefined): void {
    open.value = place
    if (place) select(place)
  }

  /** From the drawing: the input on the layer that is edited. */
  const openInput = (input: string) => openCell({ layer: layer.value, input })

  function select(place: CellPlace): void {
    anchor.value = cursor.value = place
    selected.value = [place]
    layer.value = place.layer
  }

  function toggle(place: CellPlace): void {
    const there = selected.value.some((each) => sameCell(each, place))
    selected.value = there
      ? selected.value.filter((each) => !sameCell(each, place))
      : [...selected.value, place]
    anchor.value = cursor.value = place
  }

  /** Everything between where a selection began and a cell, as rows and layers stand on the sheet. */
  function extendTo(place: CellPlace): void {
    const from = anchor.value ?? place
    const index = (id: string) => rows.value.findIndex((input) => input.id === id)
    const between = (a: number, b: number) =>
      Array.from({ length: Math.abs(a - b) + 1 }, (_, step) => Math.min(a, b) + step)
    selected.value = between(index(from.input), index(place.input)).flatMap((row) =>
      between(from.layer, place.layer).map((column) => ({ layer: column, input: rows.value[row].id })),
    )
    cursor.value = place
  }

  function edit(label: string, cells: readonly Cell[]): string | undefined {
    const { value: now } = model
    return now && editor.edit(label, (current) => bindAll(current, now, cells))
  }

  /** The same with the reason said at the foot of the window. */
  function editOrSay(label: string, cells: readonly Cell[]): void {
    const reason = edit(label, cells)
    if (reason) notices.trouble(reason)
  }

  const nameOf = ({ input, layer: index }: CellPlace): string => {
    const name = model.value?.inputs.find(({ id }) => id === input)?.name ?? input
    return index === 0 ? name : `${name} in ${layers.value[index]?.name}`
  }

  /** Puts an action at a cell; `name` undefined keeps the in-game name. @returns why not, if it was refused */
  function put(place: CellPlace, action: Action, name?: string): string | undefined {
    const note = bindingAt(place)?.note
    const what = name === undefined ? action : { action, name, ...(note && { note }) }
    const words = context.value ? actionText(action, context.value) : ''
    return edit(`${nameOf(place)} to ${words}`, [{ ...place, put: what }])
  }

  function setName(place: CellPlace, words: { name?: string; note?: string }): string | undefined {
    const { value: now } = model
    return now && editor.edit(`words of ${nameOf(place)}`, (current) => setWords(current, now, place.layer, place.input, words))
  }

  const clear = (places: readonly CellPlace[]) =>
    editOrSay(places.length === 1 ? `clear ${nameOf(places[0])}` : `clear ${places.length} cells`, [
      ...places.map((place) => ({ ...place, put: undefined })),
    ])

  /** The binding of the first selected cell goes to all of them. */
  function fill(): void {
    const [first] = selected.value
    if (first) {
      const binding = bindingAt(first)
      editOrSay(`fill ${selected.value.length} cells`, selected.value.map((place) => ({ ...place, put: binding })))
    }
  }

  function swapSelected(): void {
    const [first, second] = selected.value
    const { value: now } = model
    if (!now || !first || !second) return
    const reason = editor.edit(`swap ${nameOf(first)} and ${nameOf(second)}`, (current) =>
      swap(current, now, first, second),
    )
    if (reason) notices.trouble(reason)
  }

  /** Every layer of the selected inputs as the factory has it. */
  function reset(): void {
    const inputs = [...new Set(selected.value.map(({ input }) => input))]
    const cells = inputs.flatMap((input) => layers.value.map((_, index) => ({ layer: index, input, put: undefined })))
    editOrSay(`reset ${inputs.length} inputs`, cells)
  }

  /** Selected cells as a spreadsheet has them: a line a row, a tab between layers. */
  function copyText(): string {
    const inputs = rows.value.filter(({ id }) => selected.value.some(({ input }) => input === id))
    return inputs
      .map(({ id }) =>
        selected.value
          .filter(({ input }) => input === id)
          .sort((a, b) => a.layer - b.layer)
          .map(textAt)
          .join('\t'),
      )
      .join('\n')
  }

  /** Lines go down from the cursor, tabs to the layers on its right; a single cell fills all that are selected. */
  function paste(text: string): void {
    const start = cursor.value
    if (!start || !context.value) return
    const grid = text.replace(/\r?\n$/, '').split(/\r?\n/).map((line) => line.split('\t'))
    const single = grid.length === 1 && grid[0].length === 1
    const from = rows.value.findIndex(({ id }) => id === start.input)
    const places = single
      ? selected.value.map((place) => ({ place, text: grid[0][0] }))
      : grid.flatMap((line, down) =>
          line.map((each, right) => ({
            place: { layer: start.layer + right, input: rows.value[from + down]?.id ?? '' },
            text: each,
          })),
        )
    const outside = places.some(({ place }) => place.input === '' || !layers.value[place.layer])
    if (outside) {
      const columns = Math.max(...grid.map((line) => line.length))
      return notices.trouble(
        `Nothing was pasted: ${grid.length} rows by ${columns} do not fit below and beside this cell`,
      )
    }
    const cells: Cell[] = []
    for (const { place, text: typed } of places) {
      const parsed = parseCell(typed, context.value)
      if ('problem' in parsed) return notices.trouble(`Nothing was pasted: ${parsed.problem}`)
      const put = 'clear' in parsed ? undefined : { action: parsed.action, ...(parsed.name && { name: parsed.name }) }
      cells.push({ ...place, put })
    }
    editOrSay(cells.length === 1 ? 'paste' : `paste ${cells.length} cells`, cells)
  }

  /** What was dragged onto an input comes to the layer that is edited. */
  function drop(text: string, input: string, onto = layer.value): void {
    if (!context.value) return
    const parsed = parseCell(text, context.value)
    if ('problem' in parsed) return notices.trouble(`${parsed.problem}. Nothing was changed.`)
    const put = 'clear' in parsed ? undefined : { action: parsed.action, ...(parsed.name && { name: parsed.name }) }
    editOrSay(`drop on ${nameOf({ layer: onto, input })}`, [{ layer: onto, input, put }])
    select({ layer: onto, input })
  }

  return reactive({
    ...{ profile, model, context, device, layers, layer, open, cursor, selected, hovered, many, filter },
    ...{ rows, hiddenCount, pending, bindingAt, textAt, reach, nameOf, isChanged },
    ...{ openCell, openInput, select, toggle, extendTo, put, setName, clear, fill, swapSelected, reset },
    ...{ copyText, paste, drop },
  })
}

export type ButtonsDesk = ReturnType<typeof useButtonsDesk>
