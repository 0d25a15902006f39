import type { DeviceModel } from '../device/model'
import { editsBetween } from '../compile/pending'
import type { MacroShelf } from '../document/macro'
import { differsFromFactory } from '../terms/profile'
import type { Profile } from '../document/schema'
import { factList, message, type Message } from '../message/message'

/** Computed once for each profile: a search that fills the rows again reads it again. */
const summaries = new WeakMap<Profile, readonly Message[]>()
const differences = new WeakMap<Profile, { held: Profile; shelf: MacroShelf; count: number }>()

/** A profile in short: its changes from factory settings, its layers, its steps. */
export function summaryOf(profile: Profile, model: DeviceModel | undefined): readonly Message[] {
  const known = summaries.get(profile)
  if (known !== undefined) return known
  const { steps, layers } = profile
  const count = model?.inputs.filter(({ id }) => differsFromFactory(profile, model, id)).length ?? 0
  const own = layers.slice(1).map(({ name }) => name)
  const summary = [
    message('find.inputsChanged', { count }),
    ...(own.length > 0
      ? [message('find.layerNames', { count: own.length, layers: factList(own, 'comma') })]
      : []),
    ...(steps.length > 0
      ? [
          message('find.stepDpis', {
            steps: factList(
              steps.map(({ dpi }) => String(dpi)),
              'comma',
            ),
          }),
        ]
      : []),
  ]
  summaries.set(profile, summary)
  return summary
}

/** Number of edits of a profile that a slot does not have. */
export function countUnwrittenEdits(
  held: Profile,
  profile: Profile,
  model: DeviceModel,
  shelf: MacroShelf,
): number {
  const known = differences.get(profile)
  if (known?.held === held && known.shelf === shelf) return known.count
  const count = editsBetween(held, profile, model, shelf).length
  differences.set(profile, { held, shelf, count })
  return count
}
