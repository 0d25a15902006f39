import { itemAt } from '../base/items'
import { memoizeByObject } from '../base/memoize'
import { findBudgetProblem } from '../onboard/macro-budget'
import { playableOperations } from '../onboard/macro-code'
import { MAX_MACROS } from '../onboard/macro-section'
import { countMacroOperations } from '../terms/lower-macro'
import { macrosWithin, deviceCode, type Macro, type MacroShelf } from '../document/macro'
import { unreleasedPresses } from '../document/macro-timing'
import { unbind } from '../edits/edits'
import {
  bindingPlace,
  errorFinding,
  createFix,
  nameInput,
  warningFinding,
  type Check,
  type Finding,
} from './finding'
import { macrosUsed, singleActions, placedBindings, type PlacedBinding } from '../terms/profile'
import type { Profile } from '../document/schema'
import { untypableCharacters } from '../computer/typing'

/** Rules for bound macros: each exists, ends, and can be typed. */

/** Returns a finding for each binding that plays a macro which `find` reports. */
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
  singleActions(action).flatMap((part) => {
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
            errorFinding('macro-missing', bindingPlace(where), { where: nameInput(profile, where) }, [
              createFix('clear', undefined, (current) => unbind(current, model, where.layer, where.input.id)),
            ]),
          ],
    ),
  )

const circles = forEachMacro((macro, where, profile, macros) => {
  const { circle } = macrosWithin(macro.id, macros)
  const names = circle?.map((id) => macros.get(id)?.name ?? id)
  return names
    ? [errorFinding('macro-circle', bindingPlace(where), { where: nameInput(profile, where), macros: names })]
    : []
})

/** Computed once for each state of a macro, which may have twenty thousand events. */
const textsOf = memoizeByObject(({ events }: Macro): readonly string[] =>
  events.flatMap((event) => (event.kind === 'text' ? [event.text] : [])),
)

/** Commands without a key, by the macros that perform them. */
const keylessOf = memoizeByObject(({ events }: Macro): readonly string[] => [
  ...new Set(events.flatMap((event) => (event.kind === 'command' && !event.key ? [event.name] : []))),
])

const commands = forEachMacro((macro, where, _, macros) =>
  [macro, ...[...macrosWithin(macro.id, macros).ids].flatMap((id) => macros.get(id) ?? [])].flatMap((each) =>
    keylessOf(each).map((command) =>
      errorFinding('macro-command', bindingPlace(where), { macro: each.name, command }),
    ),
  ),
)

const texts = forEachMacro((macro, where, profile, macros) => {
  const within = [macro, ...[...macrosWithin(macro.id, macros).ids].flatMap((id) => macros.get(id) ?? [])]
  const strange = within.flatMap((each) =>
    textsOf(each).flatMap((text) => untypableCharacters(text, profile.computer)),
  )
  const facts = { macro: macro.name, characters: [...new Set(strange)], computer: profile.computer }
  return strange.length === 0 ? [] : [errorFinding('macro-text', bindingPlace(where), facts)]
})

const budget = forEachMacro((macro, where, profile, macros) => {
  const { ids, circle } = macrosWithin(macro.id, macros)
  if (circle) return []
  const unreadable = [...ids].flatMap((id) => {
    const inner = macros.get(id)
    const code = inner && deviceCode(inner)
    return inner && code && !playableOperations(code) ? [inner] : []
  })
  const facts = { where: nameInput(profile, where), macro: macro.name }
  const problem = findBudgetProblem(countMacroOperations(macro, macros, profile.computer))
  if (problem) return [errorFinding('macro-budget', bindingPlace(where), { ...facts, problem })]
  return unreadable.length > 0
    ? [errorFinding('macro-unread', bindingPlace(where), { ...facts, within: itemAt(unreadable, 0).name })]
    : []
})

/** Stored for a device of a later version. This device only shows a light signal when it is pressed. */
const unplayed = forEachMacro((macro, where, profile) => {
  const code = deviceCode(macro)
  return !code || playableOperations(code)
    ? []
    : [
        warningFinding('macro-unplayed', bindingPlace(where), {
          where: nameInput(profile, where),
          macro: macro.name,
        }),
      ]
})

const heldKeys = forEachMacro((macro, where, profile) => {
  const keys = unreleasedPresses(macro.events).length
  return keys === 0
    ? []
    : [
        warningFinding('macro-left-down', bindingPlace(where), {
          where: nameInput(profile, where),
          macro: macro.name,
          keys,
        }),
      ]
})

const many: Check = (profile, model) => {
  const { length } = macrosUsed(profile)
  return length > MAX_MACROS
    ? [errorFinding('macros', { view: 'buttons' }, { macros: length, model: model.name, max: MAX_MACROS })]
    : []
}

export const MACRO_CHECKS: readonly Check[] = [
  missing,
  circles,
  commands,
  texts,
  budget,
  unplayed,
  heldKeys,
  many,
]
