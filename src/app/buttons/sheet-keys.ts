import { t } from '../../messages/page'
import { clamp } from '../../core/base/numbers'
import { nextTick, type Ref } from 'vue'
import { itemAt } from '../../core/base/items'
import type { DeviceInput } from '../../core/device/model'
import { matchesShortcut } from '../shared/command-keys'
import { useNotifications } from '../stores/notifications'
import type { ButtonsView, CellPlace } from './buttons-view'
import { cellKey } from './selection'

const MOVES: Record<string, [down: number, right: number] | undefined> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

/** Number of rows for Page Up and Page Down. */
const PAGE_ROWS = 10

/**
 * The cell an event of the sheet belongs to: the cell that has the focus for keys, the cell under the pointer for clicks
 * and drops. A field in the sheet keeps its own keys, copy and paste.
 */
export function cellOfEvent({ target }: Event, how: 'focused' | 'around' = 'focused'): CellPlace | undefined {
  if (!(target instanceof HTMLElement)) return undefined
  const cell = how === 'focused' ? target : target.closest<HTMLElement>('[data-cell]')
  const key = cell?.dataset.cell
  const at = key?.lastIndexOf(' ') ?? -1
  return key === undefined || at < 0
    ? undefined
    : { input: key.slice(0, at), layer: Number(key.slice(at + 1)) }
}

/**
 * Keyboard and clipboard of the binding sheet, as in a spreadsheet: move to a cell, edit, clear, fill, copy and paste
 * it.
 *
 * @param grid the element of the sheet
 * @param open opens the editor of a cell, with the typed text
 * @param carryTo binds the carried action
 */
export function useSheetKeys(
  work: ButtonsView,
  grid: Readonly<Ref<HTMLElement | null>>,
  { open, carryTo }: { open: (place: CellPlace, text?: string) => void; carryTo: (place: CellPlace) => void },
) {
  const notices = useNotifications()

  async function focusCell(place: CellPlace): Promise<void> {
    await nextTick()
    const cell = grid.value?.querySelector<HTMLElement>(`[data-cell="${cellKey(place)}"]`)
    cell?.focus({ preventScroll: true })
    cell?.scrollIntoView({ block: 'nearest' })
  }

  function goTo(place: CellPlace, extend: boolean): void {
    if (extend || work.selectsMore) work.extendTo(place)
    else work.select(place)
    void focusCell(place)
  }

  /** The input a number of rows below, or undefined beyond the ends. */
  function rowFrom({ input }: CellPlace, down: number): string | undefined {
    const { rows } = work
    const row: DeviceInput | undefined = rows[rows.findIndex(({ id }) => id === input) + down]
    return row?.id
  }

  function moveCursor(from: CellPlace, [down, right]: [number, number], extend: boolean): void {
    const input = rowFrom(from, down)
    const layer = from.layer + right
    if (input && work.layers[layer]) goTo({ layer, input }, extend)
  }

  /** Home and End move along the row, with Ctrl to the corners; Page Up and Page Down move by ten rows. */
  function farFrom({ input, layer }: CellPlace, key: string, command: boolean): CellPlace | undefined {
    const { rows, layers } = work
    const at = rows.findIndex(({ id }) => id === input)
    const place = (row: number, column: number) => ({
      input: itemAt(rows, clamp(row, 0, rows.length - 1)).id,
      layer: column,
    })
    if (key === 'Home') return place(command ? 0 : at, 0)
    if (key === 'End') return place(command ? rows.length : at, layers.length - 1)
    if (key === 'PageUp') return place(at - PAGE_ROWS, layer)
    return key === 'PageDown' ? place(at + PAGE_ROWS, layer) : undefined
  }

  function selectAll(): void {
    const { rows, layers } = work
    work.select({ layer: 0, input: itemAt(rows, 0).id })
    work.extendTo({ layer: layers.length - 1, input: itemAt(rows, rows.length - 1).id })
  }

  function keydown(event: KeyboardEvent): void {
    const place = cellOfEvent(event)
    if (!place) return
    const command = event.ctrlKey || event.metaKey
    const move = MOVES[event.key]
    const far = farFrom(place, event.key, command)
    if (far) goTo(far, event.shiftKey)
    else if (move) moveCursor(place, move, event.shiftKey)
    else if (event.key === 'Enter' && work.carrying !== undefined) carryTo(place)
    else if (matchesShortcut(event, 'cell.edit')) open(place)
    else if (matchesShortcut(event, 'cell.clear')) work.clear(work.selected)
    else if (event.key === 'Escape') {
      work.setSelectsMore(false)
      work.select(place)
    } else if (matchesShortcut(event, 'cell.more')) work.setSelectsMore(!work.selectsMore)
    else if (matchesShortcut(event, 'cell.fill')) work.fillSelected()
    else if (matchesShortcut(event, 'cell.all')) selectAll()
    else if (!command && !event.altKey && event.key.length === 1) open(place, event.key)
    else return
    event.preventDefault()
  }

  function copy(event: ClipboardEvent): void {
    if (!cellOfEvent(event) || !event.clipboardData) return
    event.preventDefault()
    event.clipboardData.setData('text/plain', work.copyText())
    const { length } = work.selected
    notices.say(t('buttons.oneCellWasCopiedAsText', { count: length }))
    if (event.type === 'cut') work.clear(work.selected)
  }

  function paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain')
    if (!cellOfEvent(event) || !text) return
    event.preventDefault()
    work.paste(text)
  }

  return { focusCell, goTo, rowFrom, keydown, copy, paste }
}
