import { layoutName } from '../../core/computer/layouts'
import { SYSTEM_NAMES } from '../../core/computer/systems'
import { modelById } from '../../core/device/models'
import type { MacroShelf } from '../../core/document/macro'
import type { Profile } from '../../core/document/schema'
import { actionText } from '../../core/text/action-text'
import { contextOf } from '../../core/text/context'
import { itemName } from '../../core/text/light-words'
import { Turn } from '../database/free-thread'

/**
 * All words a profile is found by, in small letters: name, tags, device, layers, DPI steps, polling rates, effects, the
 * computer it is for, what its inputs do, their in-game names and notes.
 */
const known = new WeakMap<Profile, { macros: MacroShelf; text: string }>()

export function searchText(profile: Profile, macros: MacroShelf): string {
  const there = known.get(profile)
  // A macro may be called otherwise by now.
  if (there?.macros === macros) return there.text
  const model = modelById(profile.model)
  const context = model && contextOf(profile, model, macros)
  const bindings = profile.layers.flatMap((layer) => Object.values(layer.bindings))
  const words = [
    profile.name,
    ...profile.tags,
    model?.name ?? profile.model,
    ...profile.layers.map(({ name }) => name),
    ...profile.steps.map(({ dpi, name }) => `${dpi} DPI ${name ?? ''}`),
    ...Object.values(profile.polling).map((rateHz) => `${rateHz} Hz`),
    ...profile.light.map((item) => itemName(item)),
    profile.computer.system ? SYSTEM_NAMES[profile.computer.system] : 'any system',
    layoutName(profile.computer.layout),
    ...bindings.flatMap(({ action, name, note }) => [
      ...(context ? [actionText(action, context)] : []),
      name ?? '',
      note ?? '',
    ]),
  ]
  const text = words.join('\n').toLowerCase()
  known.set(profile, { macros, text })
  return text
}

/** Works them out before they are asked for, so that the first key of a search is no slower than the others. */
export async function readyToSearch(profiles: readonly Profile[], macros: MacroShelf): Promise<void> {
  const turn = new Turn()
  for (const profile of profiles) {
    searchText(profile, macros)
    await turn.next()
  }
}
