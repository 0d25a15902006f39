import { itemAt } from '../base/items'
import { pressedKey, type DurationOf } from '../document/macro-timing'
import type { MacroEvent } from '../document/macro'

/** One row of the timeline: a key, a button, or all events that are not held. */
export interface Lane {
  id: string
  /** An event of its key; undefined for events that are not held. */
  event?: MacroEvent
}

/** A mark on a lane: from a press to its release, or at one moment. */
export interface Bar {
  lane: number
  fromMs: number
  toMs: number
  /** Indices of its first and last event. */
  index: number
  endIndex: number | undefined
  family: 'held' | 'open' | 'other'
}

const OTHERS = 'others'

/** Lanes in the order in which their keys first occur; events that are not held come last. */
export function lanesOf(events: readonly MacroEvent[]): Lane[] {
  const lanes = new Map<string, Lane>()
  let others = false
  for (const event of events) {
    const id = pressedKey(event)
    if (id === undefined) others = true
    else if (!lanes.has(id)) lanes.set(id, { id, event })
  }
  return [...lanes.values(), ...(others ? [{ id: OTHERS }] : [])]
}

/** Bars in the order of their start times. */
export function barsOf(
  events: readonly MacroEvent[],
  times: readonly number[],
  pairs: readonly (number | undefined)[],
  lanes: readonly Lane[],
  lasting: DurationOf,
): Bar[] {
  const laneOf = new Map(lanes.map(({ id }, index) => [id, index]))
  const end = times.at(-1) ?? 0
  // A loop, because this runs in every frame of a drag, for thousands of events.
  const bars: Bar[] = []
  for (const [index, event] of events.entries()) {
    const lane = laneOf.get(pressedKey(event) ?? OTHERS) ?? 0
    const fromMs = itemAt(times, index)
    const endIndex = pairs[index]
    const bar: Bar = { lane, fromMs, toMs: fromMs, index, endIndex, family: 'held' }
    if (!('does' in event)) {
      bar.toMs = fromMs + lasting(event)
      bar.family = 'other'
    } else if (endIndex === undefined) {
      bar.toMs = Math.max(fromMs, end)
      bar.family = 'open'
    } else if (event.does === 'press') bar.toMs = itemAt(times, endIndex)
    else continue
    bars.push(bar)
  }
  return bars
}

/** Bars within a time range. A long macro has many bars, but few of them are visible. */
export const visibleBars = (bars: readonly Bar[], fromMs: number, toMs: number): Bar[] =>
  bars.filter((bar) => bar.toMs >= fromMs && bar.fromMs <= toMs)

/** Bars that touch a selection frame over times and lanes. */
export const barsWithin = (
  bars: readonly Bar[],
  frame: { fromMs: number; toMs: number; fromLane: number; toLane: number },
): Bar[] =>
  visibleBars(bars, frame.fromMs, frame.toMs).filter(
    ({ lane }) => lane + 1 > frame.fromLane && lane < frame.toLane,
  )

/** The bar of a lane nearest to a time, or undefined if none is near enough. */
export function nearestBar(
  bars: readonly Bar[],
  lane: number,
  ms: number,
  withinMs: number,
): Bar | undefined {
  const away = ({ fromMs, toMs }: Bar) => Math.max(0, fromMs - ms, ms - toMs)
  return bars
    .filter((bar) => bar.lane === lane && away(bar) <= withinMs)
    .sort((a, b) => away(a) - away(b))
    .at(0)
}

const STEPS_MS = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 30_000, 60_000]
const MIN_PX = 70

/** Ruler lines at round times, far enough apart for their labels. */
export function ticksOf(fromMs: number, roomPx: number, pxPerMs: number): { ms: number; text: string }[] {
  const step = STEPS_MS.find((ms) => ms * pxPerMs >= MIN_PX) ?? 60_000
  const first = Math.ceil(fromMs / step)
  const count = Math.floor((fromMs + roomPx / pxPerMs) / step) - first + 1
  return Array.from({ length: Math.max(0, count) }, (_, index) => {
    const ms = (first + index) * step
    return { ms, text: step >= 1000 ? `${ms / 1000} s` : `${ms} ms` }
  })
}
