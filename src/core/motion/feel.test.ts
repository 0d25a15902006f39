import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { tern7 } from '../device/models/tern-7'
import { AngleSnapper } from './angle-snapping'
import { degreesPerCount, equalFeelSteps, turnMm } from './feel'
import { POINTER_CURVES, PointerConverter } from './pointer-curve'
import { estimatePower } from './power'
import { dpiProblem } from './steps'
import { cutOffQuality, noiseMm, qualityAt, SURFACES, trueLiftOffMm } from './surface'

const sensor = tern7.sensor ?? { minDpi: 1, maxDpi: 1, resolutionDpi: 1, maxSteps: 1 }

describe('what the hand feels', () => {
  it('spreads steps so that each feels the same factor apart, to what the sensor can be set to', () => {
    const dpi = fc.integer({ min: 1, max: 520 }).map((unit) => unit * 50)
    fc.assert(
      fc.property(dpi, dpi, fc.integer({ min: 2, max: 6 }), (from, to, count) => {
        const steps = equalFeelSteps(sensor, from, to, count)
        expect(itemAt(steps, 0).dpi).toBe(from)
        expect(steps.at(-1)?.dpi).toBe(to)
        for (const step of steps) {
          expect(dpiProblem(sensor, step.dpi)).toBeUndefined()
          expect(Math.abs(step.dpi - step.exactDpi)).toBeLessThanOrEqual(sensor.resolutionDpi / 2 + 1e-6)
        }
      }),
    )
    expect(equalFeelSteps(sensor, 400, 3200, 4).map((step) => step.dpi)).toEqual([400, 800, 1600, 3200])
    const second = itemAt(equalFeelSteps(sensor, 400, 800, 3), 1)
    expect(second).toMatchObject({ dpi: 550 })
    expect(second.errorPercent).toBeCloseTo((550 / 400 / Math.SQRT2 - 1) * 100, 6)
  })

  it('takes a turn to degrees a count and back', () => {
    expect(turnMm(800, 0.022)).toBeCloseTo(519.5, 1)
    expect(degreesPerCount(360, turnMm(800, 0.022), 800)).toBeCloseTo(0.022, 12)
  })

  it('snaps what is nearly along an axis and nothing else, and never adds movement', () => {
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), (degrees) => {
        const [x, y] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
        const snapper = new AngleSnapper()
        const taken = Array.from({ length: 50 }, () => snapper.take(0.2 * x, 0.2 * y)).at(-1) ?? {
          dx: 0,
          dy: 0,
        }
        const off = Math.min(Math.abs(degrees % 90), 90 - Math.abs(degrees % 90))
        if (off < 4.9) expect(Math.min(Math.abs(taken.dx), Math.abs(taken.dy))).toBe(0)
        if (off > 5.1) expect(taken).toEqual({ dx: 0.2 * x, dy: 0.2 * y })
      }),
    )
  })

  it('loses no part of a pixel, whatever the curve', () => {
    for (const curve of POINTER_CURVES) {
      const slow = new PointerConverter(curve, 0.5)
      let px = 0
      for (let at = 0; at < 4000; at++) px += slow.take(1, 0, at * 20).x
      const gain = curve.gain(0.05) * 0.5
      expect(Math.abs(px - 4000 * gain)).toBeLessThan(4000 * gain * 0.05 + 2)
    }
  })
})

describe('surfaces', () => {
  it('cut off at the set height once measured in, and not before', () => {
    for (const surface of SURFACES)
      for (const set of [1, 2]) {
        const own = { quality: surface.quality }
        expect(Math.abs(trueLiftOffMm(surface, own, set) - set)).toBeLessThan(0.5)
        expect(noiseMm(surface, own, 1)).toBeLessThanOrEqual(noiseMm(surface, { quality: 100 }, 1))
        const height = trueLiftOffMm(surface, { quality: 100 }, set)
        if (height > 0)
          expect(qualityAt(surface, height)).toBeCloseTo(cutOffQuality({ quality: 100 }, set), 6)
      }
  })
})

describe('the estimate of hours', () => {
  it('falls with rate and light, and its parts add up', () => {
    const { electrical } = tern7
    const at = (rateHz: number, lightMa: number) =>
      estimatePower(electrical, electrical.battery ?? never(), { rateHz, lightMa, sleepMinutes: 10 })
    expect(at(4000, 0).hoursInHand).toBeLessThan(at(1000, 0).hoursInHand)
    expect(at(1000, 8).hoursInHand).toBeLessThan(at(1000, 0).hoursInHand)
    const { parts, meanMa, days } = at(1000, 3)
    expect(Object.values(parts).reduce((sum, ma) => sum + ma, 0)).toBeCloseTo(meanMa, 9)
    expect(days * 24).toBeGreaterThan(at(1000, 3).hoursInHand)
  })
})

const never = (): never => {
  throw new Error('not there')
}
