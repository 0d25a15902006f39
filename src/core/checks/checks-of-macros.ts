import { itemAt } from '../base/items'
import { rememberedFor } from '../base/remembered'
import { overBudget } from '../onboard/macro-budget'
import { playable } from '../onboard/macro-code'
import { MOST_MACROS } from '../onboard/macro-section'
import { weightOfMacro } from '../terms/lower-macro'
import { macrosWithin, ownCode, type Macro, type MacroShelf } from '../document/macro'
import { leftDown } from '../document/macro-timing'
import { unbind } from '../edits/edits'
import { cellOf, error, fix, named, warning, type Check, type Finding } from './finding'
import { macrosUsed, partsOf, placedBindings, type PlacedBinding } from '../terms/profile'
import type { Profile } from '../document/schema'
import { untypable } from '../computer/typing'

/** Rules about macros that are bound: each is there, ends, and can be typed. */

/** One finding for each binding that plays a macro of which `find` has something to say. */
const forEachMacro =
  (find: (macro: Macro, where: PlacedBinding, profile: Profile, macros: MacroShelf) => Finding[]): Check =>
  (profile, model, macros) =>
    placedBindings(profile, model).flatMap((where) =>
      macrosOfBinding(where).flatMap((id) => {
        const macro = macros.get(id)
        return macro ? find(macro, where, profile, macros) : []
      }),
    )

const macrosOfBinding = ({ binding: { action } }: PlacedBinding): string[] =>
  partsOf(action).flatMap((part) => {
    if (part.kind === 'macro') return [part.macro]
    return part.kind === 'macro-parts'
      ? [part.press, part.held, part.release].filter((id) => id !== undefined)
      : []
  })

const missing: Check = (profile, model, macros) =>
  placedBindings(profile, model).flatMap((where) =>
    macrosOfBinding(where).flatMap((id) =>
      macros.has(id)
        ? []
        : [
            error('macro-missing', cellOf(where), { where: named(profile, where) }, [
              fix('clear', undefined, (current) => unbind(current, model, where.layer, where.input.id)),
            ]),
          ],
    ),
  )

const circles = forEachMacro((macro, where, profile, macros) => {
  const { circle } = macrosWithin(macro.id, macros)
  const names = circle?.map((id) => macros.get(id)?.name ?? id)
  return names ? [error('macro-circle', cellOf(where), { where: named(profile, where), macros: names })] : []
})

/** Found once for each state of a macro, which may have twenty thousand events. */
const textsOf = rememberedFor(({ events }: Macro): readonly string[] =>
  events.flatMap((event) => (event.kind === 'text' ? [event.text] : [])),
)

const texts = forEachMacro((macro, where, profile, macros) => {
  const within = [macro, ...[...macrosWithin(macro.id, macros).ids].flatMap((id) => macros.get(id) ?? [])]
  const strange = within.flatMap((each) => textsOf(each).flatMap((text) => untypable(text, profile.computer)))
  const facts = { macro: macro.name, characters: [...new Set(strange)], computer: profile.computer }
  return strange.length === 0 ? [] : [error('macro-text', cellOf(where), facts)]
})

const budget = forEachMacro((macro, where, profile, macros) => {
  const { ids, circle } = macrosWithin(macro.id, macros)
  if (circle) return []
  const unreadable = [...ids].flatMap((id) => {
    const inner = macros.get(id)
    const code = inner && ownCode(inner)
    return inner && code && !playable(code) ? [inner] : []
  })
  const facts = { where: named(profile, where), macro: macro.name }
  const problem = overBudget(weightOfMacro(macro, macros, profile.computer))
  if (problem) return [error('macro-budget', cellOf(where), { ...facts, problem })]
  return unreadable.length > 0
    ? [error('macro-unread', cellOf(where), { ...facts, within: itemAt(unreadable, 0).name })]
    : []
})

/** Kept for a device of a later version; this one answers a press of it with a light signal. */
const unplayed = forEachMacro((macro, where, profile) => {
  const code = ownCode(macro)
  return !code || playable(code)
    ? []
    : [warning('macro-unplayed', cellOf(where), { where: named(profile, where), macro: macro.name })]
})

const heldKeys = forEachMacro((macro, where, profile) => {
  const keys = leftDown(macro.events).length
  return keys === 0
    ? []
    : [warning('macro-left-down', cellOf(where), { where: named(profile, where), macro: macro.name, keys })]
})

const many: Check = (profile, model) => {
  const { length } = macrosUsed(profile)
  return length > MOST_MACROS
    ? [error('macros', { view: 'buttons' }, { macros: length, model: model.name, most: MOST_MACROS })]
    : []
}

export const CHECKS_OF_MACROS: readonly Check[] = [missing, circles, texts, budget, unplayed, heldKeys, many]
