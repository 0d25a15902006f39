import { englishText } from '../messages/plain'
import { LoweringError } from '../core/base/errors'
import type { LayoutId } from '../core/computer/layouts'
import { macroFigures, delayedEventsAt } from '../core/compile/analysis'
import { shelfOf, type Macro } from '../core/document/macro'
import { CliError } from './failure'

const RATES_HZ = [125, 250, 500, 1000, 2000, 4000, 8000]

/** Figures of each macro, one line per figure, separated by tabs. @throws Refused for a text the layout cannot type */
export function macroReport(macros: readonly Macro[], layout: LayoutId): string[] {
  const shelf = shelfOf(macros)
  return macros.flatMap((macro) => {
    const { events } = macro
    const figures = figuresOf(macro, shelf, layout)
    const { durationMs, gapsMs } = figures
    return [
      `macro\t${macro.name}`,
      `events\t${events.length}`,
      `length\t${durationMs} ms`,
      `bytes\t${figures.bytes}`,
      `events a second\t${(durationMs > 0 ? (1000 * events.length) / durationMs : 0).toFixed(1)}`,
      `down at once\t${figures.maxDown}`,
      `left down\t${figures.leftDown || 'nothing'}`,
      ...(gapsMs.length === 0 ? [] : [`shortest gap\t${Math.min(...gapsMs)} ms`]),
      ...RATES_HZ.flatMap((rateHz) => {
        const places = delayedEventsAt(gapsMs, rateHz)
        return places > 0 ? [`at ${rateHz} Hz\t${places} events wait for the next report`] : []
      }),
    ]
  })
}

function figuresOf(macro: Macro, shelf: ReturnType<typeof shelfOf>, layout: LayoutId) {
  try {
    return macroFigures(macro, shelf, { layout, system: 'windows' })
  } catch (error) {
    if (error instanceof LoweringError) throw new CliError(`${macro.name}: ${englishText(error.reason)}`)
    throw error
  }
}
