import { LoweringError } from '../base/errors'
import { FACTORY_PRESS_MS } from '../onboard/settings'
import type { Stroke } from '../actions/strokes'
import { typeText } from '../computer/typing'
import type { TargetComputer } from '../computer/shortcuts'
import type { MacroEvent, MacroShelf } from '../document/macro'
import { durationMs, meanDelayMs, type DurationOf } from '../document/macro-timing'

/**
 * One stroke of a text at the factory key hold time, released for one report at 1,000 Hz; slower polling takes longer.
 */
const STROKE_MS = FACTORY_PRESS_MS + 1

/** How long the device takes to type a text (docs/onboard-format.md, "Macros"). @returns ms */
export const typingMs = (strokes: readonly Stroke[]): number =>
  strokes.reduce((sum, stroke) => sum + (stroke.kind === 'wait' ? stroke.ms : STROKE_MS), 0)

/** How long events last, including the texts they type on a layout and the macros they play. */
export function eventDurations(shelf: MacroShelf, on: TargetComputer): DurationOf {
  const texts = new WeakMap<MacroEvent, number>()
  const macros = new Map<string, number>()
  const lasting: DurationOf = (event) => {
    if (event.kind === 'pause') return meanDelayMs(event)
    if (event.kind === 'text') return known(texts, event, () => textMs(event.text, on))
    return event.kind === 'macro' ? known(macros, event.macro, () => macroMs(event.macro)) : 0
  }
  function macroMs(id: string): number {
    // A macro that plays itself ends there; the checks report it.
    macros.set(id, 0)
    return durationMs(shelf.get(id)?.events ?? [], lasting)
  }
  return lasting
}

function known<Key>(
  kept: { get: (key: Key) => number | undefined; set: (key: Key, ms: number) => unknown },
  key: Key,
  find: () => number,
): number {
  const found = kept.get(key) ?? find()
  kept.set(key, found)
  return found
}

/** A text that the layout cannot type takes no time; it is reported elsewhere. */
function textMs(text: string, on: TargetComputer): number {
  try {
    return typingMs(typeText(text, on))
  } catch (error) {
    if (error instanceof LoweringError) return 0
    throw error
  }
}
