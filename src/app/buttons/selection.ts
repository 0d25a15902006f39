import { ref, type ComputedRef } from 'vue'
import { itemAt } from '../../core/base/items'
import type { DeviceInput } from '../../core/device/model'

/** A cell of the sheet: an input on a layer. */
export interface CellPlace {
  layer: number
  input: string
}

export const cellKey = ({ layer, input }: CellPlace): string => `${input} ${layer}`
export const sameCell = (a: CellPlace | undefined, b: CellPlace): boolean =>
  a?.layer === b.layer && a.input === b.input

/**
 * The edited layer, the open cell and the selected cells, as in a spreadsheet.
 *
 * @param rows the visible inputs, in order
 */
export function useSelection(rows: ComputedRef<readonly DeviceInput[]> | { value: readonly DeviceInput[] }) {
  const layer = ref(0)
  const open = ref<CellPlace>()
  const cursor = ref<CellPlace>()
  const anchor = ref<CellPlace>()
  const selected = ref<CellPlace[]>([])
  /** Whether arrow keys and clicks extend the selection without Shift or Ctrl, for people who cannot hold them. */
  const selectsMore = ref(false)

  function select(place: CellPlace): void {
    anchor.value = cursor.value = place
    selected.value = [place]
    layer.value = place.layer
  }

  function openCell(place: CellPlace | undefined): void {
    open.value = place
    if (place) select(place)
  }

  function chooseLayer(index: number): void {
    open.value = undefined
    layer.value = index
  }

  function toggle(place: CellPlace): void {
    const others = selected.value.filter((each) => !sameCell(each, place))
    selected.value = others.length < selected.value.length ? others : [...selected.value, place]
    anchor.value = cursor.value = place
  }

  /** All cells between the start of a selection and a cell, in the order of the sheet. */
  function extendTo(place: CellPlace): void {
    const from = anchor.value ?? place
    const index = (id: string) => rows.value.findIndex((input) => input.id === id)
    selected.value = between(index(from.input), index(place.input)).flatMap((row) =>
      between(from.layer, place.layer).map((column) => ({
        layer: column,
        input: itemAt(rows.value, row).id,
      })),
    )
    cursor.value = place
  }

  /** If the profile has fewer layers, the selection keeps the existing cells. */
  function keepWithin(layers: number): void {
    layer.value = Math.min(layer.value, layers - 1)
    const there = (place: CellPlace | undefined) => (place && place.layer < layers ? place : undefined)
    open.value = there(open.value)
    cursor.value = there(cursor.value)
    selected.value = selected.value.filter(there)
  }

  return {
    layer,
    open,
    cursor,
    selected,
    selectsMore,
    select,
    openCell,
    chooseLayer,
    toggle,
    extendTo,
    keepWithin,
  }
}

const between = (a: number, b: number): number[] =>
  Array.from({ length: Math.abs(a - b) + 1 }, (_, step) => Math.min(a, b) + step)
