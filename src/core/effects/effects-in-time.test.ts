import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { runs } from '../base/runs.test-support'
import {
  ALL,
  RED,
  BLUE,
  GREEN,
  set,
  drives,
  covers,
  reds,
  part,
  redToBlue,
  expectBetween,
  COUNT,
  type Settings,
} from './painting.test-support'

const percent = fc.integer({ min: 0, max: 100 })
const moment = fc.nat(60_000)
const periods = fc.integer({ min: 100, max: 9000 })

describe('effects of a period', () => {
  it('blink: lit for its part of the period, from where it begins', () => {
    const blink = { colour: RED, periodMs: 1000, litPart: 30, brightness: 100 }
    const lit = (by: Settings, ms: number) => reds(set('blink', { ...blink, ...by }), { ms })[0] === 255
    expect([0, 299, 301, 999, 1000].map((ms) => lit({}, ms))).toEqual([true, true, false, false, true])
    // It starts half way: its light at 0 is the usual light at 500.
    expect([0, 499, 501, 799, 801].map((ms) => lit({ shift: 50 }, ms))).toEqual([
      false,
      false,
      true,
      true,
      false,
    ])
    expect(lit({ litPart: 100 }, 999)).toBe(true)
  })

  it('each light, or each zone, is later by its lag', () => {
    const blink = { colour: RED, periodMs: 1000, litPart: 20, brightness: 100, lag: 20 }
    const lit = (by: Settings, ms: number) =>
      reds(set('blink', { ...blink, ...by }), { ms }).map((red) => (red > 0 ? 1 : 0))
    expect(lit({ lagBy: 'light' }, 100)).toEqual([1, 0, 0, 0, 0, 1])
    expect(lit({ lagBy: 'light' }, 300)).toEqual([0, 1, 0, 0, 0, 0])
    expect(lit({ lagBy: 'light' }, 900)).toEqual([0, 0, 0, 0, 1, 0])
    expect(lit({ lagBy: 'zone' }, 100)).toEqual([1, 1, 1, 1, 0, 0])
    expect(lit({ lagBy: 'zone' }, 300)).toEqual([0, 0, 0, 0, 1, 1])
    // Counted from its own first zone, not from the model's first.
    const second = set('blink', { ...blink, lagBy: 'zone' })
    expect(reds(second, { ms: 100, chosen: [4, 5] })).toEqual([255, 255])
  })

  it('breathing swells to its colour half way and is dark where it begins', () => {
    const breathing = set('breathing', { colour: RED, periodMs: 4000, brightness: 80 })
    expect([0, 2000, 4000].map((ms) => reds(breathing, { ms })[0])).toEqual([0, 204, 0])
    expect(reds(breathing, { ms: 1000 })[0]).toBe(51)
    expect(reds(breathing, { ms: 3000 })[0]).toBe(51)
  })

  it('a cycle goes once round the circle of hues', () => {
    const sixths = [
      [255, 0, 0],
      [255, 255, 0],
      [0, 255, 0],
      [0, 255, 255],
      [0, 0, 255],
      [255, 0, 255],
    ]
    const cycle = set('cycle', { periodMs: 6000, brightness: 100 })
    const near = (found: number[], wanted: number[], what: string) =>
      found.forEach((drive, channel) =>
        expect(Math.abs(drive - itemAt(wanted, channel)), what).toBeLessThanOrEqual(1),
      )
    sixths.forEach((colour, at) => {
      near(itemAt(drives(cycle, { ms: 1000 * at }), 0), colour, `sixth ${at}`)
      const next = itemAt(sixths, (at + 1) % 6)
      const between = colour.map((drive, channel) => (drive + itemAt(next, channel)) / 2)
      near(itemAt(drives(cycle, { ms: 1000 * at + 500 }), 0), between, `after sixth ${at}`)
    })
    near(
      itemAt(drives(set('cycle', { periodMs: 6000, brightness: 20 }), { ms: 0 }), 0),
      [51, 0, 0],
      'at a fifth',
    )
  })

  it('a wave has at each place what its front had there, whichever way it goes', () => {
    const by = fc.record({ periodMs: periods, spreadMm: fc.integer({ min: 20, max: 400 }), shift: percent })
    const moves = fc.constantFrom('straight', 'out', 'in')
    fc.assert(
      fc.property(by, moves, moment, (values, way, ms) => {
        const point = { moves: way, direction: 0, pointX: 40, pointY: 50 }
        const wave = set('wave', { colours: [RED, BLUE], brightness: 100, ...values, ...point })
        drives(wave, { ms }).forEach((found, light) => {
          const placeMm = way === 'straight' ? light * 10 : Math.abs(light * 10 - 20)
          const along = placeMm / values.spreadMm
          const turn = part(ms / values.periodMs + values.shift / 100 + (way === 'in' ? along : -along))
          // From red to blue in the first half of the ring, and back in the second.
          const share = turn < 0.5 ? 2 * turn : 2 - 2 * turn
          const steepest = 12
          const [red, blue] = redToBlue(share)
          if (share > 0.02 && share < 0.98) {
            expect(Math.abs(itemAt(found, 0) - red)).toBeLessThanOrEqual(1.5)
            expect(Math.abs(itemAt(found, 2) - blue)).toBeLessThanOrEqual(1.5)
          } else expect(Math.abs(itemAt(found, 0) - red)).toBeLessThanOrEqual(steepest)
        })
      }),
      runs(60),
    )
  })

  it('from colour to colour: each as long as the others, soft or hard', () => {
    const colours = [RED, GREEN, BLUE]
    const hard = set('sequence', { colours, periodMs: 3000, change: 'hard', brightness: 100 })
    expect(
      [0, 999, 1001, 1999, 2001, 2999, 3000].map((ms) => itemAt(drives(hard, { ms }), 0).indexOf(255)),
    ).toEqual([0, 0, 1, 1, 2, 2, 0])
    const soft = set('sequence', { colours: [RED, BLUE], periodMs: 2000, change: 'soft', brightness: 100 })
    for (const ms of [0, 250, 500, 900]) expectBetween(itemAt(drives(soft, { ms }), 0), ms / 1000, `at ${ms}`)
    for (const ms of [1000, 1250, 1700])
      expectBetween(itemAt(drives(soft, { ms }), 0), 2 - ms / 1000, `at ${ms}`)
  })

  it('by chance: as the seed says, each colour about as often, each light by itself only with a lag', () => {
    const colours = [RED, GREEN, BLUE]
    const by = { colours, periodMs: 3000, change: 'hard', order: 'by chance', brightness: 100 }
    const drawn = (more: Settings) =>
      Array.from({ length: 600 }, (_, at) =>
        drives(set('sequence', { ...by, ...more }), { ms: 1000 * at + 500 }).map((light) =>
          light.indexOf(255),
        ),
      )
    const one = drawn({ seed: 7 })
    expect(drawn({ seed: 7 })).toEqual(one)
    expect(drawn({ seed: 8 })).not.toEqual(one)
    for (const colour of [0, 1, 2]) {
      const share = one.filter(([first]) => first === colour).length / one.length
      expect(Math.abs(share - 1 / 3), `colour ${colour}`).toBeLessThan(0.07)
    }
    expect(one.every((lights) => new Set(lights).size === 1)).toBe(true)
    expect(drawn({ seed: 7, lag: 10 }).some((lights) => new Set(lights).size > 1)).toBe(true)
    // Different in every round.
    expect(one.slice(0, 3)).not.toEqual(one.slice(3, 6))
  })

  it('a sweep covers by how near its middle is', () => {
    const by = fc.record({
      periodMs: periods,
      widthMm: fc.integer({ min: 5, max: 80 }),
      shift: percent,
      ends: fc.constantFrom('back', 'again'),
    })
    fc.assert(
      fc.property(by, moment, (values, ms) => {
        const sweep = set('sweep', { colour: RED, direction: 0, brightness: 100, ...values })
        const turn = part(ms / values.periodMs + values.shift / 100)
        const middle = 50 * (values.ends === 'again' ? turn : turn < 0.5 ? 2 * turn : 2 - 2 * turn)
        covers(sweep, { ms }).forEach((cover, light) => {
          const wanted = Math.max(0, 1 - Math.abs(light * 10 - middle) / values.widthMm)
          // Near the end of a turn, rounding of the start phase may cross it.
          const over = values.ends === 'again' && Math.min(turn, 1 - turn) < 0.001
          if (!over) expect(Math.abs(cover - wanted)).toBeLessThan(0.03)
        })
        expect(reds(sweep, { ms })).toEqual(ALL.map(() => 255))
      }),
      runs(60),
    )
  })

  it('twinkle: so many at a time, each swelling and fading once a period, as the seed says', () => {
    const twinkle = (more: Settings = {}) =>
      set('twinkle', { colours: [RED, BLUE], density: 30, periodMs: 1000, ...more })
    const rounds = Array.from({ length: 400 }, (_, at) => covers(twinkle(), { ms: 250 * at }))
    const shown = rounds.flat().filter((cover) => cover > 0).length / (400 * COUNT)
    expect(Math.abs(shown - 0.3)).toBeLessThan(0.06)
    expect(
      covers(twinkle({ density: 100 }), { ms: 777 }).filter((cover) => cover > 0).length,
    ).toBeGreaterThan(4)
    expect(covers(twinkle({ seed: 5 }), { ms: 777 })).not.toEqual(covers(twinkle({ seed: 6 }), { ms: 777 }))
    // With all of them lit, each is a raised cosine of its own time: it repeats, and is off once per period.
    const each = Array.from({ length: 1000 }, (_, ms) => covers(twinkle({ density: 100 }), { ms }))
    for (const light of ALL) {
      const course = each.map((lights) => itemAt(lights, light))
      expect(Math.min(...course)).toBeLessThan(0.001)
      expect(Math.max(...course)).toBeGreaterThan(0.999)
      const mean = course.reduce((sum, cover) => sum + cover, 0) / course.length
      expect(mean).toBeCloseTo(0.5, 2)
      const darkest = course.indexOf(Math.min(...course))
      expect(course[(darkest + 500) % 1000]).toBeGreaterThan(0.99)
    }
    const colours = new Set(
      each.flatMap((_, ms) => (ms % 100 ? [] : drives(twinkle(), { ms: 7 * ms }).map(String))),
    )
    expect([...colours].sort()).toEqual(['0,0,255', '255,0,0'])
  })
})
