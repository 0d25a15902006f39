import type { MacroEvent } from './macro'

/** When things happen in a macro, and which events belong together. */

/** A pause that is drawn anew counts with its mean. */
export const lastsMs = (event: MacroEvent): number =>
  event.kind === 'pause' ? Math.round((event.fromMs + event.toMs) / 2) : 0

/** When each event happens, in ms from the beginning. */
export function eventTimes(events: readonly MacroEvent[]): number[] {
  let now = 0
  return events.map((event) => {
    const at = now + event.afterMs
    now = at + lastsMs(event)
    return at
  })
}

export function durationMs(events: readonly MacroEvent[]): number {
  const last = events.at(-1)
  return last ? (eventTimes(events).at(-1) ?? 0) + lastsMs(last) : 0
}

/** What is pressed by an event, so that its release is known by it. */
export const heldBy = (event: MacroEvent): string | undefined =>
  event.kind === 'key' ? event.code : event.kind === 'button' ? `button ${event.button}` : undefined

/** For each event that presses something the index of the one that lets it go, and the other way round. */
export function partners(events: readonly MacroEvent[]): Map<number, number> {
  const found = new Map<number, number>()
  const down = new Map<string, number>()
  events.forEach((event, index) => {
    const what = heldBy(event)
    if (what === undefined || !('does' in event)) return
    const pressed = down.get(what)
    if (event.does === 'press' && pressed === undefined) down.set(what, index)
    else if (event.does === 'release' && pressed !== undefined) {
      found.set(pressed, index).set(index, pressed)
      down.delete(what)
    }
  })
  return found
}

/** Keys and buttons that are still down at the end, by the events that pressed them. */
export function leftDown(events: readonly MacroEvent[]): number[] {
  const found = partners(events)
  return events.flatMap((event, index) =>
    'does' in event && event.does === 'press' && !found.has(index) ? [index] : [],
  )
}

/** The events with a release at the end for whatever is still down there. */
export function withReleases(events: readonly MacroEvent[]): { events: MacroEvent[]; added: number } {
  const open = leftDown(events)
  const releases = [...open]
    .reverse()
    .map((index): MacroEvent => ({ ...events[index], afterMs: 0, does: 'release' }) as MacroEvent)
  return { events: [...events, ...releases], added: open.length }
}

/**
 * Events at times of their own, as a list of delays; those at one time keep their order. An event whose delay stays
 * what it was is the very same object: the states of a long macro share what they have in common.
 */
export function fromTimes(timed: readonly { atMs: number; event: MacroEvent }[]): MacroEvent[] {
  let now = 0
  // Sorting is stable (ECMA-262), so no order needs to be kept beside the times.
  return inOrder(timed).map(({ atMs, event }) => {
    const afterMs = Math.max(0, Math.round(atMs) - now)
    now += afterMs + lastsMs(event)
    return event.afterMs === afterMs ? event : { ...event, afterMs }
  })
}

/** By time; what is in order already, as most lists are, is not sorted. */
export function inOrder<Timed extends { atMs: number }>(timed: readonly Timed[]): readonly Timed[] {
  const sorted = timed.every(({ atMs }, index) => index === 0 || timed[index - 1].atMs <= atMs)
  return sorted ? timed : [...timed].sort((a, b) => a.atMs - b.atMs)
}
