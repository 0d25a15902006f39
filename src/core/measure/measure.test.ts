import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { ProfileError } from '../document/schema'
import { randomSource, type RandomSource } from '../base/random'
import { blindOrder, compareTimes, hitsTarget, planTargets } from '../motion/targets'
import { analyseClicks, analyseKeys } from './clicks'
import type { Press } from '../document/session-log'
import { analysePolling } from './polling'
import {
  emptySession,
  recordMovement,
  recordPress,
  parseSession,
  sessionFigures,
  sessionToCsv,
} from '../document/session-log'
import {
  meanEstimate,
  medianEstimate,
  normalQuantile,
  proportionEstimate,
  tQuantile,
} from '../base/statistics'
import { analyseStroke, detectSnapping, type StrokeFigures } from './straightness'
import { runs } from '../base/runs.test-support'

describe('statistics', () => {
  it('have the quantiles of the tables', () => {
    for (const [degrees, t95, t99] of [
      [1, 12.7062, 63.6567],
      [2, 4.3027, 9.9248],
      [4, 2.7764, 4.6041],
      [10, 2.2281, 3.1693],
      [100, 1.984, 2.6259],
    ] as const) {
      expect(tQuantile(0.95, degrees) / t95).toBeCloseTo(1, 3)
      expect(tQuantile(0.99, degrees) / t99).toBeCloseTo(1, 3)
    }
    expect(normalQuantile(0.975)).toBeCloseTo(1.959964, 4)
  })

  it('hold the truth about as often as they say', () => {
    const by = randomSource(3)
    let [mean, median, share] = [0, 0, 0]
    for (let run = 0; run < 400; run++) {
      const values = Array.from({ length: 9 }, () => 5 + 2 * by.normal())
      const held = ({ low, high }: { low: number; high: number }, truth: number) =>
        Number(low <= truth && truth <= high)
      mean += held(meanEstimate(values), 5)
      const many = Array.from({ length: 60 }, () => by.exponential(1)).sort((a, b) => a - b)
      median += held(medianEstimate(many), Math.LN2)
      const hits = Array.from({ length: 200 }, () => by.uniform() < 0.04).filter(Boolean).length
      share += held(proportionEstimate(hits, 200), 0.04)
    }
    for (const times of [mean, median, share]) {
      expect(times).toBeGreaterThan(365)
      expect(times).toBeLessThan(397)
    }
  })
})

describe('snapping', () => {
  const stroke = (degrees: number): StrokeFigures => ({ length: 900, degrees, strayRms: 1, strayMost: 3 })
  const told = (count: number, sd: number, within: number, seed: number) => {
    const by = randomSource(seed)
    let snapping = 0
    for (let run = 0; run < 2000; run++) {
      const strokes = Array.from({ length: count }, () => {
        const degrees = sd * by.normal()
        return stroke(Math.abs(degrees) <= within ? 0 : degrees)
      })
      snapping += Number(detectSnapping(strokes).verdict === 'snaps')
    }
    return snapping / 2000
  }

  it.each([0.5, 1, 2, 4])(
    'is not read into a hand that strays by %f°, and found in a sensor that snaps within 5°',
    (sd) => {
      for (const count of [8, 20]) {
        expect(told(count, sd, 0, 3), `${count} by hand`).toBeLessThanOrEqual(0.0145)
        expect(told(count, sd, 5, 4), `${count} snapped`).toBeGreaterThan(0.9)
      }
    },
  )
})

describe('the median', () => {
  it.each([12, 25, 60, 200])('of %i values lies in its interval 95 times in a hundred', (count) => {
    const by = randomSource(count)
    let held = 0
    const runs = 3000
    for (let run = 0; run < runs; run++) {
      const values = Array.from({ length: count }, () => by.exponential(1)).sort((a, b) => a - b)
      const { low, high } = medianEstimate(values)
      held += Number(low <= Math.LN2 && Math.LN2 <= high)
    }
    expect(held / runs).toBeGreaterThan(0.93)
    expect(held / runs).toBeLessThan(0.972)
  })
})

describe('polling', () => {
  it('finds any rate, pauses and all, and counts what is missing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(125, 500, 1000, 4000, 8000),
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 1, max: 50 }),
        (rateHz, drops, seed) => {
          const by = randomSource(seed)
          const period = 1000 / rateHz
          const lost = new Set(Array.from({ length: drops }, () => 10 + Math.floor(by.uniform() * 1980)))
          const times: number[] = []
          for (const edge of [1000, 1001]) lost.delete(edge)
          // A pause of a second in the middle is not a lost report.
          for (let at = 0; at < 2000; at++)
            if (!lost.has(at)) times.push(at * period + (at > 1000 ? 1000 : 0) + period * 0.05 * by.normal())
          const found = analysePolling(Float64Array.from(times.sort((a, b) => a - b)))
          expect(Math.abs((found?.rateHz.value ?? 0) / rateHz - 1)).toBeLessThan(0.01)
          expect(found?.missed).toBe(lost.size)
        },
      ),
      runs(40),
    )
    expect(analysePolling(Float64Array.of(1, 2, 3))).toBeUndefined()
  })

  /** Time stamps of a mouse from a clock, with jitter relative to the period and a share of lost reports. */
  function stamps(
    by: RandomSource,
    { rateHz, count, jitter, clockMs }: { rateHz: number; count: number; jitter: number; clockMs: number },
  ) {
    const period = 1000 / rateHz
    const start = 50 + by.uniform() * period
    const kept = Array.from({ length: count }, (_, at) => at).filter(
      (at) => at < 5 || at > count - 5 || by.uniform() > 0.02,
    )
    const times = kept.map((at) => start + (at + jitter * by.normal()) * period)
    return {
      lost: count - kept.length,
      times: Float64Array.from(
        times.map((time) => Math.floor(time / clockMs) * clockMs).sort((a, b) => a - b),
      ),
    }
  }

  it('holds the rate in its interval as often as it says, for jitter of a third of a period and any clock that can tell', () => {
    const by = randomSource(11)
    let [held, told] = [0, 0]
    for (const rateHz of [1000, 8000])
      for (const jitter of [0.05, 0.15, 0.3])
        for (const clockMs of [0.005, 0.1, 1]) {
          for (let run = 0; run < 4; run++) {
            const truly = rateHz * (1 + 4e-4 * (by.uniform() - 0.5))
            const { times, lost } = stamps(by, { rateHz: truly, count: 1500, jitter, clockMs })
            const found = analysePolling(times)
            if (!found || Number.isNaN(found.rateHz.value)) {
              // No rate is reported only if a tick is a large part of a period.
              expect(clockMs * rateHz).toBeGreaterThan(350)
              expect(found).toMatchObject({ clockMs, missed: 0 })
              continue
            }
            told++
            held += Number(found.rateHz.low <= truly && truly <= found.rateHz.high)
            expect(Math.abs(found.rateHz.value / truly - 1)).toBeLessThan(2e-3)
            if (clockMs < 1) expect(Math.abs(found.missed - lost)).toBeLessThanOrEqual(2)
          }
        }
    expect(told).toBeGreaterThan(30)
    expect(held / told).toBeGreaterThan(0.85)
  })

  it('says no rate of stamps that stand on no grid', () => {
    const by = randomSource(5)
    let at = 0
    const times = Float64Array.from({ length: 900 }, () => (at += by.exponential(1)))
    expect(analysePolling(times)?.rateHz.value).toBeNaN()
  })
})

const press = (what: string, atMs: number, down: boolean): Press => ({ what, atMs, down })

describe('clicks and keys', () => {
  it('tell a double press of the switch from two of the finger', () => {
    const presses = [0, 200, 400].flatMap((at) => [press('left', at, true), press('left', at + 60, false)])
    presses.splice(2, 0, press('left', 66, true), press('left', 90, false))
    const left = itemAt(analyseClicks(presses), 0)
    expect(left).toMatchObject({ clicks: 4, maxPerSecond: 4, shortestGapMs: 6 })
    expect(left.chatter).toMatchObject({ presses: 1, value: 1 / 3 })
    expect(analyseClicks([press('left', 0, true)])[0]).toMatchObject({ clicks: 1 })
  })

  it('take no fast finger for a worn switch, and find a switch that is worn', () => {
    const by = randomSource(9)
    const taps = (gapMs: number, sd: number, worn: number) => {
      const presses: Press[] = []
      let at = 0
      for (let tap = 0; tap < 400; tap++) {
        presses.push(press('left', at, true), press('left', at + 50, false))
        if (by.uniform() < worn) presses.push(press('left', at + 54, true), press('left', at + 80, false))
        at += 85 + Math.max(1, gapMs - 35 + sd * by.normal())
      }
      return itemAt(analyseClicks(presses.sort((a, b) => a.atMs - b.atMs)), 0)
    }
    const fast = taps(70, 25, 0)
    expect(fast.chatter.value).toBeLessThan(0.015)
    expect(fast.threshold.falseAlarms).toBeLessThan(0.01)
    const slow = taps(200, 40, 0)
    expect(slow.chatter.presses).toBe(0)
    expect(slow.threshold.ms).toBe(30)
    const worn = taps(200, 40, 0.08)
    expect(worn.chatter.low).toBeLessThanOrEqual(0.08)
    expect(worn.chatter.high).toBeGreaterThanOrEqual(0.08)
  })

  it('say which keys registered together, and how fast', () => {
    const keys = ['a', 'b', 'c'].map((key, at) => press(key, at * 20, true))
    const figures = analyseKeys([...keys, press('b', 70, false), press('d', 75, true)])
    expect(figures).toMatchObject({ max: 3, fastestMs: 20, medianMs: 20 })
    expect(figures.together.slice(0, 2)).toEqual([
      ['a', 'b', 'c'],
      ['a', 'c', 'd'],
    ])
    expect(analyseKeys([]).max).toBe(0)
  })
})

describe('strokes', () => {
  it('are as straight as they were drawn, whichever way', () => {
    fc.assert(
      fc.property(fc.double({ min: -89, max: 89, noNaN: true }), (degrees) => {
        const [x, y] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
        const points = Array.from({ length: 101 }, (_, at) => {
          const off = at % 2 ? 1 : -1
          return { x: 10 * at * x - off * y, y: 10 * at * y + off * x }
        })
        const found = analyseStroke(points)
        expect(found.degrees).toBeCloseTo(degrees, 0)
        expect(found.strayRms).toBeCloseTo(1, 1)
        expect(found.length).toBeCloseTo(1000, 0)
      }),
    )
  })

  it('say which way they went: towards the hand is 90, to the right 0, as near to along as to across', () => {
    const line = (x: number, y: number) =>
      analyseStroke(Array.from({ length: 20 }, (_, at) => ({ x: at * x, y: at * y }))).degrees
    expect([line(5, 0), line(-5, 0)]).toEqual([0, 0])
    expect([Math.abs(line(0, 5)), Math.abs(line(0, -5))]).toEqual([90, 90])
    expect(line(5, 5)).toBeCloseTo(45, 9)
    expect(line(5, -5)).toBeCloseTo(-45, 9)
    expect(line(-5, 5)).toBeCloseTo(-45, 9)
    const along = (degrees: number) => ({ length: 900, degrees, strayRms: 0, strayMost: 0 })
    // Y counts like X, in both directions.
    expect(detectSnapping([90, -90, 90, -90, 89.9].map(along))).toMatchObject({
      near: 5,
      exact: 5,
      verdict: 'snaps',
    })
    expect(detectSnapping([86, -87, 88, -86.5, 3].map(along))).toMatchObject({
      near: 5,
      exact: 0,
      verdict: 'does not',
    })
    expect(detectSnapping([85, 45, -45, 5].map(along))).toMatchObject({
      near: 0,
      verdict: 'not enough strokes',
    })
  })

  it('say nothing of snapping from few strokes', () => {
    const straight = { length: 100, degrees: 0.05, strayRms: 0, strayMost: 0 }
    expect(detectSnapping([straight]).verdict).toBe('not enough strokes')
    expect(detectSnapping([straight, straight, straight]).verdict).toBe('not enough strokes')
    expect(detectSnapping([straight, straight, straight, straight]).verdict).toBe('snaps')
    expect(
      detectSnapping([straight, ...[1, 2, 3].map((degrees) => ({ ...straight, degrees }))]).verdict,
    ).toBe('does not')
  })
})

describe('targets', () => {
  it('lie whole on the screen, and two plans of one length are of one difficulty', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1000 }), fc.integer({ min: 1, max: 1000 }), (one, two) => {
        const screen = { width: 1920, height: 1200 }
        const plan = (seed: number) => planTargets(12, seed, screen)
        const [first, second] = [plan(one), plan(two)]
        expect(first.map(({ size }) => size)).toEqual(second.map(({ size }) => size))
        for (const { x, y, size } of [...first, ...second]) {
          expect(Math.min(x, y) - size / 2).toBeGreaterThan(0)
          expect(x + size / 2).toBeLessThan(screen.width)
          expect(y + size / 2).toBeLessThan(screen.height)
        }
        expect(hitsTarget(itemAt(first, 0), itemAt(first, 0))).toBe(true)
      }),
    )
  })

  it('are compared blind: each setting as often, a real difference found, none made up', () => {
    expect([...blindOrder(4, 9)].sort()).toEqual(['a', 'a', 'b', 'b'])
    const by = randomSource(8)
    const times = (factor: number) =>
      Array.from({ length: 22 }, () => factor * 600 * Math.exp(0.2 * by.normal()))
    const { ratio, faster } = compareTimes(times(1), times(0.75))
    expect(faster).toBe('b')
    expect(ratio.low).toBeLessThan(0.75)
    expect(ratio.high).toBeGreaterThan(0.75)
    expect(compareTimes(times(1), times(1)).faster).toBeUndefined()
  })
})

describe('a session', () => {
  it('adds up, is read back as it was kept, and anything else is not', () => {
    const log = emptySession(1_000_000, 1000)
    for (let at = 0; at < 120_000; at += 1000) recordPress(log, press('KeyW', at, true), 'keys')
    recordPress(log, press('KeyW', 120_000, false), 'keys')
    for (let at = 60_000; at < 90_000; at += 250) recordPress(log, press('left', at, true), 'clicks')
    recordMovement(log, 120_000, 3000, 4000)
    const figures = sessionFigures(log)
    expect(figures).toMatchObject({ keys: 120, clicks: 120 })
    expect(figures.actionsPerMinute).toBeCloseTo(120, 0)
    expect(figures.peakPerMinute).toBe(300)
    expect(figures.metres).toBeCloseTo(0.127, 6)
    expect(figures.overTime.reduce((sum, { perMinute }) => sum + perMinute / 12, 0)).toBeCloseTo(240, 6)
    expect(parseSession(JSON.parse(JSON.stringify(log)))).toEqual(log)
    for (const wrong of [null, [], { ...log, clicks: { left: -1 } }, { ...log, dpi: 0 }, { ...log, more: 1 }])
      expect(() => parseSession(wrong)).toThrow(ProfileError)
    expect(sessionToCsv(log).split('\n')).toHaveLength(26)
  })
})
