import { computed } from 'vue'
import { modelById } from '../../core/device/models'
import { macroFigures, type MacroFigures } from '../../core/macro/analysis'
import type { Macro, MacroShelf } from '../../core/macro/macro'
import type { LayoutId } from '../../core/hid/layouts'
import { partsOf, placedBindings } from '../../core/profile/profile'
import { useLibrary } from '../stores/library'

/** What a macro comes to, and why it cannot be sent where it cannot. */
export function figuresOf(macro: Macro, shelf: MacroShelf, layout: LayoutId) {
  try {
    return { ...shownFigures(macro, macroFigures(macro, shelf, layout)), problem: undefined }
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    const plain = macro.events.filter(({ kind }) => kind !== 'text' && kind !== 'macro')
    const figures = macroFigures({ ...macro, events: plain }, shelf, layout)
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

/** Each rate at which a device that uses the macro is polled, or the common ones where none does. */
export function usePolling(id: () => string | undefined) {
  const library = useLibrary()
  return computed(() => {
    const current = id()
    if (current === undefined) return []
    const used = library.entries.flatMap(({ profile }) => {
      const model = modelById(profile.model)
      const bound =
        model && placedBindings(profile, model).some(({ binding: { action } }) => plays(action, current))
      if (!model || !bound) return []
      return model.connections.map(({ id, name, factoryRateHz }) => ({
        where: `${model.name}, ${name.toLowerCase()}`,
        rateHz: profile.polling[id] ?? factoryRateHz,
      }))
    })
    const rates = used.length > 0 ? used : [125, 500, 1000].map((rateHz) => ({ where: 'a device', rateHz }))
    const byPlace = new Map(rates.map((rate) => [`${rate.where} ${rate.rateHz}`, rate]))
    return [...byPlace.values()]
  })
}

/** Ways in which bindings play a macro for as long as nobody stops it. */
export function useEndless(id: () => string | undefined) {
  const library = useLibrary()
  return computed(() =>
    library.entries.flatMap(({ profile }) => {
      const model = modelById(profile.model)
      if (!model) return []
      return placedBindings(profile, model).flatMap(({ input, binding: { action } }) =>
        partsOf(action).flatMap((part) => {
          if (part.kind === 'macro' && part.macro === id() && part.play === 'toggle')
            return [`${input.name} in ${profile.name} starts it and, pressed again, stops it`]
          const held = part.kind === 'macro' ? part.macro === id() && part.play === 'held' : false
          const heldPart = part.kind === 'macro-parts' && part.held === id()
          return held || heldPart ? [`${input.name} in ${profile.name} plays it until it is let go`] : []
        }),
      )
    }),
  )
}

const plays = (action: Parameters<typeof partsOf>[0], id: string): boolean =>
  partsOf(action).some(
    (part) =>
      (part.kind === 'macro' && part.macro === id) ||
      (part.kind === 'macro-parts' && [part.press, part.held, part.release].includes(id)),
  )
