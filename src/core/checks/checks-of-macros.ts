import { overBudget } from '../onboard/macro-budget'
import { playable } from '../onboard/macro-code'
import { MOST_MACROS } from '../onboard/macro-section'
import { weightOfMacro } from '../document/lower-macro'
import { macrosWithin, ownCode, type Macro, type MacroShelf } from '../document/macro'
import { leftDown } from '../document/macro-timing'
import { placeName } from './checks-of-bindings'
import { unbind } from '../document/edits'
import { cell, error, warning, type Check, type Finding } from './finding'
import { macrosUsed, partsOf, placedBindings, type PlacedBinding } from '../document/profile'
import type { Profile } from '../document/schema'
import { typedOnText, untypable } from '../computer/typing'

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
            error(
              'macro-missing',
              cell(where.layer, where.input.id),
              `${placeName(profile, where)} plays a macro that is not in the library`,
              [
                {
                  label: 'Clear it',
                  apply: (current) => unbind(current, model, where.layer, where.input.id),
                },
              ],
            ),
          ],
    ),
  )

const circles = forEachMacro((macro, where, profile, macros) => {
  const { circle } = macrosWithin(macro.id, macros)
  const names = circle?.map((id) => macros.get(id)?.name ?? id).join(', which plays ')
  return names === undefined
    ? []
    : [
        error(
          'macro-circle',
          cell(where.layer, where.input.id),
          `${placeName(profile, where)}: ${names}: it would never end`,
        ),
      ]
})

const texts = forEachMacro((macro, where, profile, macros) => {
  const within = [macro, ...[...macrosWithin(macro.id, macros).ids].flatMap((id) => macros.get(id) ?? [])]
  const strange = within.flatMap(({ events }) =>
    events.flatMap((event) => (event.kind === 'text' ? untypable(event.text, profile.computer) : [])),
  )
  return strange.length === 0
    ? []
    : [
        error(
          'macro-text',
          cell(where.layer, where.input.id),
          `${macro.name} types ${[...new Set(strange)].slice(0, 5).join(' ')}, which ${typedOnText(profile.computer)} cannot`,
        ),
      ]
})

const budget = forEachMacro((macro, where, profile, macros) => {
  const { ids, circle } = macrosWithin(macro.id, macros)
  if (circle) return []
  const unreadable = [...ids].flatMap((id) => {
    const inner = macros.get(id)
    const code = inner && ownCode(inner)
    return inner && code && !playable(code) ? [inner] : []
  })
  const over =
    overBudget(weightOfMacro(macro, macros, profile.computer)) ??
    (unreadable.length > 0 ? `plays ${unreadable[0].name}, which this version cannot read` : undefined)
  return over === undefined
    ? []
    : [
        error(
          'macro-budget',
          cell(where.layer, where.input.id),
          `${placeName(profile, where)}: ${macro.name} ${over}`,
        ),
      ]
})

/** Kept for a device of a later version; this one answers a press of it with a light signal. */
const unplayed = forEachMacro((macro, where, profile) => {
  const code = ownCode(macro)
  return !code || playable(code)
    ? []
    : [
        warning(
          'macro-unplayed',
          cell(where.layer, where.input.id),
          `${placeName(profile, where)}: ${macro.name} is code of a later version; this device keeps it and does not play it`,
        ),
      ]
})

const heldKeys = forEachMacro((macro, where, profile) => {
  const down = leftDown(macro.events).length
  return down === 0
    ? []
    : [
        warning(
          'macro-left-down',
          cell(where.layer, where.input.id),
          `${placeName(profile, where)}: ${macro.name} leaves ${down} ${down === 1 ? 'key' : 'keys'} down; the device lets go at its end`,
        ),
      ]
})

const many: Check = (profile, model) => {
  const { length } = macrosUsed(profile)
  return length > MOST_MACROS
    ? [error('macros', { view: 'buttons' }, `${length} macros are bound; ${model.name} keeps ${MOST_MACROS}`)]
    : []
}

export const CHECKS_OF_MACROS: readonly Check[] = [missing, circles, texts, budget, unplayed, heldKeys, many]
