import type { LayoutId } from '../core/hid/layouts'
import { macroFigures, tooFastAt } from '../core/macro/analysis'
import { eventText } from '../core/macro/event-text'
import { lowerMacro } from '../core/macro/lower'
import { shelfOf, type Macro } from '../core/macro/macro'
import { Refused } from './failure'

const RATES_HZ = [125, 250, 500, 1000, 2000, 4000, 8000]

/** What each macro comes to, a line a figure, parted by tabs. @throws Refused for a text the layout cannot type */
export function macroReport(macros: readonly Macro[], layout: LayoutId): string[] {
  const shelf = shelfOf(macros)
  return macros.flatMap((macro) => {
    const { events, ...figures } = figuresOf(macro, shelf, layout)
    const down = figures.leftDown.map((index) => eventText(macro.events[index], layout, shelf))
    return [
      `macro\t${macro.name}`,
      `events\t${events}`,
      `length\t${figures.durationMs} ms`,
      `bytes\t${figures.bytes}`,
      `events a second\t${figures.eventsPerSecond.toFixed(1)}`,
      `down at once\t${figures.mostDown}`,
      `left down\t${down.join(', ') || 'nothing'}`,
      ...(figures.shortestGapMs === undefined ? [] : [`shortest gap\t${figures.shortestGapMs} ms`]),
      ...RATES_HZ.flatMap((rateHz) => {
        const places = tooFastAt(macro.events, rateHz)
        return places > 0 ? [`at ${rateHz} Hz\t${places} events wait for the next report`] : []
      }),
    ]
  })
}

function figuresOf(macro: Macro, shelf: ReturnType<typeof shelfOf>, layout: LayoutId) {
  try {
    return macroFigures(macro, lowerMacro(macro, shelf, layout))
  } catch (error) {
    if (error instanceof RangeError) throw new Refused(`${macro.name}: ${error.message}`)
    throw error
  }
}
