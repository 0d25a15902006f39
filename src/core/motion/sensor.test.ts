import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { randomSource } from '../base/random'
import { AngleSnapper } from './angle-snapping'
import { handStroke, LIFT_MM, type Stroke, type StrokeKind } from './hand-strokes'
import {
  cutOffQuality,
  FACTORY_CALIBRATION,
  noiseMm,
  qualityAt,
  surfaceById,
  SURFACES,
  trueLiftOffMm,
  type Surface,
} from './surface'
import { trackingOn } from './tracking'

const surface = (id: string): Surface => {
  const found = surfaceById(id)
  if (!found) throw new Error(`there is no ${id}`)
  return found
}
const sumOf = (stroke: Stroke, along: 'dx' | 'dy') => stroke.reduce((sum, step) => sum + step[along], 0)

describe('angle snapping', () => {
  /** A stroke at an angle, in steps, as the sensor counts it. */
  const drawn = (snapper: AngleSnapper, degrees: number, mm = 40, steps = 80) => {
    const turn = (degrees * Math.PI) / 180
    const [dx, dy] = [(mm / steps) * Math.cos(turn), (mm / steps) * Math.sin(turn)]
    let sum = { dx: 0, dy: 0 }
    for (let step = 0; step < steps; step++) {
      const taken = snapper.take(dx, dy)
      sum = { dx: sum.dx + taken.dx, dy: sum.dy + taken.dy }
    }
    return sum
  }

  it.each([0, 90, 180, 270])('drops what a stroke strays from %i° within 5°, and nothing beyond', (axis) => {
    for (const off of [-4.9, -2, 0.5, 4.9]) {
      const { dx, dy } = drawn(new AngleSnapper(), axis + off)
      const [along, across] = axis % 180 === 0 ? [dx, dy] : [dy, dx]
      expect(across).toBe(0)
      expect(Math.abs(along)).toBeCloseTo(40 * Math.cos((off * Math.PI) / 180), 9)
    }
    for (const off of [-45, -5.2, 5.2, 30]) {
      const turn = ((axis + off) * Math.PI) / 180
      const { dx, dy } = drawn(new AngleSnapper(), axis + off)
      expect(dx).toBeCloseTo(40 * Math.cos(turn), 9)
      expect(dy).toBeCloseTo(40 * Math.sin(turn), 9)
    }
  })

  it('holds what it caught until 9° off, over a path of some 2 mm', () => {
    const snapper = new AngleSnapper()
    drawn(snapper, 0)
    expect(drawn(snapper, 8.5, 20).dy).toBe(0)
    expect(drawn(snapper, 10, 20).dy).toBeGreaterThan(2)
    // Once released, it must be straight again to be snapped.
    expect(drawn(snapper, 8.5, 20).dy).toBeCloseTo(20 * Math.sin((8.5 * Math.PI) / 180), 9)
    expect(drawn(snapper, 2, 20).dy).toBeLessThan(20 * Math.sin((2 * Math.PI) / 180))
    // A change of direction takes a few mm.
    const turned = new AngleSnapper()
    drawn(turned, 0)
    const lost = 30 - drawn(turned, 45, 30 * Math.SQRT2, 2000).dy
    expect(lost).toBeGreaterThan(0.1)
    expect(lost).toBeLessThan(2)
    expect(turned.take(0, 0)).toEqual({ dx: 0, dy: 0 })
  })
})

describe('the strokes of a simulated hand', () => {
  const KINDS: StrokeKind[] = ['line', 'slant', 'circle', 'lift']

  it('go as far, and last as long, as is asked, and are the same for one seed', () => {
    for (const kind of KINDS) {
      const stroke = handStroke(kind, { mm: 60, ms: 699, seed: 4 })
      expect(stroke.length).toBe(699)
      expect(handStroke(kind, { mm: 60, ms: 699, seed: 4 })).toEqual(stroke)
    }
    const line = handStroke('line', { mm: 60, ms: 700 })
    expect(sumOf(line, 'dx')).toBeCloseTo(60, 1)
    expect(Math.abs(sumOf(line, 'dy') - 60 * 0.035)).toBeLessThan(0.31)
    expect(Math.abs(sumOf(handStroke('slant', { mm: 60 }), 'dy') - 60 * 0.42)).toBeLessThan(0.31)
    expect(sumOf(handStroke('lift', { mm: 60, ms: 900 }), 'dx')).toBeCloseTo(60, 1)
    expect(handStroke('line', { seed: 1 })).not.toEqual(handStroke('line', { seed: 2 }))
  })

  it('begin and end at rest, fastest in the middle, with a tremor of about 9 Hz and 0.15 mm', () => {
    const line = handStroke('line', { mm: 60, ms: 1000 })
    const speed = line.map(({ dx }) => dx)
    expect(speed.indexOf(Math.max(...speed))).toBe(500)
    // Minimum jerk: 15/8 of the mean at its peak.
    expect(Math.max(...speed)).toBeCloseTo((60 / 1000) * (15 / 8), 5)
    expect(speed[0]).toBe(0)
    let at = 0
    const shake = line.map(({ dx, dy }) => (at += dy - dx * 0.035))
    expect(Math.max(...shake) - Math.min(...shake)).toBeCloseTo(0.3, 2)
    const middle = (Math.max(...shake) + Math.min(...shake)) / 2
    const crossings = shake.filter(
      (each, index) => index > 0 && each > middle !== itemAt(shake, index - 1) > middle,
    )
    expect(crossings.length).toBe(18)
  })

  it('draw a circle as wide as is asked, and come back', () => {
    let [x, y] = [0, 0]
    const path = handStroke('circle', { mm: 50, ms: 2000 }).map(({ dx, dy }) => ({
      x: (x += dx),
      y: (y += dy),
    }))
    expect(Math.hypot(x, y)).toBeLessThan(0.4)
    const width = Math.max(...path.map((at) => at.x)) - Math.min(...path.map((at) => at.x))
    const height = Math.max(...path.map((at) => at.y)) - Math.min(...path.map((at) => at.y))
    expect(width).toBeCloseTo(50, 0)
    expect(Math.abs(height - 50)).toBeLessThan(0.5)
  })

  it('lift the mouse to put it back, and put it down again', () => {
    const lift = handStroke('lift', { mm: 60, ms: 900 })
    expect(lift.flatMap(({ heightMm }, at) => (heightMm === undefined ? [] : [[at, heightMm]]))).toEqual([
      [0, 0],
      [300, LIFT_MM],
      [600, 0],
    ])
    expect(sumOf(lift.slice(0, 300), 'dx')).toBeCloseTo(60, 1)
    expect(sumOf(lift.slice(300, 600), 'dx')).toBeCloseTo(-60, 1)
    expect(lift.every(({ dy }) => dy === 0)).toBe(true)
  })
})

describe('what lies under a sensor', () => {
  it('gives it what it finds: all of it at rest, 1/e a fall higher, and nothing more when pressed down', () => {
    for (const each of SURFACES) {
      expect(qualityAt(each, 0)).toBe(each.quality)
      expect(qualityAt(each, -3)).toBe(each.quality)
      expect(qualityAt(each, each.fallMm)).toBeCloseTo(each.quality / Math.E, 9)
      expect(surfaceById(each.id)).toBe(each)
    }
    expect(surfaceById('ice')).toBeUndefined()
    // On cloth, the lift-off distance is exact.
    for (const mm of [1, 2])
      expect(trueLiftOffMm(surface('cloth'), FACTORY_CALIBRATION, mm)).toBeCloseTo(mm, 9)
    expect(trueLiftOffMm(surface('glass'), FACTORY_CALIBRATION, 1)).toBeLessThan(0)
  })

  it('makes noise that grows with the root of the path, none on cloth, less once measured in', () => {
    expect(noiseMm(surface('cloth'), FACTORY_CALIBRATION, 100)).toBe(0)
    expect(noiseMm(surface('hard'), FACTORY_CALIBRATION, 100)).toBe(0)
    const desk = noiseMm(surface('desk'), FACTORY_CALIBRATION, 100)
    // 62 of 100 are seen: 0.035 × (1 / 0.62 − 1) × 10.
    expect(desk).toBeCloseTo(0.35 * (1 / 0.62 - 1), 9)
    expect(noiseMm(surface('desk'), FACTORY_CALIBRATION, 400)).toBeCloseTo(2 * desk, 9)
    expect(noiseMm(surface('desk'), FACTORY_CALIBRATION, -1)).toBe(0)
    expect(noiseMm(surface('desk'), { quality: 62 }, 100)).toBe(0)
    // Exposure compensates up to 2.4 times: 42 × 2.4 is full quality, 20 × 2.4 is 48 of 100.
    expect(noiseMm(surface('glass'), { quality: 42 }, 100)).toBe(0)
    expect(noiseMm({ ...surface('glass'), quality: 20 }, { quality: 20 }, 100)).toBeCloseTo(
      0.35 * (1 / 0.48 - 1),
      9,
    )
    // A sensor calibrated for a better surface gains nothing and loses nothing.
    expect(noiseMm(surface('desk'), { quality: 170 }, 100)).toBeCloseTo(desk, 9)
  })

  it('is tracked as its unevenness says, by counting as well', () => {
    for (const each of SURFACES) {
      const { lost, strayMm, liftMm } = trackingOn(each, FACTORY_CALIBRATION, 1)
      const limit = cutOffQuality(FACTORY_CALIBRATION, 1)
      const by = randomSource(7)
      const tries = 20_000
      let below = 0
      for (let step = 0; step < tries; step++)
        below += Number(each.quality * (1 + each.uneven * by.normal()) < limit)
      expect(Math.abs(lost - below / tries)).toBeLessThan(0.012)
      expect(strayMm).toBe(noiseMm(each, FACTORY_CALIBRATION, 100))
      expect(liftMm).toBe(Math.max(0, trueLiftOffMm(each, FACTORY_CALIBRATION, 1)))
    }
    const even = { ...surface('cloth'), quality: 10 }
    expect(trackingOn(even, FACTORY_CALIBRATION, 1).lost).toBe(1)
    expect(trackingOn({ ...even, quality: 43.45, uneven: 0.2 }, FACTORY_CALIBRATION, 1).lost).toBeCloseTo(
      0.5,
      2,
    )
  })

  it('is lost at the height the cut-off says, whatever it is measured in to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SURFACES),
        fc.double({ min: 20, max: 200, noNaN: true }),
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        (each, quality, set) => {
          const height = trueLiftOffMm(each, { quality }, set)
          const there = each.quality * Math.exp(-height / each.fallMm)
          expect(there).toBeCloseTo(cutOffQuality({ quality }, set), 6)
        },
      ),
    )
  })
})
