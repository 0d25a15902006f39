import { TAP_HOLD_MS } from '../document/action-schema'
import type { Action } from '../document/schema'
import { message, type MessageFact } from '../message/message'
import type { ActionContext } from './context'
import type { ActionFamily } from './grammar/grammar'
import { grammarOf } from './grammar/grammars'

/**
 * The text of an action in the sheet and the drawing; `parseAction` reads it back as the same action in the same
 * context.
 */
export function actionMessage(action: Action, context: ActionContext): MessageFact {
  return action.kind === 'tap-hold'
    ? tapHoldMessage(action, context)
    : grammarOf(action).write(action, context)
}

function tapHoldMessage(
  { tap: tapAction, hold: holdAction, thresholdMs, decide }: Extract<Action, { kind: 'tap-hold' }>,
  context: ActionContext,
): MessageFact {
  const [tap, hold] = [actionMessage(tapAction, context), actionMessage(holdAction, context)]
  // The text of an opening could end like one of these, so the threshold is always written, at the end.
  const standard = thresholdMs === TAP_HOLD_MS.standard && holdAction.kind !== 'open'
  if (standard)
    return message(decide === 'press' ? 'actions.tapHoldNextPress' : 'actions.tapHold', { tap, hold })
  const time = String(thresholdMs)
  return decide === 'press'
    ? message('actions.tapHoldAfterNextPress', { tap, hold, time })
    : message('actions.tapHoldAfter', { tap, hold, time })
}

/** A pair of actions belongs to the first family, like single keys. */
export const actionFamily = (action: Action): ActionFamily =>
  action.kind === 'tap-hold' ? 'binding' : grammarOf(action).family
