import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { itemAt } from '../base/items'
import { anyEvents, key } from '../document/any-macro.test-support'
import { eventTimes, eventPartners } from '../document/macro-timing'
import type { MacroEvent } from '../document/macro'
import { nearestBar, barsOf, barsWithin, lanesOf, ticksOf, visibleBars } from './lanes'
import { useTimeScale } from '../../app/macros/time-scale'

const lasting = () => 0
const drawn = (events: readonly MacroEvent[]) => {
  const lanes = lanesOf(events)
  return { lanes, bars: barsOf(events, eventTimes(events, lasting), eventPartners(events), lanes, lasting) }
}

describe('the bars of a macro', () => {
  it('draw each press to its release on the lane of its key, and what is not held at a moment', () => {
    const { lanes, bars } = drawn([
      key('KeyA', 'press', 0),
      key('KeyB', 'press', 10),
      key('KeyA', 'release', 20),
      { kind: 'step', to: 'next', afterMs: 5 },
      key('KeyC', 'press', 5),
    ])
    expect(lanes.length).toBe(4)
    expect(bars.map(({ lane, fromMs, toMs, family }) => [lane, fromMs, toMs, family])).toEqual([
      [0, 0, 30, 'held'],
      [1, 10, 40, 'open'],
      [3, 35, 35, 'other'],
      [2, 40, 40, 'open'],
    ])
  })

  it('stand for every event once, whatever the macro, and never end before they begin', () => {
    fc.assert(
      fc.property(anyEvents, (events) => {
        const { lanes, bars } = drawn(events)
        const told = bars.flatMap(({ index, endIndex }) => [
          index,
          ...(endIndex === undefined ? [] : [endIndex]),
        ])
        expect(told.sort((a, b) => a - b)).toEqual(events.map((_, index) => index))
        for (const { lane, fromMs, toMs } of bars) {
          expect(lanes[lane]).toBeDefined()
          expect(toMs).toBeGreaterThanOrEqual(fromMs)
        }
      }),
    )
  })

  it('are found by a frame and near a pointer, and the others are not', () => {
    const { bars } = drawn([
      key('KeyA', 'press', 0),
      key('KeyA', 'release', 20),
      key('KeyB', 'press', 100),
      key('KeyB', 'release', 50),
    ])
    expect(visibleBars(bars, 30, 100).length).toBe(0)
    expect(visibleBars(bars, 20, 130).length).toBe(2)
    expect(
      barsWithin(bars, { fromMs: 0, toMs: 500, fromLane: 1.2, toLane: 1.8 }).map(({ lane }) => lane),
    ).toEqual([1])
    expect(nearestBar(bars, 0, 23, 4)?.index).toBe(0)
    expect(nearestBar(bars, 0, 30, 4)).toBeUndefined()
    expect(nearestBar(bars, 1, 110, 4)).toBeUndefined()
  })
})

describe('the ruler', () => {
  it('has lines at round times, in sight and far enough apart', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.integer({ min: 200, max: 2500 }),
        fc.double({ min: 0.002, max: 20, noNaN: true }),
        (fromMs, roomPx, pxPerMs) => {
          const ticks = ticksOf(fromMs, roomPx, pxPerMs)
          ticks.forEach(({ ms }, index) => {
            expect(ms).toBeGreaterThanOrEqual(fromMs)
            expect((ms - fromMs) * pxPerMs).toBeLessThanOrEqual(roomPx + 1e-6)
            if (index > 0) expect((ms - itemAt(ticks, index - 1).ms) * pxPerMs).toBeGreaterThanOrEqual(69.99)
          })
        },
      ),
    )
  })
})

describe('the scale of the time line', () => {
  const LEFT = 100
  const scaled = (lastsMs: number, widthPx = 900) => {
    const [length, width, what] = [ref(lastsMs), ref(widthPx), ref('a')]
    const scope = effectScope()
    const scale = scope.run(() =>
      useTimeScale(
        width,
        LEFT,
        () => length.value,
        () => what.value,
      ),
    )
    if (!scale) throw new Error('no scope')
    scale.fit()
    return { scale, length, width, what }
  }

  it('keeps what is under the pointer where it is, however far it is zoomed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 100_000 }),
        fc.array(fc.tuple(fc.double({ min: 0.3, max: 3, noNaN: true }), fc.integer({ min: 120, max: 880 })), {
          minLength: 1,
          maxLength: 6,
        }),
        (lastsMs, zooms) => {
          const { scale } = scaled(lastsMs)
          for (const [factor, atPx] of zooms) {
            const before = scale.fromMs.value + (atPx - LEFT) / scale.pxPerMs.value
            scale.zoom(factor, atPx)
            const min = scale.fromMs.value
            const max = min + scale.span.value
            expect(min).toBeGreaterThanOrEqual(0)
            // At the ends of the macro the bar stops. Everywhere else the time stays under the pointer.
            if (min > 1e-9 && max < lastsMs * 1.04 - 1e-6) expect(scale.x(before)).toBeCloseTo(atPx, 4)
          }
        },
      ),
    )
  })

  it('shows all of another macro, follows the width, and brings a moment into sight', async () => {
    const { scale, width, what } = scaled(10_000)
    scale.zoom(8)
    what.value = 'b'
    await nextTick()
    expect(scale.x(10_000)).toBeLessThanOrEqual(900 - 12)
    width.value = 500
    await nextTick()
    expect(scale.x(10_000)).toBeLessThanOrEqual(500 - 12)
    scale.zoom(8, LEFT)
    expect(scale.x(9000)).toBeGreaterThan(500)
    scale.show(9000)
    expect(scale.x(9000)).toBeLessThanOrEqual(500)
    scale.pan(-1e9)
    expect(scale.fromMs.value).toBe(0)
  })
})
