import { LoweringError } from '../base/refusal'
import { FACTORY_PRESS_MS } from '../onboard/settings'
import type { Stroke } from '../actions/strokes'
import { typeText } from '../computer/typing'
import type { ComputerSetUp } from '../computer/shortcuts'
import type { MacroEvent, MacroShelf } from '../document/macro'
import { durationMs, pauseMs, type Lasting } from '../document/macro-timing'

/** A stroke of a text, down as the factory has it and up for a report at 1,000 Hz: slower polling makes it longer. */
const STROKE_MS = FACTORY_PRESS_MS + 1

/** How long the device takes to type (docs/onboard-format.md, "Macros"). @returns ms */
export const strokesMs = (strokes: readonly Stroke[]): number =>
  strokes.reduce((sum, stroke) => sum + (stroke.kind === 'wait' ? stroke.ms : STROKE_MS), 0)

/** How long events last with the texts they type on a layout, and the macros they play. */
export function lastingOf(shelf: MacroShelf, on: ComputerSetUp): Lasting {
  const texts = new WeakMap<MacroEvent, number>()
  const macros = new Map<string, number>()
  const lasting: Lasting = (event) => {
    if (event.kind === 'pause') return pauseMs(event)
    if (event.kind === 'text') return known(texts, event, () => textMs(event.text, on))
    return event.kind === 'macro' ? known(macros, event.macro, () => macroMs(event.macro)) : 0
  }
  function macroMs(id: string): number {
    // A macro that plays itself ends there: the checks say so.
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

/** A text that the layout cannot type lasts no time; that it cannot is said elsewhere. */
function textMs(text: string, on: ComputerSetUp): number {
  try {
    return strokesMs(typeText(text, on))
  } catch (error) {
    if (error instanceof LoweringError) return 0
    throw error
  }
}
