import { withMembers } from '../base/tables'
import { itemAt } from '../base/items'
import { rememberedFor } from '../base/remembered'
import type { MacroEvent } from './macro'

/** When things happen in a macro, and which events belong together. */

/** How long an event itself takes, in ms: what comes after it counts from its end. */
export type Lasting = (event: MacroEvent) => number

/** A pause that is drawn anew counts with its mean. */
export const pauseMs = ({ fromMs, toMs }: { fromMs: number; toMs: number }): number =>
  Math.round((fromMs + toMs) / 2)

/** What is known from the event alone; `lastingOf` knows texts and macros within too. */
const pausesOnly: Lasting = (event) => (event.kind === 'pause' ? pauseMs(event) : 0)

/** When each event happens, in ms from the beginning. */
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

/** What is pressed by an event, so that its release is known by it. */
export const heldBy = (event: MacroEvent): string | undefined =>
  event.kind === 'key' ? event.code : event.kind === 'button' ? `button ${event.button}` : undefined

/** By index: for each event that presses something the one that lets it go, and the other way round. */
export const partners = rememberedFor((events: readonly MacroEvent[]): readonly (number | undefined)[] => {
  const found = new Array<number | undefined>(events.length).fill(undefined)
  const down = new Map<string, number>()
  events.forEach((event, index) => {
    const what = heldBy(event)
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
})

/** Keys and buttons that are still down at the end, by the events that pressed them. */
export const leftDown = rememberedFor((events: readonly MacroEvent[]): readonly number[] => {
  const found = partners(events)
  return events.flatMap((event, index) =>
    'does' in event && event.does === 'press' && found[index] === undefined ? [index] : [],
  )
})

/** The events with a release at the end for whatever is still down there. */
export function withReleases(events: readonly MacroEvent[]): { events: MacroEvent[]; added: number } {
  const open = leftDown(events)
  const releases = [...open]
    .reverse()
    .map((index): MacroEvent => withMembers(itemAt(events, index), { afterMs: 0, does: 'release' }))
  return { events: [...events, ...releases], added: open.length }
}

/**
 * Events at times of their own, as a list of delays; those at one time keep their order. An event whose delay stays
 * what it was is the very same object: the states of a long macro share what they have in common.
 */
export function fromTimes(
  timed: readonly { atMs: number; event: MacroEvent }[],
  lasting = pausesOnly,
): MacroEvent[] {
  let now = 0
  // Sorting is stable (ECMA-262), so no order needs to be kept beside the times.
  return inOrder(timed).map(({ atMs, event }) => {
    const afterMs = Math.max(0, Math.round(atMs) - now)
    now += afterMs + lasting(event)
    return event.afterMs === afterMs ? event : { ...event, afterMs }
  })
}

/** By time; what is in order already, as most lists are, is not sorted. */
export function inOrder<Timed extends { atMs: number }>(timed: readonly Timed[]): readonly Timed[] {
  const sorted = timed.every(({ atMs }, index) => index === 0 || itemAt(timed, index - 1).atMs <= atMs)
  return sorted ? timed : [...timed].sort((a, b) => a.atMs - b.atMs)
}
