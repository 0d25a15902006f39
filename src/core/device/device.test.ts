import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { linesCross, placeLabels, type LeaderRequest } from './leaders'
import { connectionById, inputById, slotCapacity } from './lookups'
import type { DeviceModel } from './model'
import { DEVICE_MODELS, modelById, modelByNumber } from './models'
import { tern7 } from './models/tern-7'
import { deviceModelSchema } from './schema'

const FRAME = { width: 640, height: 620, labelWidth: 116, labelHeight: 40, gap: 6 }
const anyRequest = (index: number): fc.Arbitrary<LeaderRequest> =>
  fc.record({
    id: fc.constant(`input ${index}`),
    anchor: fc.record({
      x: fc.double({ min: 0, max: 640, noNaN: true }),
      y: fc.double({ min: 0, max: 620, noNaN: true }),
    }),
    side: fc.constantFrom('left' as const, 'right' as const, 'top' as const),
  })
const anyRequests = fc
  .integer({ min: 1, max: 12 })
  .chain((count) => fc.tuple(...Array.from({ length: count }, (_, index) => anyRequest(index))))

describe('labels of a drawing', () => {
  it('never cover each other or leave the sheet, and no two of their lines cross', () => {
    fc.assert(
      fc.property(anyRequests, (requests) => {
        const boxes = placeLabels(requests, FRAME)
        expect(boxes.length).toBe(requests.length)
        for (const side of ['left', 'right'] as const) {
          const column = boxes.filter((box) => box.side === side)
          column.forEach((box, index) => {
            expect(box.y).toBeGreaterThanOrEqual(-1e-9)
            expect(box.y + FRAME.labelHeight).toBeLessThanOrEqual(FRAME.height + 1e-9)
            const above = column[index - 1]
            if (!above) return
            expect(box.y - above.y).toBeGreaterThanOrEqual(FRAME.labelHeight + FRAME.gap - 1e-6)
          })
        }
        expect(boxes.map(({ id }) => id).sort()).toEqual(requests.map(({ id }) => id).sort())
        for (const one of boxes) for (const other of boxes) expect(linesCross(one, other)).toBe(false)
      }),
    )
  })

  it('tells lines that cross from lines that touch or pass', () => {
    const line = (x1: number, y1: number, x2: number, y2: number) => ({
      from: { x: x1, y: y1 },
      anchor: { x: x2, y: y2 },
    })
    expect(linesCross(line(0, 0, 10, 10), line(0, 10, 10, 0))).toBe(true)
    expect(linesCross(line(0, 0, 10, 10), line(0, 0, 10, 0))).toBe(false)
    expect(linesCross(line(0, 0, 4, 4), line(0, 10, 10, 0))).toBe(false)
  })

  it('stand beside what they point at where there is room', () => {
    const [label] = placeLabels([{ id: 'a', anchor: { x: 300, y: 200 }, side: 'right' }], FRAME)
    expect(label).toMatchObject({ x: 640 - 116, y: 180, from: { x: 640 - 116, y: 200 } })
  })

  it('make room for each other about their middle', () => {
    const at = (id: string, y: number): LeaderRequest => ({ id, anchor: { x: 300, y }, side: 'left' })
    const boxes = placeLabels([at('a', 300), at('b', 300), at('c', 300)], FRAME)
    expect(boxes.map(({ y }) => y)).toEqual([234, 280, 326])
  })

  it('in a column begin under the row at the top', () => {
    const boxes = placeLabels(
      [
        { id: 'top', anchor: { x: 560, y: 80 }, side: 'top' },
        { id: 'right', anchor: { x: 500, y: 10 }, side: 'right' },
      ],
      FRAME,
    )
    expect(boxes.find(({ id }) => id === 'right')?.y).toBeGreaterThanOrEqual(FRAME.labelHeight)
  })
})

describe('device models', () => {
  it.each(DEVICE_MODELS.map((model) => [model.name, model] as const))(
    '%s passes its schema and is found',
    (_, model) => {
      expect(() => deviceModelSchema.validateSync(model, { strict: true })).not.toThrow()
      expect(modelById(model.id)).toBe(model)
      expect(modelByNumber(model.number)).toBe(model)
      expect(slotCapacity(model.memory)).toBeGreaterThan(0)
      for (const { leader, shapes } of model.inputs)
        expect(shapes.map(({ view }) => view)).toContain(leader.view)
    },
  )

  it.each<[string, (model: DeviceModel) => object, RegExp]>([
    [
      'two inputs of one number',
      (model) => ({ inputs: model.inputs.map((input) => ({ ...input, number: 1 })) }),
      /same number/,
    ],
    [
      'a leader to a view that is not there',
      (model) => ({ sheet: { ...model.sheet, views: model.sheet.views.slice(1) } }),
      /view the sheet does not have/,
    ],
    [
      'a mirror that does not look back',
      (model) => ({ inputs: model.inputs.map((input) => ({ ...input, mirror: 'left' })) }),
      /do not name each other/,
    ],
    ['an indicator that is no zone', () => ({ indicatorZone: 'tail' }), /indicator zone/],
    [
      'a rate off the grid',
      (model) => ({ connections: [{ ...model.connections[0], ratesHz: [130, 1000] }] }),
      /multiple of 125/,
    ],
    [
      'a factory rate it does not have',
      (model) => ({ connections: [{ ...model.connections[0], factoryRateHz: 375 }] }),
      /factory rate/,
    ],
    [
      'too little flash for a log',
      (model) => ({ memory: { ...model.memory, sectors: 6 } }),
      /three blocks more/,
    ],
    [
      'a shape that is no path',
      (model) => ({
        sheet: {
          ...model.sheet,
          views: [
            { ...model.sheet.views[0], body: { kind: 'path', d: 'url(x)' } },
            ...model.sheet.views.slice(1),
          ],
        },
      }),
      /path, line, rect or circle/,
    ],
  ])('a model with %s is refused', (_, change, reason) => {
    expect(() => deviceModelSchema.validateSync({ ...tern7, ...change(tern7) }, { strict: true })).toThrow(
      reason,
    )
  })

  it('answer for what they do not have with undefined', () => {
    expect(inputById(tern7, 'nose')).toBeUndefined()
    expect(connectionById(tern7, 'cable')?.id).toBe('cable')
    expect(modelById('nothing')).toBeUndefined()
    expect(modelByNumber(0)).toBeUndefined()
  })
})
