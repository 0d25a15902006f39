import { openingText } from '../computer/openings'
import { macrosWithin, type MacroShelf } from '../document/macro'
import { macrosUsed, partsOf } from '../document/profile'
import type { Profile } from '../document/schema'

/** Every character that a profile types, each once: its texts, what it opens, and the texts of its macros. */
export function typedCharacters(profile: Profile, macros: MacroShelf): string {
  const { system } = profile.computer
  const own = profile.layers
    .flatMap(({ bindings }) => Object.values(bindings))
    .flatMap(({ action }) => partsOf(action))
    .map((action) => {
      if (action.kind === 'text') return action.text
      return action.kind === 'open' && system ? openingText(action, system) : ''
    })
  const played = macrosUsed(profile).flatMap((id) => [id, ...macrosWithin(id, macros).ids])
  const within = [...new Set(played)].flatMap((id) =>
    (macros.get(id)?.events ?? []).map((event) => (event.kind === 'text' ? event.text : '')),
  )
  return [...new Set([...own, ...within].join('').normalize('NFC'))].join('')
}
