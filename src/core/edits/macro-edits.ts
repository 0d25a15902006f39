import { withMembers } from '../base/tables'
import { itemAt } from '../base/items'
import { EditRefused } from '../wording/refused'
import { MOST_AFTER_MS, MOST_EVENTS, macroNameSchema, type Macro, type MacroEvent } from '../document/macro'
import { eventTimes, fromTimes, heldBy, inOrder, partners, type Lasting } from '../document/macro-timing'
import { checked } from './edits'
import { cleanTags } from '../document/schema-parts'

/** Every edit of a macro's events: pure, from one list to the next. Press and release stay a pair. */

/** @throws EditRefused for a name that is empty or too long */
export const renameMacro = (macro: Macro, name: string): Macro => ({
  ...macro,
  name: checked(macroNameSchema, name.trim()),
})

export const setTags = (macro: Macro, tags: readonly string[]): Macro => ({
  ...macro,
  tags: cleanTags(tags),
})

/** The indices with the partner of each, so that a pair is taken whole. */
export function withPartners(events: readonly MacroEvent[], indices: Iterable<number>): Set<number> {
  const found = partners(events)
  return new Set([...indices].flatMap((index) => [index, found[index] ?? index]))
}

/** Puts events in before a place, as they are timed among themselves. @throws EditRefused when there are too many */
export function insertEvents(
  events: readonly MacroEvent[],
  at: number,
  added: readonly MacroEvent[],
): MacroEvent[] {
  if (events.length + added.length > MOST_EVENTS) throw new EditRefused('most-events', { most: MOST_EVENTS })
  return [...events.slice(0, at), ...added, ...events.slice(at)]
}

/**
 * Takes events out, pairs whole; what comes after stays at its time.
 *
 * @param alone takes a press without its release, on purpose
 */
export function removeEvents(
  events: readonly MacroEvent[],
  indices: Iterable<number>,
  alone = false,
  lasting?: Lasting,
): MacroEvent[] {
  const gone = alone ? new Set(indices) : withPartners(events, indices)
  const times = eventTimes(events, lasting)
  const left = events.flatMap((event, index) =>
    gone.has(index) ? [] : [{ atMs: itemAt(times, index), event }],
  )
  return fromTimes(left, lasting)
}

/** Sets how long after the one before an event happens; what follows moves along. @throws EditRefused */
export function setDelay(events: readonly MacroEvent[], index: number, afterMs: number): MacroEvent[] {
  if (!Number.isInteger(afterMs) || afterMs < 0 || afterMs > MOST_AFTER_MS)
    throw new EditRefused('delay', { most: MOST_AFTER_MS })
  return events.map((event, each) => (each === index ? { ...event, afterMs } : event))
}

/** One delay for all, the first included. @throws EditRefused as {@link setDelay} does */
export function setEveryDelay(events: readonly MacroEvent[], afterMs: number): MacroEvent[] {
  setDelay(events, -1, afterMs)
  return events.map((event) => (event.afterMs === afterMs ? event : { ...event, afterMs }))
}

/** Makes everything so many times as long. @throws EditRefused for a factor that is none */
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
 * Moves events by some ms, pairs whole. A release never comes before its press, nor anything before the beginning.
 *
 * @param alone moves an end of a bar alone: it becomes longer or shorter
 * @returns the events, and where each of those moved is now
 */
export function moveEvents(
  events: readonly MacroEvent[],
  indices: Iterable<number>,
  byMs: number,
  alone = false,
  lasting?: Lasting,
): { events: MacroEvent[]; now: number[] } {
  const found = partners(events)
  const moved = alone ? new Set(indices) : withPartners(events, indices)
  const times = eventTimes(events, lasting)
  const by = withinNeighbours(events, times, moved, byMs)
  for (const index of moved) times[index] = itemAt(times, index) + by
  for (const [index, partner] of found.entries())
    if (partner !== undefined && partner < index)
      times[index] = Math.max(itemAt(times, index), itemAt(times, partner))
  const sorted = inOrder(events.map((event, index) => ({ event, index, atMs: itemAt(times, index) })))
  return {
    events: fromTimes(sorted, lasting),
    now: sorted.flatMap(({ index }, at) => (moved.has(index) ? [at] : [])),
  }
}

/** By how much events can be moved: a bar stays between those of its own key, and everything behind the beginning. */
function withinNeighbours(
  events: readonly MacroEvent[],
  times: readonly number[],
  moved: ReadonlySet<number>,
  byMs: number,
): number {
  let [least, most] = [-Infinity, Infinity]
  /** The last event of each key so far. */
  const last = new Map<string, number>()
  for (const [index, event] of events.entries()) {
    const moves = moved.has(index)
    if (moves) least = Math.max(least, -itemAt(times, index))
    const what = heldBy(event)
    if (what === undefined) continue
    const before = last.get(what)
    last.set(what, index)
    if (before === undefined || moves === moved.has(before)) continue
    if (moves) least = Math.max(least, itemAt(times, before) - itemAt(times, index))
    else most = Math.min(most, itemAt(times, index) - itemAt(times, before))
  }
  return Math.min(Math.max(byMs, least), most)
}

/** The same events once more, right behind the last of them. */
export function duplicateEvents(
  events: readonly MacroEvent[],
  indices: Iterable<number>,
  lasting?: Lasting,
): MacroEvent[] {
  const chosen = [...withPartners(events, indices)].sort((a, b) => a - b)
  if (chosen.length === 0) return [...events]
  return insertEvents(events, (chosen.at(-1) ?? 0) + 1, copied(events, chosen, lasting))
}

/** Events as they are timed among themselves, the first at once. */
export function copied(
  events: readonly MacroEvent[],
  indices: readonly number[],
  lasting?: Lasting,
): MacroEvent[] {
  const times = eventTimes(events, lasting)
  const first = times[itemAt(indices, 0)] ?? 0
  return fromTimes(
    indices.map((index) => ({ atMs: itemAt(times, index) - first, event: itemAt(events, index) })),
    lasting,
  )
}

/** A key or button pressed and let go. */
export const pressed = (event: MacroEvent, heldMs: number): MacroEvent[] =>
  heldBy(event) === undefined ? [event] : [event, withMembers(event, { afterMs: heldMs, does: 'release' })]
