import { layoutName } from '../computer/layouts'
import { OPERATING_SYSTEM_NAMES } from '../computer/operating-systems'
import { modelById } from '../device/models'
import type { MacroShelf } from '../document/macro'
import type { Profile } from '../document/schema'
import { actionMessage } from '../text/action-text'
import { contextOf } from '../text/context'
import { message, type TextOf } from '../message/message'
import { stackItemName } from '../text/light-messages'

/**
 * All words by which a profile is found, in lower case: name, tags, device, layers, DPI steps, polling rates, effects,
 * its computer, its actions, in-game names and notes.
 */
const known = new WeakMap<Profile, { macros: MacroShelf; text: string }>()

export function searchText(profile: Profile, macros: MacroShelf, textOf: TextOf): string {
  const there = known.get(profile)
  // A macro may have been renamed.
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
    ...profile.light.map((item) => textOf(stackItemName(item))),
    profile.computer.system
      ? OPERATING_SYSTEM_NAMES[profile.computer.system]
      : textOf(message('checks.anyOperatingSystem')),
    textOf(layoutName(profile.computer.layout)),
    ...bindings.flatMap(({ action, name, note }) => [
      ...(context ? [textOf(actionMessage(action, context))] : []),
      name ?? '',
      note ?? '',
    ]),
  ]
  const text = words.join('\n').toLowerCase()
  known.set(profile, { macros, text })
  return text
}
