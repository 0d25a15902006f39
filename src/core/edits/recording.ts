import { keyByCode } from '../hid/keyboard-page'
import type { EventDoes } from '../document/event-kinds'
import type { MacroEvent } from '../document/macro'
import { withReleases } from '../document/macro-timing'

/** One thing that happened while a macro was recorded, with the time the event itself carries. */
export type RawEvent =
  | { kind: 'key'; code: string; down: boolean; atMs: number; repeat?: boolean }
  | { kind: 'button'; button: number; down: boolean; atMs: number }
  | { kind: 'wheel'; detents: number; sideways: number; atMs: number }
  | { kind: 'move'; x: number; y: number; atMs: number }

/** What goes into a recording beside keys, and how its delays are kept. */
export interface RecordingChoice {
  buttons: boolean
  wheel: boolean
  movement: boolean
  delays: { kind: 'recorded' } | { kind: 'fixed'; ms: number } | { kind: 'none' }
}

export interface Recording {
  events: MacroEvent[]
  /** Keys that were still down at the end and got a release. */
  released: number
  /** Keys that cannot be sent, by their codes. */
  strange: string[]
}

/**
 * Raw events to a macro. The system's key repeat is no event; the first one begins the macro; a release of what
 * was pressed before the recording is left out, and what is down at its end is let go.
 *
 * @param raw in the order they happened
 */
export function recorded(raw: readonly RawEvent[], choice: RecordingChoice): Recording {
  const strange = new Set<string>()
  const down = new Set<string>()
  const kept = raw.filter((event) => {
    if (event.kind === 'key' && !keyByCode(event.code)) {
      strange.add(event.code)
      return false
    }
    if (event.kind === 'key' || event.kind === 'button')
      return wasChange(event, down) && isChosen(event, choice)
    return isChosen(event, choice)
  })
  const startMs = kept[0]?.atMs ?? 0
  let now = 0
  const events = kept.map((event): MacroEvent => {
    const afterMs = Math.max(0, Math.round(event.atMs - startMs) - now)
    now += afterMs
    return { ...doneBy(event), afterMs: delayOf(afterMs, choice, event === kept[0]) }
  })
  const whole = withReleases(events)
  return { events: whole.events, released: whole.added, strange: [...strange] }
}

function wasChange(event: Extract<RawEvent, { down: boolean }>, down: Set<string>): boolean {
  const what = event.kind === 'key' ? event.code : `button ${event.button}`
  if (event.down === down.has(what)) return false
  if (event.down) down.add(what)
  else down.delete(what)
  return true
}

function isChosen(event: RawEvent, { buttons, wheel, movement }: RecordingChoice): boolean {
  if (event.kind === 'button') return buttons
  if (event.kind === 'wheel') return wheel
  return event.kind === 'move' ? movement : true
}

function delayOf(afterMs: number, { delays }: RecordingChoice, first: boolean): number {
  if (first || delays.kind === 'none') return 0
  return delays.kind === 'fixed' ? delays.ms : afterMs
}

function doneBy(event: RawEvent): EventDoes {
  switch (event.kind) {
    case 'key':
      return { kind: 'key', code: event.code, does: event.down ? 'press' : 'release' }
    case 'button':
      return { kind: 'button', button: event.button, does: event.down ? 'press' : 'release' }
    case 'wheel':
      return { kind: 'wheel', detents: event.detents, sideways: event.sideways }
    case 'move':
      return { kind: 'move', x: event.x, y: event.y }
  }
}
