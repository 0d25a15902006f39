import { clamp } from '../base/numbers'
import { withMembers } from '../base/tables'
import { itemAt } from '../base/items'
import { EditRefused } from '../wording/edit-refused'
import { MAX_DELAY_MS, MAX_EVENTS, macroNameSchema, type Macro, type MacroEvent } from '../document/macro'
import {
  eventTimes,
  fromTimes,
  pressedKey,
  sortByTime,
  eventPartners,
  type DurationOf,
} from '../document/macro-timing'
import { validateEdit } from './edits'
import { normaliseTags } from '../document/schema-parts'

/** All edits of macro events: pure functions from one list to the next. Press and release stay a pair. */

/** @throws EditRefused for an empty or too long name */
export const renameMacro = (macro: Macro, name: string): Macro => ({
  ...macro,
  name: validateEdit(macroNameSchema, name.trim()),
})

export const setTags = (macro: Macro, tags: readonly string[]): Macro => ({
  ...macro,
  tags: normaliseTags(tags),
})

/** Adds the partner of each index, so that pairs stay together. */
export function addPartners(events: readonly MacroEvent[], indices: Iterable<number>): Set<number> {
  const found = eventPartners(events)
  return new Set([...indices].flatMap((index) => [index, found[index] ?? index]))
}

/** Inserts events at an index with their own timing. @throws EditRefused if there are too many */
export function insertEvents(
  events: readonly MacroEvent[],
  at: number,
  added: readonly MacroEvent[],
): MacroEvent[] {
  if (events.length + added.length > MAX_EVENTS) throw new EditRefused('most-events', { max: MAX_EVENTS })
  return [...events.slice(0, at), ...added, ...events.slice(at)]
}

/**
 * Removes events in pairs; later events keep their time.
 *
 * @param alone removes a press without its release, on purpose
 */
export function removeEvents(
  events: readonly MacroEvent[],
  indices: Iterable<number>,
  alone = false,
  lasting?: DurationOf,
): MacroEvent[] {
  const gone = alone ? new Set(indices) : addPartners(events, indices)
  const times = eventTimes(events, lasting)
  const left = events.flatMap((event, index) =>
    gone.has(index) ? [] : [{ atMs: itemAt(times, index), event }],
  )
  return fromTimes(left, lasting)
}

/** Sets the delay of an event; later events move with it. @throws EditRefused */
export function setDelay(events: readonly MacroEvent[], index: number, afterMs: number): MacroEvent[] {
  if (!Number.isInteger(afterMs) || afterMs < 0 || afterMs > MAX_DELAY_MS)
    throw new EditRefused('delay', { max: MAX_DELAY_MS })
  return events.map((event, each) => (each === index ? { ...event, afterMs } : event))
}

/** Sets the same delay for all events, including the first. @throws EditRefused as {@link setDelay} does */
export function setEveryDelay(events: readonly MacroEvent[], afterMs: number): MacroEvent[] {
  setDelay(events, -1, afterMs)
  return events.map((event) => (event.afterMs === afterMs ? event : { ...event, afterMs }))
}

/** Scales all times by a factor. @throws EditRefused for an invalid factor */
export function scaleTimes(events: readonly MacroEvent[], factor: number): MacroEvent[] {
  if (!Number.isFinite(factor) || factor <= 0 || factor > 100) throw new EditRefused('factor')
  const times = eventTimes(events)
  return fromTimes(
    events.map((event, index) => ({
      atMs: itemAt(times, index) * factor,
      event: scaledPause(event, factor),
    })),
  )
}

const scaledPause = (event: MacroEvent, factor: number): MacroEvent =>
  event.kind === 'pause'
    ? { ...event, fromMs: Math.round(event.fromMs * factor), toMs: Math.round(event.toMs * factor) }
    : event

/**
 * Moves events by some ms, in pairs. A release never moves before its press, and no event before the start.
 *
 * @param alone moves only one end of a bar, which becomes longer or shorter
 * @returns the events, and the new index of each moved one
 */
export function moveEvents(
  events: readonly MacroEvent[],
  indices: Iterable<number>,
  byMs: number,
  alone = false,
  lasting?: DurationOf,
): { events: MacroEvent[]; now: number[] } {
  const found = eventPartners(events)
  const moved = alone ? new Set(indices) : addPartners(events, indices)
  const times = eventTimes(events, lasting)
  const by = withinNeighbours(events, times, moved, byMs)
  for (const index of moved) times[index] = itemAt(times, index) + by
  for (const [index, partner] of found.entries())
    if (partner !== undefined && partner < index)
      times[index] = Math.max(itemAt(times, index), itemAt(times, partner))
  const sorted = sortByTime(events.map((event, index) => ({ event, index, atMs: itemAt(times, index) })))
  return {
    events: fromTimes(sorted, lasting),
    now: sorted.flatMap(({ index }, at) => (moved.has(index) ? [at] : [])),
  }
}

/** Limits for moving events: a bar stays between those of its own key, and everything after the start. */
function withinNeighbours(
  events: readonly MacroEvent[],
  times: readonly number[],
  moved: ReadonlySet<number>,
  byMs: number,
): number {
  let [min, max] = [-Infinity, Infinity]
  /** The latest event of each key. */
  const last = new Map<string, number>()
  for (const [index, event] of events.entries()) {
    const moves = moved.has(index)
    if (moves) min = Math.max(min, -itemAt(times, index))
    const what = pressedKey(event)
    if (what === undefined) continue
    const before = last.get(what)
    last.set(what, index)
    if (before === undefined || moves === moved.has(before)) continue
    if (moves) min = Math.max(min, itemAt(times, before) - itemAt(times, index))
    else max = Math.min(max, itemAt(times, index) - itemAt(times, before))
  }
  return clamp(byMs, min, max)
}

/** Duplicates events directly after the last of them. */
export function duplicateEvents(
  events: readonly MacroEvent[],
  indices: Iterable<number>,
  lasting?: DurationOf,
): MacroEvent[] {
  const chosen = [...addPartners(events, indices)].sort((a, b) => a - b)
  if (chosen.length === 0) return [...events]
  return insertEvents(events, (chosen.at(-1) ?? 0) + 1, copyEvents(events, chosen, lasting))
}

/** Events with their relative timing, starting at once. */
export function copyEvents(
  events: readonly MacroEvent[],
  indices: readonly number[],
  lasting?: DurationOf,
): MacroEvent[] {
  const times = eventTimes(events, lasting)
  const first = times[itemAt(indices, 0)] ?? 0
  return fromTimes(
    indices.map((index) => ({ atMs: itemAt(times, index) - first, event: itemAt(events, index) })),
    lasting,
  )
}

/** A press and a release of a key or button. */
export const pressAndRelease = (event: MacroEvent, heldMs: number): MacroEvent[] =>
  pressedKey(event) === undefined
    ? [event]
    : [event, withMembers(event, { afterMs: heldMs, does: 'release' })]
