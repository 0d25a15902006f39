import { itemAt } from '../../base/items'
import { buttonLabel } from '../../hid/button-page'
import { deepEqual } from '../../base/deep-equal'
import { emptyMacro, type Macro, type MacroEvent } from '../../document/macro'
import { PLAY_ONCE, type MacroAction } from '../../document/action-schema'
import type { SingleAction } from '../../document/schema'
import { message, type Message, type MessageFact } from '../../message/message'
import { chordMessage, type ActionContext } from '../context'

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

const BUTTON_IDS: Record<number, string | undefined> = { 1: 'left', 2: 'right', 3: 'middle' }

/** The name of the pressed key or button, and its part of an id. */
function nameOf(action: SingleAction, { computer }: ActionContext): { name: MessageFact; id: string } {
  if (action.kind === 'button')
    return { name: buttonLabel(action.button), id: BUTTON_IDS[action.button] ?? `button-${action.button}` }
  const codes = action.kind === 'key' ? [...action.modifiers, action.code] : []
  return { name: chordMessage(codes, computer.layout), id: codes.join('-') }
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
  context: ActionContext,
): CreatedMacro | undefined {
  const periodMs = Math.round(1000 / aSecond)
  const heldMs = periodMs >> 1
  const events = pressEvents(action, heldMs)
  if (!events) return undefined
  const { name, id } = nameOf(action, context)
  const makes = madeMacro(
    message('actions.repeated', { key: name, count: aSecond }),
    `${id}-${aSecond}-a-second`,
    events,
    context,
  )
  return { action: { ...PLAY_ONCE(makes.id), play: 'held', gapMs: periodMs - heldMs }, makes }
}

/** A text followed by a key, once per press; undefined if the key is invalid. */
export function textAndKeyMacro(
  text: string,
  then: SingleAction,
  context: ActionContext,
): CreatedMacro | undefined {
  const events = pressEvents(then, 20)
  if (!events) return undefined
  const { name, id } = nameOf(then, context)
  const begin = text.slice(0, 24)
  const makes = madeMacro(
    message('actions.textAndKey', { text: begin, key: name }),
    `${begin}-${id}`,
    [{ kind: 'text', text, afterMs: 0 }, { ...itemAt(events, 0), afterMs: 20 }, ...events.slice(1)],
    context,
  )
  return { action: PLAY_ONCE(makes.id), makes }
}

/**
 * The same macro always has the same id, so that it is created once. Its name is in the reader's language.
 *
 * @param from its id in words
 */
function madeMacro(
  named: Message,
  from: string,
  events: MacroEvent[],
  { macros, textOf }: ActionContext,
): Macro {
  const name = textOf ? textOf(named) : from
  const stem = `made-${from
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
