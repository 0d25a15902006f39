import type { Ref } from 'vue'
import type { DeviceInput } from '../../core/device/model'
import type { ActionContext } from '../../core/text/action-text'
import { parseCell } from '../../core/text/cell-text'
import type { Cell } from '../../core/document/edits'
import type { Binding, Layer } from '../../core/document/schema'
import type { Macro } from '../../core/document/macro'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import type { EditName } from '../stores/edit-words'
import type { CellPlace } from './selection'

interface ClipboardSource {
  context: Readonly<Ref<ActionContext | undefined>>
  layers: Readonly<Ref<readonly Layer[]>>
  rows: Readonly<Ref<readonly DeviceInput[]>>
  layer: Ref<number>
  cursor: Ref<CellPlace | undefined>
  selected: Ref<CellPlace[]>
  textAt(place: CellPlace): string
  nameOf(place: CellPlace): string
  select(place: CellPlace): void
  editOrSay(label: EditName, cells: readonly Cell[]): void
}

/** Cells as text: copied and pasted as a spreadsheet does it, or dragged from one place to another. */
export function useCellClipboard(source: ClipboardSource) {
  const { context, layers, rows, selected } = source
  const notices = useNotices()
  const macros = useMacros()

  /** Selected cells: a line a row, a tab between layers. */
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

  /** Lines go down from the cursor, tabs to the layers on its right; a single cell fills all that are selected. */
  function paste(text: string): void {
    const grid = text
      .replace(/\r?\n$/, '')
      .split(/\r?\n/)
      .map((line) => line.split('\t'))
    const places = placesFor(grid)
    const outside = places.some(({ place }) => place.input === '' || !layers.value[place.layer])
    if (outside) {
      const columns = Math.max(...grid.map((line) => line.length))
      return notices.trouble(
        `Nothing was pasted: ${grid.length} rows by ${columns} do not fit below and beside this cell`,
      )
    }
    const cells: Cell[] = []
    const makes: (Macro | undefined)[] = []
    for (const { place, text: typed } of places) {
      const read = readCell(typed)
      if ('problem' in read) return notices.trouble(`Nothing was pasted: ${read.problem}`)
      cells.push({ ...place, put: read.put })
      makes.push(read.makes)
    }
    void macros.making(makes, () => source.editOrSay(['paste', { cells: cells.length }], cells))
  }

  function placesFor(grid: string[][]): { place: CellPlace; text: string }[] {
    const start = source.cursor.value
    if (!start) return []
    if (grid.length === 1 && grid[0].length === 1)
      return selected.value.map((place) => ({ place, text: grid[0][0] }))
    const from = rows.value.findIndex(({ id }) => id === start.input)
    return grid.flatMap((line, down) =>
      line.map((text, right) => ({
        place: { layer: start.layer + right, input: rows.value[from + down]?.id ?? '' },
        text,
      })),
    )
  }

  function readCell(typed: string): { put: Binding | undefined; makes?: Macro } | { problem: string } {
    if (!context.value) return { problem: 'no profile is open' }
    const parsed = parseCell(typed, context.value)
    if ('problem' in parsed) return parsed
    if ('clear' in parsed) return { put: undefined }
    return { put: { action: parsed.action, ...(parsed.name && { name: parsed.name }) }, makes: parsed.makes }
  }

  /** What was dragged onto an input comes to the layer that is edited. */
  function drop(text: string, input: string, onto = source.layer.value): void {
    const read = readCell(text)
    if ('problem' in read) return notices.trouble(`${read.problem}. Nothing was changed.`)
    const place = { layer: onto, input }
    void macros.making([read.makes], () => {
      source.editOrSay(['drop', { cell: source.nameOf(place) }], [{ ...place, put: read.put }])
      source.select(place)
    })
  }

  return { copyText, paste, drop }
}
