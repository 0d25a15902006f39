import { computed, shallowRef, toRaw, watch } from 'vue'
import { modelById } from '../../core/device/models'
import { shelfWithin, type Macro, type MacroShelf } from '../../core/document/macro'
import type { ComputerSetUp } from '../../core/computer/shortcuts'
import { partsOf, placedBindings } from '../../core/terms/profile'
import { newReader } from '../beside/beside'
import { freeThread } from '../database/free-thread'
import { useLibrary } from '../stores/library'
import { figuresOf } from '../../core/compile/shown-figures'

export type ShownFigures = ReturnType<typeof figuresOf>

/** Events above which figures are worked out beside the page. */
const LONG = 1500
const known = new WeakMap<Macro, Promise<ShownFigures>>()

/** Figures of a macro of the list; those of a long one come later. */
export function useFigures(macro: () => Macro, shelf: () => MacroShelf, on: ComputerSetUp) {
  const later = shallowRef<{ macro: Macro; figures: ShownFigures }>()
  const isLong = () => macro().events.length > LONG
  watch(
    macro,
    async (now) => {
      if (!isLong()) return
      await freeThread()
      const figures = await figuresBeside(now, shelf(), on)
      if (macro() === now) later.value = { macro: now, figures }
    },
    { immediate: true },
  )
  return computed(() => {
    if (!isLong()) return figuresOf(macro(), shelf(), on)
    return later.value?.macro === macro() ? later.value.figures : undefined
  })
}

function figuresBeside(macro: Macro, shelf: MacroShelf, on: ComputerSetUp): Promise<ShownFigures> {
  const found = known.get(macro)
  if (found) return found
  const { worker, reader } = newReader()
  const figures = reader
    .figures(toRaw(macro), shelfWithin(macro, shelf), on)
    .finally(() => worker.terminate())
  known.set(macro, figures)
  return figures
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
