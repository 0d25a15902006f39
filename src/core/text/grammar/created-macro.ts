import { itemAt } from '../../base/items'
import { keyByCode } from '../../hid/keyboard-page'
import { deepEqual } from '../../base/deep-equal'
import { emptyMacro, type Macro, type MacroEvent, type MacroShelf } from '../../document/macro'
import { PLAY_ONCE, type MacroAction } from '../../document/action-schema'
import type { SingleAction } from '../../document/schema'

/**
 * Macros created from the text of a cell: a click or a key several times a second, or a text followed by a key. Before
 * the action is bound, the macro is added to the library and a message says so.
 */
export interface CreatedMacro {
  action: MacroAction
  makes: Macro
}

/** Presses per second that still leave a visible press and pause. */
export const MAX_PRESSES_PER_SECOND = 50

/** Presses and releases the key or mouse button of an action; undefined for other actions. */
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
 * A key or mouse button several times a second while its input is held: pressed for half of each period, with exactly
 * the given rate.
 *
 * @returns undefined for other actions
 */
export function rapidMacro(
  action: SingleAction,
  aSecond: number,
  macros: MacroShelf,
): CreatedMacro | undefined {
  const periodMs = Math.round(1000 / aSecond)
  const heldMs = periodMs >> 1
  const events = pressEvents(action, heldMs)
  if (!events) return undefined
  const makes = madeMacro(`${nameOf(action)}, ${aSecond} a second`, events, macros)
  return { action: { ...PLAY_ONCE(makes.id), play: 'held', gapMs: periodMs - heldMs }, makes }
}

/** A text followed by a key, once per press; undefined if the key is invalid. */
export function textAndKeyMacro(
  text: string,
  then: SingleAction,
  macros: MacroShelf,
): CreatedMacro | undefined {
  const events = pressEvents(then, 20)
  if (!events) return undefined
  const makes = madeMacro(
    `${text.slice(0, 24)}, ${nameOf(then)}`,
    [{ kind: 'text', text, afterMs: 0 }, { ...itemAt(events, 0), afterMs: 20 }, ...events.slice(1)],
    macros,
  )
  return { action: PLAY_ONCE(makes.id), makes }
}

/** The same macro always has the same id, so that it is created once. */
function madeMacro(name: string, events: MacroEvent[], macros: MacroShelf): Macro {
  const stem = `made-${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 50)}`
  for (let number = 1; ; number++) {
    const id = number === 1 ? stem : `${stem}-${number}`
    const there = macros.get(id)
    if (!there) return { ...emptyMacro(id, name), events }
    if (deepEqual(there.events, events)) return there
  }
}
