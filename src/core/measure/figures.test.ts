import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import type { Press } from '../document/session-log'
import { meanEstimate } from '../base/statistics'
import { reportDescriptor } from '../hid/descriptor'
import { keyboardReport, mouseReport } from '../hid/reports'
import { analyseClicks, analyseKeys, CHATTER_MS } from './clicks'
import { analysePasses, findPasses, type Pass } from './counts-per-inch'
import { receiveReports } from './reception'
import { MovementLog } from './movement-log'
import { measurePolling } from '../computer/movement-polling'
import { randomSource } from '../base/random'
import { analysePolling } from './polling'
import { analyseStroke } from './straightness'
import { findStrokes } from './strokes'

/** Figures of a few numbers that can be computed on paper; measure.test.ts has their meaning for a hand. */

/** Presses of one button, with given hold times and gaps. */
function presses(what: string, pairs: readonly [held: number, gap: number][], from = 0): Press[] {
  let atMs = from
  return pairs.flatMap(([held, gap]): Press[] => {
    const down = { what, atMs, down: true }
    atMs += held
    const up = { what, atMs, down: false }
    atMs += gap
    return [down, up]
  })
}

describe('clicks', () => {
  it('are counted for each button, most pressed first, in any one second and by how long they were held', () => {
    const left = presses('left', [
      [80, 420],
      [90, 410],
      [100, 400],
      [70, 5000],
      [60, 0],
    ])
    const right = presses(
      'right',
      [
        [50, 100],
        [50, 0],
      ],
      40,
    )
    const all = [...right, { what: 'wheel', atMs: 1, down: false }, ...left].sort((a, b) => a.atMs - b.atMs)
    const figures = analyseClicks(all)
    expect(figures.map(({ what, clicks }) => [what, clicks])).toEqual([
      ['left', 5],
      ['right', 2],
    ])
    // At 0, 500 and 1000 ms, including both ends of a second; 1500 is outside.
    expect(itemAt(figures, 0).maxPerSecond).toBe(3)
    expect(itemAt(figures, 0).heldMs).toMatchObject({ value: 80, count: 5 })
    expect(itemAt(figures, 0).shortestGapMs).toBe(400)
    expect(itemAt(figures, 1).shortestGapMs).toBe(100)
    expect(itemAt(analyseClicks(presses('left', [[20, 0]])), 0).shortestGapMs).toBeNaN()
  })

  it('of few gaps are judged by what no finger does, of many by this finger’s own spread', () => {
    const tapped = (gaps: readonly number[]) =>
      itemAt(
        analyseClicks(
          presses(
            'left',
            [...gaps, 0].map((gap): [number, number] => [40, gap]),
          ),
        ),
        0,
      )
    expect(tapped([100, 110, 120, 90, 29, 130, 100])).toMatchObject({
      threshold: { ms: CHATTER_MS, falseAlarms: 0 },
      chatter: { presses: 1 },
    })
    // Median 60, distances 20, 15, 10, 5, 0, 5, 10, 15, 20: their median is 10, and the spread 14.826.
    const { threshold } = tapped([40, 45, 50, 55, 60, 65, 70, 75, 80])
    expect(threshold.ms).toBeCloseTo(60 - 2.575829 * 14.826, 2)
    expect(threshold.falseAlarms).toBeCloseTo(0.005, 5)
    // A hand without spread is assumed to vary by a tenth of its gap; at a distance from 30 ms it never comes close.
    expect(tapped([200, 200, 200, 200, 200, 200, 200, 200]).threshold).toMatchObject({ ms: CHATTER_MS })
    expect(tapped([40, 40, 40, 40, 40, 40, 40, 40]).threshold.ms).toBeCloseTo(40 - 2.575829 * 4, 2)
  })

  it('keys say what was down together, each set once, and how fast one came after another', () => {
    const key = (what: string, atMs: number, down = true): Press => ({ what, atMs, down })
    const figures = analyseKeys([
      key('b', 0),
      key('a', 30),
      key('c', 40),
      key('b', 50, false),
      key('d', 140),
      key('a', 150, false),
      key('b', 200),
      key('c', 210, false),
      key('a', 230),
    ])
    expect(figures.together).toEqual([
      ['a', 'b', 'c'],
      ['a', 'c', 'd'],
      ['b', 'c', 'd'],
      ['a', 'b', 'd'],
      ['a', 'b'],
    ])
    expect(figures).toMatchObject({ max: 3, fastestMs: 10, medianMs: 30 })
    expect(analyseKeys([])).toMatchObject({ together: [], max: 0, fastestMs: NaN })
  })
})

describe('movement', () => {
  it('is kept however much there is, and handed over from any place on', () => {
    const log = new MovementLog()
    for (let at = 0; at < 10_000; at++) log.add(at / 8, at % 300, -(at % 200))
    expect(log.length).toBe(10_000)
    const { timesMs, dx, dy } = log.movement
    expect([timesMs.length, dx.length, dy.length]).toEqual([10_000, 10_000, 10_000])
    for (const at of [0, 4095, 4096, 8191, 8192, 9999])
      expect([timesMs[at], dx[at], itemAt(dy, at) + 0]).toEqual([at / 8, at % 300, 0 - (at % 200)])
    const last: number[][] = []
    log.each(9998, (...each) => last.push(each))
    expect(last).toEqual([
      [9998 / 8, 98, -198],
      [9999 / 8, 99, -199],
    ])
    log.clear()
    expect(log.times).toHaveLength(0)
  })

  it('is parted into strokes by pauses; what is too short is none', () => {
    const times = [0, 8, 16, 316, 324, 700]
    const strokes = findStrokes(times, [60, 60, 0, 0, 0, 119], [0, 0, 5, 0, 0, 0])
    expect(strokes).toEqual([
      [
        [0, 0],
        [60, 0],
        [120, 0],
        [120, 5],
        [120, 5],
        [120, 5],
      ].map(([x, y]) => ({ x, y })),
    ])
    expect(findStrokes([0, 301], [120, -120], [0, 0])).toHaveLength(2)
    expect(findStrokes([], [], [])).toEqual([])
    expect(findPasses([0, 400, 800], [130, 10, -150], [20, 140, 150])).toEqual([
      { axis: 'across', x: 130, y: 20 },
      { axis: 'along', x: 10, y: 140 },
      { axis: 'across', x: -150, y: 150 },
    ])
  })

  it('over a known distance says counts per inch, how far off, how turned and how alike both ways', () => {
    const pass = (axis: Pass['axis'], x: number, y: number): Pass => ({ axis, x, y })
    const found = analysePasses([pass('across', 800, 0), pass('across', -840, 0)], 25.4, 800)
    expect(found).toHaveLength(1)
    const across = itemAt(found, 0)
    expect(across).toMatchObject({ axis: 'across', dpi: { value: 820, count: 2 } })
    expect(across.errorPercent.value).toBeCloseTo(2.5)
    expect(across.errorPercent.low).toBeCloseTo((meanEstimate([800, 840]).low / 800 - 1) * 100)
    expect(across.errorPercent.high).toBeCloseTo((meanEstimate([800, 840]).high / 800 - 1) * 100)
    expect(across.asymmetryPercent).toBeCloseTo((800 / 840 - 1) * 100)
    expect(across.turnedDegrees.value).toBeCloseTo(0)
    const oneWay = analysePasses([pass('along', 0, -400), pass('along', 0, -400)], 50.8, 200)
    expect(oneWay[0]).toMatchObject({ axis: 'along', dpi: { value: 200 }, asymmetryPercent: 0 })
    // With a sensor rotated clockwise, a hand moving right appears to move away from it.
    const turned = itemAt(
      analysePasses([pass('across', 1000, -1000 * Math.tan(Math.PI / 60))], 25.4, 1000),
      0,
    )
    expect(turned.turnedDegrees.value).toBeCloseTo(3)
    const along = itemAt(analysePasses([pass('along', 100, 1000)], 25.4, 1000), 0)
    expect(along.turnedDegrees.value).toBeCloseTo((Math.atan(0.1) * 180) / Math.PI)
    expect(along.dpi.value).toBeCloseTo(Math.hypot(100, 1000))
  })

  it('has the line that fits its path best, whatever it was slow on', () => {
    // Two sides of a square: the line through its middle, at 45°, from which the corner deviates by half a diagonal.
    const side = 100
    const steps = Array.from({ length: 101 }, (_, at) => at)
    const corner = [...steps.map((x) => ({ x, y: 0 })), ...steps.slice(1).map((y) => ({ x: side, y }))]
    const figures = analyseStroke(corner)
    expect(Math.abs(figures.degrees - 45)).toBeLessThan(1)
    expect(figures.length).toBeCloseTo(side * Math.SQRT2)
    expect(figures.strayMost).toBeGreaterThan(figures.strayRms)
    // The same path with a hand that paused in the corner.
    const rested = analyseStroke([
      ...corner.slice(0, 101),
      ...Array.from({ length: 50 }, () => itemAt(corner, 100)),
      ...corner.slice(101),
    ])
    for (const key of ['degrees', 'length', 'strayRms', 'strayMost'] as const)
      expect(rested[key]).toBeCloseTo(figures[key], 9)
    expect(
      analyseStroke([
        { x: 5, y: 5 },
        { x: 15, y: 5 },
      ]),
    ).toEqual({
      length: 10,
      degrees: 0,
      strayRms: 0,
      strayMost: 0,
    })
  })
})

describe('polling', () => {
  const at = (count: number, stamp: (index: number) => number) =>
    Float64Array.from({ length: count }, (_, index) => stamp(index))

  it('spreads intervals over sixty bars that hold each of them once', () => {
    // A hundred of 1 ms and a hundred of 2 ms, alternating.
    const figures = analysePolling(at(201, (index) => 1.5 * index - (index % 2 === 1 ? 0.5 : 0)))
    expect(figures?.histogram).toHaveLength(60)
    const bars = figures?.histogram.filter(({ count }) => count > 0) ?? []
    expect(bars.map(({ count }) => count)).toEqual([100, 100])
    const wide = itemAt(figures?.histogram, 1).ms - itemAt(figures?.histogram, 0).ms
    expect(Math.abs(itemAt(bars, 0).ms - 1)).toBeLessThanOrEqual(wide / 2 + 1e-9)
    expect(Math.abs(itemAt(bars, 1).ms - 2)).toBeLessThanOrEqual(wide / 2 + 1e-9)
    expect(figures?.jitterMs).toBeCloseTo(0.5, 2)
  })

  it('says nothing of fewer than eleven reports, and how many came in each window of time', () => {
    expect(analysePolling(at(10, (index) => index))).toBeUndefined()
    const figures = analysePolling(at(1001, (index) => 0.998 * index))
    expect(figures?.reports).toBe(1001)
    expect(figures?.rateHz.value).toBeCloseTo(1000 / 0.998, 3)
    expect(figures?.overTime).toHaveLength(9)
    expect(itemAt(figures?.overTime, 0).s).toBeCloseTo(0.05)
    for (const { rateHz } of figures?.overTime ?? []) expect(Math.abs(rateHz - 1002)).toBeLessThan(12)
  })

  it('tells how often reports came where no polling rate stands out', () => {
    const { uniform } = randomSource(3)
    let atMs = 0
    const times = Array.from({ length: 400 }, () => (atMs += 15 + 50 * uniform()))
    const found = analysePolling(Float64Array.from(times))
    expect(found?.rateHz.value).toBeNaN()
    // 40 ms on average.
    expect(found?.reportsHz.low).toBeLessThan(25)
    expect(found?.reportsHz.high).toBeGreaterThan(25)
    expect((found?.reportsHz.high ?? 0) - (found?.reportsHz.low ?? 0)).toBeLessThan(3)
  })

  it('counts polls without a report, not a pause; a clock that is too coarse is named', () => {
    const gone = (index: number) =>
      index >= 500 ? 0.125 * (index + 3) + (index >= 1500 ? 900 : 0) : 0.125 * index
    const figures = analysePolling(at(3000, gone))
    expect(figures?.missed).toBe(3)
    expect(figures?.rateHz.value).toBeCloseTo(8000, 1)
    expect(figures?.clockMs).toBeUndefined()
    const coarse = analysePolling(at(4000, (index) => Math.floor(0.77 * index)))
    expect(coarse).toMatchObject({ clockMs: 1, missed: 0 })
    expect(coarse?.rateHz.value).toBeNaN()
    // The same ticks show a rate if nearly all intervals are one of them.
    expect(analysePolling(at(2000, (index) => index))?.rateHz.value).toBeCloseTo(1000, 6)
  })

  it('says the same whenever the clock began, and of runs of any length', () => {
    const LATE_MS = 3_600_000
    // A short run, a pause, and a longer one: 1.25 ms apart.
    const stamps = (from: number) => at(3000, (index) => from + 1.25 * index + (index >= 100 ? 2000.3 : 0))
    const [early, late] = [analysePolling(stamps(0)), analysePolling(stamps(LATE_MS))]
    for (const figures of [early, late]) {
      expect(figures?.rateHz.value).toBeCloseTo(800, 4)
      expect(figures?.missed).toBe(0)
      expect(figures?.medianMs).toBeCloseTo(1.25, 2)
    }
    expect(late?.overTime.map(({ s }) => s)).toEqual(early?.overTime.map(({ s }) => s))
    expect(late?.overTime.slice(0, 3).map(({ rateHz }) => Math.round(rateHz / 50))).toEqual([16, 4, 0])
  })

  it('has an interval as wide as a tick of the clock over all of the time, at the least', () => {
    // 1,000 polls of 4 ms on a clock of 1 ms: a tick is a 4,000th of the time.
    const rate = analysePolling(at(1001, (index) => 4 * index))?.rateHz
    expect(rate?.value).toBeCloseTo(250, 6)
    expect(rate?.low).toBeCloseTo(250 - 250 / 4000, 5)
    expect(rate?.high).toBeCloseTo(250 + 250 / 4000, 5)
    // 8,000 Hz on the same clock means eight stamps per tick, which shows nothing.
    expect(analysePolling(at(4000, (index) => Math.floor(index / 8)))?.rateHz.value).toBeNaN()
    // 94 of 100 equal intervals are too few for a clock as coarse as the period; 96 are enough.
    const strayed = (every: number) =>
      analysePolling(at(2001, (index) => 2 * index + (index % every === 0 ? 1 : 0)))
    expect(strayed(34)?.rateHz.value).toBeNaN()
    expect(strayed(60)?.rateHz.value).toBeCloseTo(500, 0)
  })

  it('hears reports when they were sent, the movement of a lost one with the next, and stamps never go back', () => {
    const reports = Array.from({ length: 400 }, (_, index) => ({
      atUs: 1000 * index,
      report: mouseReport({ buttons: index % 2, x: 3, y: -1, wheel: 0, pan: 0 }),
    }))
    const key = { atUs: 400_000, report: keyboardReport([4]) }
    const descriptor = reportDescriptor()
    const exact = receiveReports(
      { descriptor, reports: [...reports, key] },
      { seed: 1, jitterMs: 0, lostShare: 0 },
    )
    expect(exact.timesMs).toEqual(reports.map(({ atUs }) => atUs / 1000))
    expect(exact.dx).toEqual(reports.map(() => 3))
    expect(exact.dy).toEqual(reports.map(() => -1))
    expect(exact.presses.slice(0, 2)).toEqual([
      { what: 'button 1', atMs: 1, down: true },
      { what: 'button 1', atMs: 2, down: false },
    ])
    expect(exact.keys).toMatchObject([{ atMs: 400, down: true }])
    const worn = receiveReports({ descriptor, reports }, { seed: 7, jitterMs: 0.8, lostShare: 0.25 })
    expect(worn.timesMs.length).toBeGreaterThan(250)
    expect(worn.timesMs.length).toBeLessThan(350)
    const moved = worn.dx.reduce((sum, x) => sum + x, 0)
    expect(moved).toBeGreaterThan(3 * 390)
    expect(worn.dx.every((x, index) => x === -3 * itemAt(worn.dy, index) && x % 3 === 0)).toBe(true)
    expect(worn.timesMs.every((time, index) => index === 0 || time >= itemAt(worn.timesMs, index - 1))).toBe(
      true,
    )
  })
})

describe('the polling rate of a movement', () => {
  it('is that of the polls that had a report, however many had none', () => {
    const polls = Array.from({ length: 200 }, (_, poll) => poll).filter(
      (poll) => poll % 3 !== 1 || poll > 150,
    )
    expect(measurePolling(polls.map((poll) => 250 * poll))).toEqual({
      rateHz: 4000,
      reports: polls.length,
    })
    expect(measurePolling(polls.slice(0, 9))).toBeUndefined()
  })
})
