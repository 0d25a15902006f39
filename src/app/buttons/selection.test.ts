import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../../core/base/items'
import { godwit19 } from '../../core/device/models/godwit-19'
import { cellKey, useSelection, type CellPlace } from './selection'

const inputs = godwit19.inputs
const LAYERS = 4
const place = (row: number, layer: number): CellPlace => ({ input: itemAt(inputs, row).id, layer })
const anyPlace = fc
  .tuple(fc.integer({ min: 0, max: inputs.length - 1 }), fc.integer({ min: 0, max: LAYERS - 1 }))
  .map(([row, layer]) => place(row, layer))
const started = () => useSelection({ value: inputs })
const keys = (places: readonly CellPlace[]) => places.map(cellKey).sort()

describe('the selection of the sheet', () => {
  it('spans the rectangle between where it began and where it was extended to, either way round', () => {
    fc.assert(
      fc.property(anyPlace, anyPlace, anyPlace, (from, first, to) => {
        const one = started()
        one.select(from)
        one.extendTo(first)
        one.extendTo(to)
        const other = started()
        other.select(to)
        other.extendTo(from)
        expect(keys(one.selected.value)).toEqual(keys(other.selected.value))
        const row = ({ input }: CellPlace) => inputs.findIndex(({ id }) => id === input)
        const size = (Math.abs(row(from) - row(to)) + 1) * (Math.abs(from.layer - to.layer) + 1)
        expect(new Set(keys(one.selected.value)).size).toBe(size)
        expect(one.cursor.value).toEqual(to)
      }),
    )
  })

  it('takes a cell in and out again, and leaves the others', () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyPlace, { selector: cellKey, minLength: 2, maxLength: 8 }), (places) => {
        const selection = started()
        selection.select(itemAt(places, 0))
        for (const each of places.slice(1)) selection.toggle(each)
        expect(keys(selection.selected.value)).toEqual(keys(places))
        selection.toggle(itemAt(places, 1))
        expect(keys(selection.selected.value)).toEqual(keys(places.filter((each) => each !== places[1])))
      }),
    )
  })

  it('keeps what is still there when a layer goes, and edits the layer of the cell that is opened', () => {
    const selection = started()
    selection.openCell(place(3, 2))
    expect(selection.layer.value).toBe(2)
    selection.toggle(place(4, 1))
    selection.keepWithin(2)
    expect(selection.layer.value).toBe(1)
    expect(selection.open.value).toBeUndefined()
    expect(selection.selected.value).toEqual([place(4, 1)])
    selection.chooseLayer(0)
    expect(selection.layer.value).toBe(0)
  })
})
