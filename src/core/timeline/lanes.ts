import { itemAt } from '../base/items'
import { heldBy, type Lasting } from '../document/macro-timing'
import type { MacroEvent } from '../document/macro'

/** One line of the time line: a key, a button, or all that is not held. */
export interface Lane {
  id: string
  /** An event of its key; none for what is not held. */
  event?: MacroEvent
}

/** What is drawn on a lane, from a press to its release or at one moment. */
export interface Bar {
  lane: number
  fromMs: number
  toMs: number
  /** The event it begins with, and the one it ends with. */
  index: number
  endIndex: number | undefined
  family: 'held' | 'open' | 'other'
}

const OTHERS = 'others'

/** Lanes in the order in which their keys first come; what is not held comes last. */
export function lanesOf(events: readonly MacroEvent[]): Lane[] {
  const lanes = new Map<string, Lane>()
  let others = false
  for (const event of events) {
    const id = heldBy(event)
    if (id === undefined) others = true
    else if (!lanes.has(id)) lanes.set(id, { id, event })
  }
  return [...lanes.values(), ...(others ? [{ id: OTHERS }] : [])]
}

/** Bars by the time they begin. */
export function barsOf(
  events: readonly MacroEvent[],
  times: readonly number[],
  pairs: readonly (number | undefined)[],
  lanes: readonly Lane[],
  lasting: Lasting,
): Bar[] {
  const laneOf = new Map(lanes.map(({ id }, index) => [id, index]))
  const end = times.at(-1) ?? 0
  // A loop: this runs at every frame of a drag, for thousands of events.
  const bars: Bar[] = []
  for (const [index, event] of events.entries()) {
    const lane = laneOf.get(heldBy(event) ?? OTHERS) ?? 0
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

/** Those of the bars that lie within some time; bars of long macros are many, those in sight few. */
export const visibleBars = (bars: readonly Bar[], fromMs: number, toMs: number): Bar[] =>
  bars.filter((bar) => bar.toMs >= fromMs && bar.fromMs <= toMs)

/** Those that a frame over times and lanes touches. */
export const barsWithin = (
  bars: readonly Bar[],
  frame: { fromMs: number; toMs: number; fromLane: number; toLane: number },
): Bar[] =>
  visibleBars(bars, frame.fromMs, frame.toMs).filter(
    ({ lane }) => lane + 1 > frame.fromLane && lane < frame.toLane,
  )

/** The bar of a lane nearest to a moment, if any is near enough. */
export function barNear(bars: readonly Bar[], lane: number, ms: number, withinMs: number): Bar | undefined {
  const away = ({ fromMs, toMs }: Bar) => Math.max(0, fromMs - ms, ms - toMs)
  return bars
    .filter((bar) => bar.lane === lane && away(bar) <= withinMs)
    .sort((a, b) => away(a) - away(b))
    .at(0)
}

const STEPS_MS = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 30_000, 60_000]
const LEAST_PX = 70

/** Lines of the ruler at round times, far enough apart to be read. */
export function ticksOf(fromMs: number, roomPx: number, pxPerMs: number): { ms: number; text: string }[] {
  const step = STEPS_MS.find((ms) => ms * pxPerMs >= LEAST_PX) ?? 60_000
  const first = Math.ceil(fromMs / step)
  const count = Math.floor((fromMs + roomPx / pxPerMs) / step) - first + 1
  return Array.from({ length: Math.max(0, count) }, (_, index) => {
    const ms = (first + index) * step
    return { ms, text: step >= 1000 ? `${ms / 1000} s` : `${ms} ms` }
  })
}
