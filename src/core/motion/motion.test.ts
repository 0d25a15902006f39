import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { dpiAtPosition, scalePosition, scaleMarks } from './scale'
import { CountAccumulator, dpiProblem, handDistanceMm, nearestDpi } from './steps'

const sensor = tern7.sensor ?? { minDpi: 0, maxDpi: 0, resolutionDpi: 0, maxSteps: 0 }
const anyDpi = fc.integer({ min: 0, max: 40_000 })

describe('steps', () => {
  it('are taken to the nearest setting the sensor has', () => {
    fc.assert(
      fc.property(anyDpi, (dpi) => {
        const nearest = nearestDpi(sensor, dpi)
        expect(dpiProblem(sensor, nearest)).toBeUndefined()
        if (dpi >= sensor.minDpi && dpi <= sensor.maxDpi) {
          expect(Math.abs(nearest - dpi)).toBeLessThanOrEqual(sensor.resolutionDpi / 2)
        }
      }),
    )
    expect(dpiProblem(sensor, Number.NaN)?.key).toBe('dpi-whole')
    expect(dpiProblem(sensor, 26_050)).toEqual({ key: 'dpi-range', facts: { min: 50, max: 26_000 } })
    expect(dpiProblem(sensor, 825)).toEqual({ key: 'dpi-grid', facts: { by: 50 } })
  })

  it('say how far the hand goes', () => {
    expect(handDistanceMm(800, 800)).toBe(25.4)
    expect(handDistanceMm(1920, 1600)).toBeCloseTo(30.48)
  })
})

describe('counting motion', () => {
  it('loses nothing: movements in whatever order add up to what one movement would give', () => {
    const movement = fc.double({ min: -20, max: 20, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(movement, { maxLength: 200 }),
        fc.integer({ min: 50, max: 26_000 }),
        (movements, dpi) => {
          const total = movements.reduce((sum, mm) => sum + mm, 0)
          const once = new CountAccumulator().take(total, dpi)
          for (const order of [movements, movements.toReversed(), movements.toSorted((a, b) => a - b)]) {
            const counter = new CountAccumulator()
            const counted = order.reduce((sum, mm) => sum + counter.take(mm, dpi), 0)
            expect(Math.abs(counted - (total * dpi) / 25.4)).toBeLessThan(1 + 1e-6)
            expect(Math.abs(counted - once)).toBeLessThanOrEqual(1)
          }
        },
      ),
    )
  })

  it('never runs ahead of the hand, whichever way it goes', () => {
    const part = fc.double({ min: 0, max: 0.2, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(part, { maxLength: 100 }),
        fc.integer({ min: 50, max: 26_000 }),
        fc.constantFrom(1, -1),
        (parts, dpi, way) => {
          const counter = new CountAccumulator()
          let [mm, counted] = [0, 0]
          for (const each of parts) {
            mm += each
            counted += way * counter.take(way * each, dpi)
            expect(counted).toBeLessThanOrEqual((mm * dpi) / 25.4 + 1e-6)
          }
        },
      ),
    )
  })

  it('gives a slow hand as much as a fast one, one way and back', () => {
    const counter = new CountAccumulator()
    let counted = 0
    for (let part = 0; part < 25_400; part++) counted += counter.take(0.001, 400)
    expect(Math.abs(counted - 400)).toBeLessThanOrEqual(1)
    for (let part = 0; part < 25_400; part++) counted += counter.take(-0.001, 400)
    expect(Math.abs(counted)).toBeLessThanOrEqual(1)
  })
})

describe('the rule of steps', () => {
  it('has equal distances for equal factors', () => {
    const gap = (a: number, b: number) => scalePosition(sensor, b) - scalePosition(sensor, a)
    expect(gap(400, 800)).toBeCloseTo(gap(3200, 6400), 10)
    expect(scalePosition(sensor, sensor.minDpi)).toBe(0)
    expect(scalePosition(sensor, sensor.maxDpi)).toBe(1)
  })

  it('leads from every setting to its place and back', () => {
    for (let dpi = sensor.minDpi; dpi <= sensor.maxDpi; dpi += sensor.resolutionDpi) {
      expect(dpiAtPosition(sensor, scalePosition(sensor, dpi))).toBe(dpi)
    }
    fc.assert(
      fc.property(fc.double({ min: -2, max: 3, noNaN: true }), (place) => {
        expect(dpiProblem(sensor, dpiAtPosition(sensor, place))).toBeUndefined()
      }),
    )
  })

  it('is marked within the sensor, in order, with the marks of a ruler', () => {
    const marks = scaleMarks(sensor)
    expect(marks[0]).toEqual({ dpi: 50, named: true })
    expect(marks.at(-1)).toEqual({ dpi: 20_000, named: true })
    expect(marks.map(({ dpi }) => dpi)).toEqual([...marks.map(({ dpi }) => dpi)].sort((a, b) => a - b))
    expect(marks.filter(({ named }) => named).map(({ dpi }) => dpi)).toEqual([
      50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000,
    ])
  })
})
