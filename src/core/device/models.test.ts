import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { runs } from '../base/runs.test-support'
import { breathing, factoryEffect, solid } from './factory-light'
import type { DeviceModel } from './model'
import { DEVICE_MODELS } from './models'
import { boxOf, circleShape, pathShape, rectShape, type Box } from './shapes'

/** Physical requirements that a schema cannot express; new models must meet them too. */

const EDGE_MM = 0.01
const inside = (box: Box, { widthMm, heightMm }: { widthMm: number; heightMm: number }, slackMm: number) =>
  box.x >= -slackMm &&
  box.y >= -slackMm &&
  box.x + box.width <= widthMm + slackMm &&
  box.y + box.height <= heightMm + slackMm
const overlap = (a: Box, b: Box) =>
  a.x + EDGE_MM < b.x + b.width &&
  b.x + EDGE_MM < a.x + a.width &&
  a.y + EDGE_MM < b.y + b.height &&
  b.y + EDGE_MM < a.y + a.height
const viewOf = (model: DeviceModel, id: string) => {
  const view = model.sheet.views.find((each) => each.id === id)
  if (!view) throw new Error(`${model.name} has no view ${id}`)
  return view
}

describe('the box around an outline', () => {
  it('holds it and no more', () => {
    expect(boxOf(circleShape(10, 20, 3))).toEqual({ x: 7, y: 17, width: 6, height: 6 })
    expect(boxOf(rectShape(1, 2, 3, 4, 0.5))).toMatchObject({ x: 1, y: 2, width: 3, height: 4 })
    expect(boxOf(pathShape('M28 16.4 L28 13 C28 10.8 29.4 9.6 31 9.6 L-2 16.4 Z'))).toEqual({
      x: -2,
      y: 9.6,
      width: 33,
      height: expect.closeTo(6.8, 9) as number,
    })
    expect(boxOf(pathShape('M1 2 H9 V-3 L4 0 Z'))).toEqual({ x: 1, y: -3, width: 8, height: 5 })
    const boxed = (d: string) =>
      Object.values(boxOf(pathShape(d))).map((value) => Math.round(value * 1000) / 1000)
    // The left and right halves of a circle of radius 5 around (10, 10), a quarter of it, and the other three quarters.
    expect(boxed('M10 5 A5 5 0 0 0 10 15 Z')).toEqual([5, 5, 5, 10])
    expect(boxed('M10 5 A5 5 0 0 1 10 15 Z')).toEqual([10, 5, 5, 10])
    expect(boxed('M15 10 A5 5 0 0 1 10 15')).toEqual([10, 10, 5, 5])
    expect(boxed('M15 10 A5 5 0 1 0 10 15')).toEqual([5, 5, 10, 10])
    expect(boxed('M10 15 A5 5 0 0 0 15 10')).toEqual([10, 10, 5, 5])
  })
})

describe('the box around an arc', () => {
  it('holds every point of it and touches it on each side, whichever arc of a circle it is', () => {
    const angle = fc.integer({ min: 0, max: 359 })
    const flag = fc.constantFrom(0, 1)
    fc.assert(
      fc.property(angle, fc.integer({ min: 5, max: 355 }), flag, (from, span, sweep) => {
        const radius = 7
        // A sweep is clockwise on a sheet whose y axis points down.
        const at = (degrees: number) => {
          const turn = ((from + (sweep === 1 ? degrees : -degrees)) * Math.PI) / 180
          return { x: 20 + radius * Math.cos(turn), y: 30 + radius * Math.sin(turn) }
        }
        const [begin, end] = [at(0), at(span)]
        const large = span > 180 ? 1 : 0
        if (span === 180) return
        const box = boxOf(
          pathShape(`M${begin.x} ${begin.y} A${radius} ${radius} 0 ${large} ${sweep} ${end.x} ${end.y}`),
        )
        const points = Array.from({ length: 20 * span + 1 }, (_, step) => at(step / 20))
        const wanted = [
          Math.min(...points.map(({ x }) => x)),
          Math.min(...points.map(({ y }) => y)),
          Math.max(...points.map(({ x }) => x)),
          Math.max(...points.map(({ y }) => y)),
        ]
        const found = [box.x, box.y, box.x + box.width, box.y + box.height]
        found.forEach((side, index) => expect(Math.abs(side - itemAt(wanted, index))).toBeLessThan(0.01))
      }),
      runs(60),
    )
  })
})

describe.each(DEVICE_MODELS.map((model) => [model.name, model] as const))('%s as a thing', (_, model) => {
  it('has its views on its sheet, none over another', () => {
    const { sheet } = model
    const boxes = sheet.views.map(({ at: [x, y], widthMm: width, heightMm: height }) => ({
      x,
      y,
      width,
      height,
    }))
    for (const [at, box] of boxes.entries()) {
      expect(inside(box, sheet, EDGE_MM), itemAt(sheet.views, at).id).toBe(true)
      for (const other of boxes.slice(0, at)) expect(overlap(box, other)).toBe(false)
    }
  })

  it('has each input where one can see and reach it, with its line on the input itself', () => {
    for (const { id, shapes, leader, leftHandLeader } of model.inputs) {
      expect(shapes.length, id).toBeGreaterThan(0)
      for (const { view, shape } of shapes)
        expect(inside(boxOf(shape), viewOf(model, view), 2.5), `${id} ${view}`).toBe(true)
      for (const line of [leader, leftHandLeader]) {
        if (!line) continue
        const [x, y] = line.at
        const on = shapes.some(({ view, shape }) => {
          const box = boxOf(shape)
          return (
            view === line.view &&
            x >= box.x - 1 &&
            x <= box.x + box.width + 1 &&
            y >= box.y - 1 &&
            y <= box.y + box.height + 1
          )
        })
        expect(on, `the line of ${id}`).toBe(true)
      }
    }
  })

  it('numbers its inputs from 1 on, each once, and calls each something else', () => {
    const numbers = model.inputs.map(({ number }) => number).sort((a, b) => a - b)
    expect(numbers).toEqual(numbers.map((_, at) => at + 1))
    const all = <T>(list: readonly T[]) => expect(new Set(list).size).toBe(list.length)
    all(model.inputs.map(({ id }) => id))
    all(model.inputs.map(({ name }) => name))
    all(model.zones.map(({ id }) => id))
    all(model.connections.map(({ id }) => id))
  })

  it('has inputs that are pressed apart from each other on every view', () => {
    for (const { id: view } of model.sheet.views) {
      const placed = model.inputs.flatMap(({ id, kind, shapes }) =>
        kind === 'turn'
          ? []
          : shapes.flatMap(({ view: on, shape }) =>
              on === view && shape.kind === 'rect' ? [{ id, box: boxOf(shape) }] : [],
            ),
      )
      for (const [at, one] of placed.entries())
        for (const other of placed.slice(0, at))
          if (other.id !== one.id)
            expect(overlap(one.box, other.box), `${one.id} and ${other.id}`).toBe(false)
    }
  })

  it('has its lights on the device, under the input they belong to', () => {
    const plan = model.sheet.views.find(({ id }) => id === 'plan') ?? itemAt(model.sheet.views, 0)
    for (const { id: zone, lights } of model.zones) {
      expect(lights.length, zone).toBeGreaterThan(0)
      for (const {
        at: [x, y],
        input,
        shapes,
      } of lights) {
        // Lights on a side are next to the top view, as if the side were unfolded.
        expect(inside({ x, y, width: 0, height: 0 }, plan, 20), zone).toBe(true)
        for (const { view, shape } of shapes)
          expect(inside(boxOf(shape), viewOf(model, view), 1), zone).toBe(true)
        if (input === undefined) continue
        const own = model.inputs.find(({ id }) => id === input)
        expect(own, input).toBeDefined()
        const under = own?.shapes.some(({ shape }) => {
          const box = boxOf(shape)
          return shapes.some((each) => overlap(boxOf(each.shape), box))
        })
        expect(under, `the light of ${input}`).toBe(true)
      }
    }
    expect(model.zones.map(({ id }) => id)).toContain(model.indicatorZone)
  })

  it('goes by rates that a report interval can have, its factory’s among them, and more light than it may draw is no zone', () => {
    for (const { ratesHz, factoryRateHz, id } of model.connections) {
      expect(ratesHz, id).toEqual([...ratesHz].sort((a, b) => a - b))
      expect(ratesHz, id).toContain(factoryRateHz)
      for (const rateHz of ratesHz) expect(8000 % rateHz, `${rateHz} Hz`).toBe(0)
    }
    expect(model.electrical.limitMa).toBeGreaterThan(model.electrical.lightMa)
  })
})

describe('light from the factory', () => {
  it('is on the zones that are said, always and over all below', () => {
    const red = { red: 255, green: 0, blue: 0 }
    expect(factoryEffect(solid(red, 40), 1, 2)).toEqual({
      effect: { kind: 'solid', colour: red, brightness: 40 },
      where: { kind: 'zones', zones: [1, 2] },
      when: { kind: 'always' },
      opacity: 100,
      adds: false,
    })
    expect(factoryEffect(breathing(red, 70)).where).toEqual({ kind: 'all' })
    expect(breathing(red, 70)).toMatchObject({ kind: 'breathing', colour: red, brightness: 70 })
  })
})
