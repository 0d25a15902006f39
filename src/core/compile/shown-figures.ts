import { LoweringError } from '../base/refusal'
import { macroFigures, type MacroFigures } from './analysis'
import type { Macro, MacroShelf } from '../document/macro'
import type { ComputerSetUp } from '../computer/shortcuts'

/** What a macro comes to, and why it cannot be sent where it cannot. */
export function figuresOf(macro: Macro, shelf: MacroShelf, on: ComputerSetUp) {
  try {
    return { ...shownFigures(macro, macroFigures(macro, shelf, on)), problem: undefined }
  } catch (error) {
    if (!(error instanceof LoweringError)) throw error
    const plain = macro.events.filter(({ kind }) => kind !== 'text' && kind !== 'macro')
    const figures = macroFigures({ ...macro, events: plain }, shelf, on)
    return { ...shownFigures(macro, figures), bytes: undefined, problem: error.message }
  }
}

function shownFigures({ events }: Macro, figures: MacroFigures) {
  return {
    ...figures,
    events: events.length,
    eventsPerSecond: figures.durationMs > 0 ? (1000 * events.length) / figures.durationMs : 0,
    shortestGapMs: figures.gapsMs.length > 0 ? Math.min(...figures.gapsMs) : undefined,
  }
}
