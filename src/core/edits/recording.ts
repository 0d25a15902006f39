import { keyByCode } from '../hid/keyboard-page'
import type { EventContent } from '../document/event-kinds'
import type { MacroEvent } from '../document/macro'
import { addReleases } from '../document/macro-timing'

/** A raw event of a macro recording, with its own time. */
export type RawEvent =
  | { kind: 'key'; code: string; down: boolean; atMs: number; repeat?: boolean }
  | { kind: 'button'; button: number; down: boolean; atMs: number }
  | { kind: 'wheel'; detents: number; sideways: number; atMs: number }
  | { kind: 'move'; x: number; y: number; atMs: number }

/** Recorded inputs besides keys, and the handling of delays. */
export interface RecordingOptions {
  buttons: boolean
  wheel: boolean
  movement: boolean
  delays: { kind: 'recorded' } | { kind: 'fixed'; ms: number } | { kind: 'none' }
}

export interface Recording {
  events: MacroEvent[]
  /** Number of keys that were still down at the end and got a release. */
  released: number
  /** Codes of keys that cannot be sent. */
  strange: string[]
}

/**
 * Converts raw events to a macro. Key repeats of the system are ignored, the first event starts the macro, releases of
 * earlier presses are left out, and keys still down at the end are released.
 *
 * @param raw in the order they happened
 */
export function macroFromRecording(raw: readonly RawEvent[], choice: RecordingOptions): Recording {
  const strange = new Set<string>()
  const down = new Set<string>()
  const kept = raw.filter((event) => {
    if (event.kind === 'key' && !keyByCode(event.code)) {
      strange.add(event.code)
      return false
    }
    if (event.kind === 'key' || event.kind === 'button')
      return wasChange(event, down) && isSelected(event, choice)
    return isSelected(event, choice)
  })
  const startMs = kept[0]?.atMs ?? 0
  let now = 0
  const events = kept.map((event): MacroEvent => {
    const afterMs = Math.max(0, Math.round(event.atMs - startMs) - now)
    now += afterMs
    return { ...doneBy(event), afterMs: delayOf(afterMs, choice, event === kept[0]) }
  })
  const whole = addReleases(events)
  return { events: whole.events, released: whole.added, strange: [...strange] }
}

function wasChange(event: Extract<RawEvent, { down: boolean }>, down: Set<string>): boolean {
  const what = event.kind === 'key' ? event.code : `button ${event.button}`
  if (event.down === down.has(what)) return false
  if (event.down) down.add(what)
  else down.delete(what)
  return true
}

function isSelected(event: RawEvent, { buttons, wheel, movement }: RecordingOptions): boolean {
  if (event.kind === 'button') return buttons
  if (event.kind === 'wheel') return wheel
  return event.kind === 'move' ? movement : true
}

function delayOf(afterMs: number, { delays }: RecordingOptions, first: boolean): number {
  if (first || delays.kind === 'none') return 0
  return delays.kind === 'fixed' ? delays.ms : afterMs
}

function doneBy(event: RawEvent): EventContent {
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
