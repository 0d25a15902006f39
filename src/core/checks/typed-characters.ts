import { launchText } from '../computer/launches'
import { macrosWithin, type MacroShelf } from '../document/macro'
import { macrosUsed, singleActions } from '../terms/profile'
import type { Profile, SingleAction } from '../document/schema'

/** The characters that an action types on the computer of a profile. */
export function typedText(action: SingleAction, { computer: { system } }: Profile): string {
  if (action.kind === 'text') return action.text
  return action.kind === 'open' && system ? launchText(action, system) : ''
}

/** Every character that a profile types, once: in texts, in opened targets, and in macros. */
export function typedCharacters(profile: Profile, macros: MacroShelf): string {
  const own = profile.layers
    .flatMap(({ bindings }) => Object.values(bindings))
    .flatMap(({ action }) => singleActions(action))
    .map((action) => typedText(action, profile))
  const played = macrosUsed(profile).flatMap((id) => [id, ...macrosWithin(id, macros).ids])
  const within = [...new Set(played)].flatMap((id) =>
    (macros.get(id)?.events ?? []).map((event) => (event.kind === 'text' ? event.text : '')),
  )
  return [...new Set([...own, ...within].join('').normalize('NFC'))].join('')
}
