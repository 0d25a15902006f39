import { LoweringError } from '../base/errors'
import { macroFigures, type MacroFigures } from './analysis'
import type { Macro, MacroShelf } from '../document/macro'
import type { TargetComputer } from '../computer/shortcuts'

/** The figures of a macro, or the reason why it cannot be sent. */
export function displayFigures(macro: Macro, shelf: MacroShelf, on: TargetComputer) {
  try {
    return { ...shownFigures(macro, macroFigures(macro, shelf, on)), problem: undefined }
  } catch (error) {
    if (!(error instanceof LoweringError)) throw error
    const plain = macro.events.filter(({ kind }) => kind !== 'text' && kind !== 'macro')
    const figures = macroFigures({ ...macro, events: plain }, shelf, on)
    return { ...shownFigures(macro, figures), bytes: undefined, problem: error.reason }
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
