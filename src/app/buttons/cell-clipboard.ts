import type { MessageFact } from '../../core/message/message'
import { t, textOf } from '../../messages/page'
import { shallowRef, type Ref } from 'vue'
import { itemAt } from '../../core/base/items'
import type { DeviceInput } from '../../core/device/model'
import type { ActionContext } from '../../core/text/context'
import { parseCell } from '../../core/text/cell-text'
import type { Cell } from '../../core/edits/edits'
import type { Binding, Layer } from '../../core/document/schema'
import type { Macro } from '../../core/document/macro'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import type { EditName } from '../stores/edit-texts'
import { cellKey, type CellPlace } from './selection'

interface ClipboardSource {
  context: Readonly<Ref<ActionContext | undefined>>
  layers: Readonly<Ref<readonly Layer[]>>
  rows: Readonly<Ref<readonly DeviceInput[]>>
  layer: Ref<number>
  cursor: Ref<CellPlace | undefined>
  selected: Ref<CellPlace[]>
  textAt(place: CellPlace): string
  nameOf(place: CellPlace): MessageFact
  select(place: CellPlace): void
  editOrSay(label: EditName, cells: readonly Cell[]): void
}

interface PastedCell {
  place: CellPlace
  text: string
}
const isEmpty = ({ text }: PastedCell): boolean => text.trim() === ''

/** Cells as text: copied and pasted like in a spreadsheet, or dragged to another place. */
export function useCellClipboard(source: ClipboardSource) {
  const { context, layers, rows, selected } = source
  const notices = useNotifications()
  const macros = useMacros()
  /** A pasted block with empty cells, until the person decides whether they clear. */
  const asking = shallowRef<readonly PastedCell[]>()
  /** The cell whose pasted text could not be parsed, until the next paste. */
  const bad = shallowRef<string>()

  /** Selected cells: one line per row, tabs between layers. */
  function copyText(): string {
    const inputs = rows.value.filter(({ id }) => selected.value.some(({ input }) => input === id))
    const line = ({ id }: DeviceInput) =>
      selected.value
        .filter(({ input }) => input === id)
        .sort((a, b) => a.layer - b.layer)
        .map(source.textAt)
        .join('\t')
    return inputs.map(line).join('\n')
  }

  /** Lines continue below the cursor, tabs on the layers to its right; a single cell fills all selected ones. */
  function paste(text: string): void {
    const grid = text
      .replace(/\r?\n$/, '')
      .split(/\r?\n/)
      .map((line) => line.split('\t'))
    const places = placesFor(grid)
    const outside = places.some(({ place }) => place.input === '' || !layers.value[place.layer])
    if (outside) {
      const columns = Math.max(...grid.map((line) => line.length))
      return notices.refuse(t('buttons.nothingWasPastedRowsAndColumnsDo', { count: grid.length, columns }))
    }
    if (places.length > 1 && places.some(isEmpty)) asking.value = places
    else put(places)
  }

  /** The decision about empty cells of a pasted block. */
  function settleEmpty(answer: 'skip' | 'clear' | 'cancel'): void {
    const { value: places = [] } = asking
    asking.value = undefined
    if (answer === 'cancel') return
    put(answer === 'skip' ? places.filter((place) => !isEmpty(place)) : places)
  }

  function put(places: readonly PastedCell[]): void {
    const cells: Cell[] = []
    const makes: (Macro | undefined)[] = []
    bad.value = undefined
    for (const pasted of places) {
      const { place, text } = pasted
      const read = isEmpty(pasted) && places.length > 1 ? { put: undefined } : readCell(text)
      if ('problem' in read) {
        bad.value = cellKey(place)
        const words = t('buttons.nothingWasPastedInTheCellFor', {
          name: source.nameOf(place),
          text,
          problem: textOf(read.problem),
        })
        return notices.refuse(words, () => bad.value !== undefined)
      }
      cells.push({ ...place, put: read.put })
      makes.push('makes' in read ? read.makes : undefined)
    }
    void macros.making(makes, () => source.editOrSay(['paste', { cells: cells.length }], cells))
  }

  function placesFor(grid: string[][]): PastedCell[] {
    const start = source.cursor.value
    if (!start) return []
    if (grid.length === 1 && itemAt(grid, 0).length === 1)
      return selected.value.map((place) => ({ place, text: itemAt(itemAt(grid, 0), 0) }))
    const from = rows.value.findIndex(({ id }) => id === start.input)
    return grid.flatMap((line, down) =>
      line.map((text, right) => ({
        place: { layer: start.layer + right, input: rows.value[from + down]?.id ?? '' },
        text,
      })),
    )
  }

  function readCell(typed: string): { put: Binding | undefined; makes?: Macro } | { problem: MessageFact } {
    if (!context.value) return { problem: t('buttons.noProfileIsOpen') }
    const parsed = parseCell(typed, context.value)
    if ('problem' in parsed) return parsed
    if ('clear' in parsed) return { put: undefined }
    return { put: { action: parsed.action, ...(parsed.name && { name: parsed.name }) }, makes: parsed.makes }
  }

  /** A text dragged onto an input is bound on the edited layer. */
  function drop(text: string, input: string, onto = source.layer.value): void {
    const read = readCell(text)
    if ('problem' in read)
      return notices.trouble(t('buttons.nothingWasChanged', { problem: textOf(read.problem) }))
    const place = { layer: onto, input }
    void macros.making([read.makes], () => {
      source.editOrSay(['drop', { cell: source.nameOf(place) }], [{ ...place, put: read.put }])
      source.select(place)
    })
  }

  return { asking, bad, copyText, paste, settleEmpty, drop }
}
