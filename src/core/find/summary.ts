import { selectPlural } from '../base/plurals'
import type { DeviceModel } from '../device/model'
import { editsBetween } from '../compile/pending'
import type { MacroShelf } from '../document/macro'
import { differsFromFactory } from '../terms/profile'
import type { Profile } from '../document/schema'

/** Computed once for each profile: a search that fills the rows again reads it again. */
const summaries = new WeakMap<Profile, string>()
const differences = new WeakMap<Profile, { held: Profile; shelf: MacroShelf; count: number }>()

/** A profile in one line: its changes from factory settings, its layers, its steps. */
export function summaryOf(profile: Profile, model: DeviceModel | undefined): string {
  const known = summaries.get(profile)
  if (known !== undefined) return known
  const { steps, layers } = profile
  const count = model?.inputs.filter(({ id }) => differsFromFactory(profile, model, id)).length ?? 0
  const own = layers.slice(1).map(({ name }) => name)
  const text = [
    `${count} ${selectPlural(count, { one: 'input', other: 'inputs' })} changed`,
    ...(own.length > 0
      ? [`${selectPlural(own.length, { one: 'layer', other: 'layers' })} ${own.join(', ')}`]
      : []),
    ...(steps.length > 0 ? [`${steps.map(({ dpi }) => dpi).join(', ')} DPI`] : []),
  ].join(' · ')
  summaries.set(profile, text)
  return text
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
