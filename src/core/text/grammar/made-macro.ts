import { itemAt } from '../../base/items'
import { keyByCode } from '../../hid/keyboard-page'
import { sameValue } from '../../base/same-value'
import { emptyMacro, type Macro, type MacroEvent, type MacroShelf } from '../../document/macro'
import { playedOnce, type MacroAction } from '../../document/action-schema'
import type { SingleAction } from '../../document/schema'

/**
 * Macros made on the spot from what is typed in a cell: a click or a key so many times a second, a text and then a key.
 * Whoever binds the action puts the macro into the library first, and says so.
 */
export interface Made {
  action: MacroAction
  makes: Macro
}

/** Presses a second that still leave both the press and the pause long enough to be seen. */
export const MOST_A_SECOND = 50

/** Presses and lets go what an action is, or undefined where it is neither a key nor a mouse button. */
function pressEvents(action: SingleAction, heldMs: number): MacroEvent[] | undefined {
  if (action.kind === 'button' && action.clicks === 1)
    return [
      { kind: 'button', button: action.button, does: 'press', afterMs: 0 },
      { kind: 'button', button: action.button, does: 'release', afterMs: heldMs },
    ]
  if (action.kind !== 'key') return undefined
  const codes = [...action.modifiers, action.code]
  return [
    ...codes.map((code): MacroEvent => ({ kind: 'key', code, does: 'press', afterMs: 0 })),
    ...codes.toReversed().map((code, index): MacroEvent => ({
      kind: 'key',
      code,
      does: 'release',
      afterMs: index === 0 ? heldMs : 0,
    })),
  ]
}

const nameOf = (action: SingleAction): string => {
  if (action.kind === 'button')
    return ['Left', 'Right', 'Middle'][action.button - 1] ?? `Button ${action.button}`
  return action.kind === 'key'
    ? [...action.modifiers, action.code].map((code) => keyByCode(code)?.legend ?? code).join('+')
    : ''
}

/**
 * A key or a mouse button so many times a second while its input is held: pressed for half of each period, which is
 * exactly as long as it says.
 *
 * @returns undefined for what is neither
 */
export function rapidly(action: SingleAction, aSecond: number, macros: MacroShelf): Made | undefined {
  const periodMs = Math.round(1000 / aSecond)
  const heldMs = periodMs >> 1
  const events = pressEvents(action, heldMs)
  if (!events) return undefined
  const makes = madeMacro(`${nameOf(action)}, ${aSecond} a second`, events, macros)
  return { action: { ...playedOnce(makes.id), play: 'held', gapMs: periodMs - heldMs }, makes }
}

/** A text and then a key, once a press; undefined for what is no key. */
export function textAndThen(text: string, then: SingleAction, macros: MacroShelf): Made | undefined {
  const events = pressEvents(then, 20)
  if (!events) return undefined
  const makes = madeMacro(
    `${text.slice(0, 24)}, ${nameOf(then)}`,
    [{ kind: 'text', text, afterMs: 0 }, { ...itemAt(events, 0), afterMs: 20 }, ...events.slice(1)],
    macros,
  )
  return { action: playedOnce(makes.id), makes }
}

/** The same macro has the same id each time, so that it is made once. */
function madeMacro(name: string, events: MacroEvent[], macros: MacroShelf): Macro {
  const stem = `made-${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 50)}`
  for (let number = 1; ; number++) {
    const id = number === 1 ? stem : `${stem}-${number}`
    const there = macros.get(id)
    if (!there) return { ...emptyMacro(id, name), events }
    if (sameValue(there.events, events)) return there
  }
}
