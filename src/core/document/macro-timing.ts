import { withMembers } from '../base/tables'
import { itemAt } from '../base/items'
import { memoizeByObject } from '../base/memoize'
import type { MacroEvent } from './macro'

/** Times of events in a macro, and pairs of events. */

/** Duration of an event itself, in ms; later events follow its end. */
export type DurationOf = (event: MacroEvent) => number

/** A random delay counts with its mean. */
export const meanDelayMs = ({ fromMs, toMs }: { fromMs: number; toMs: number }): number =>
  Math.round((fromMs + toMs) / 2)

/** Known from the event alone; `eventDurations` also knows texts and nested macros. */
const pausesOnly: DurationOf = (event) => (event.kind === 'pause' ? meanDelayMs(event) : 0)

/** Time of each event, in ms from the start. */
export function eventTimes(events: readonly MacroEvent[], lasting = pausesOnly): number[] {
  let now = 0
  return events.map((event) => {
    const at = now + event.afterMs
    now = at + lasting(event)
    return at
  })
}

export const durationMs = (events: readonly MacroEvent[], lasting = pausesOnly): number =>
  events.reduce((now, event) => now + event.afterMs + lasting(event), 0)

/** Identifies the key or button of an event, so that its release can be found. */
export const pressedKey = (event: MacroEvent): string | undefined =>
  event.kind === 'key' ? event.code : event.kind === 'button' ? `button ${event.button}` : undefined

/** By index: the release of each press, and the press of each release. */
export const eventPartners = memoizeByObject(
  (events: readonly MacroEvent[]): readonly (number | undefined)[] => {
    const found = new Array<number | undefined>(events.length).fill(undefined)
    const down = new Map<string, number>()
    events.forEach((event, index) => {
      const what = pressedKey(event)
      if (what === undefined || !('does' in event)) return
      const pressed = down.get(what)
      if (event.does === 'press' && pressed === undefined) down.set(what, index)
      else if (event.does === 'release' && pressed !== undefined) {
        found[pressed] = index
        found[index] = pressed
        down.delete(what)
      }
    })
    return found
  },
)

/** Keys and buttons still down at the end, by the events that pressed them. */
export const unreleasedPresses = memoizeByObject((events: readonly MacroEvent[]): readonly number[] => {
  const found = eventPartners(events)
  return events.flatMap((event, index) =>
    'does' in event && event.does === 'press' && found[index] === undefined ? [index] : [],
  )
})

/** Adds releases at the end for everything still down. */
export function addReleases(events: readonly MacroEvent[]): { events: MacroEvent[]; added: number } {
  const open = unreleasedPresses(events)
  const releases = [...open]
    .reverse()
    .map((index): MacroEvent => withMembers(itemAt(events, index), { afterMs: 0, does: 'release' }))
  return { events: [...events, ...releases], added: open.length }
}

/**
 * Converts events with absolute times into delays; events at the same time keep their order. An event whose delay is
 * unchanged stays the same object, so that the states of a long macro share memory.
 */
export function fromTimes(
  timed: readonly { atMs: number; event: MacroEvent }[],
  lasting = pausesOnly,
): MacroEvent[] {
  let now = 0
  // Sorting is stable (ECMA-262), so no order needs to be stored with the times.
  return sortByTime(timed).map(({ atMs, event }) => {
    const afterMs = Math.max(0, Math.round(atMs) - now)
    now += afterMs + lasting(event)
    return event.afterMs === afterMs ? event : { ...event, afterMs }
  })
}

/** By time. Sorted lists, which are most, are not sorted again. */
export function sortByTime<Timed extends { atMs: number }>(timed: readonly Timed[]): readonly Timed[] {
  const sorted = timed.every(({ atMs }, index) => index === 0 || itemAt(timed, index - 1).atMs <= atMs)
  return sorted ? timed : [...timed].sort((a, b) => a.atMs - b.atMs)
}
