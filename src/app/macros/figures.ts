import { t } from '../../messages/page'
import { computed, shallowRef, toRaw, watch } from 'vue'
import { modelById } from '../../core/device/models'
import { shelfWithin, type Macro, type MacroShelf } from '../../core/document/macro'
import type { TargetComputer } from '../../core/computer/shortcuts'
import { singleActions, placedBindings } from '../../core/terms/profile'
import { startReader } from '../workers/validation'
import { yieldThread } from '../database/yield-thread'
import { useLibrary } from '../stores/library'
import { displayFigures } from '../../core/compile/shown-figures'

export type ShownFigures = ReturnType<typeof displayFigures>

/** Number of events above which figures are computed in parallel to the page. */
const LONG = 1500
const known = new WeakMap<Macro, Promise<ShownFigures>>()

/** Figures of a macro in the list; those of a long one arrive later. */
export function useFigures(macro: () => Macro, shelf: () => MacroShelf, on: TargetComputer) {
  const later = shallowRef<{ macro: Macro; figures: ShownFigures }>()
  const isLong = () => macro().events.length > LONG
  watch(
    macro,
    async (now) => {
      if (!isLong()) return
      await yieldThread()
      const figures = await figuresBeside(now, shelf(), on)
      if (macro() === now) later.value = { macro: now, figures }
    },
    { immediate: true },
  )
  return computed(() => {
    if (!isLong()) return displayFigures(macro(), shelf(), on)
    return later.value?.macro === macro() ? later.value.figures : undefined
  })
}

function figuresBeside(macro: Macro, shelf: MacroShelf, on: TargetComputer): Promise<ShownFigures> {
  const found = known.get(macro)
  if (found) return found
  const { worker, reader } = startReader()
  const figures = reader
    .figures(toRaw(macro), shelfWithin(macro, shelf), on)
    .finally(() => worker.terminate())
  known.set(macro, figures)
  return figures
}

/** All polling rates of devices that use the macro, or common rates if none does. */
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
        where: t('macros.deviceAndConnection', { model: model.name, connection: name }),
        rateHz: profile.polling[id] ?? factoryRateHz,
      }))
    })
    const rates = used.length > 0 ? used : [125, 500, 1000].map((rateHz) => ({ where: 'a device', rateHz }))
    const byPlace = new Map(rates.map((rate) => [`${rate.where} ${rate.rateHz}`, rate]))
    return [...byPlace.values()]
  })
}

/** Bindings that play a macro until it is stopped. */
export function useEndless(id: () => string | undefined) {
  const library = useLibrary()
  return computed(() =>
    library.entries.flatMap(({ profile }) => {
      const model = modelById(profile.model)
      if (!model) return []
      return placedBindings(profile, model).flatMap(({ input, binding: { action } }) =>
        singleActions(action).flatMap((part) => {
          if (part.kind === 'macro' && part.macro === id() && part.play === 'toggle')
            return [t('macros.inStartsItPressingItAgainStops', { input: input.name, profile: profile.name })]
          const held = part.kind === 'macro' ? part.macro === id() && part.play === 'held' : false
          const heldPart = part.kind === 'macro-parts' && part.held === id()
          return held || heldPart
            ? [t('macros.inPlaysItUntilReleased', { input: input.name, profile: profile.name })]
            : []
        }),
      )
    }),
  )
}

const plays = (action: Parameters<typeof singleActions>[0], id: string): boolean =>
  singleActions(action).some(
    (part) =>
      (part.kind === 'macro' && part.macro === id) ||
      (part.kind === 'macro-parts' && [part.press, part.held, part.release].includes(id)),
  )
