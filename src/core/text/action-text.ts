import { TAP_HOLD_MS } from '../document/action-schema'
import type { Action } from '../document/schema'
import type { ActionContext } from './context'
import type { ActionFamily } from './grammar/grammar'
import { grammarOf } from './grammar/grammars'

/**
 * The text of an action in the sheet and the drawing; `parseAction` reads it back as the same action in the same
 * context.
 */
export function actionText(action: Action, context: ActionContext): string {
  return action.kind === 'tap-hold' ? tapHoldText(action, context) : grammarOf(action).write(action, context)
}

function tapHoldText(
  { tap, hold, thresholdMs, decide }: Extract<Action, { kind: 'tap-hold' }>,
  context: ActionContext,
): string {
  // The text of an opening could end like one of these, so the threshold is always written, at the end.
  const after = thresholdMs === TAP_HOLD_MS.standard && hold.kind !== 'open' ? '' : ` after ${thresholdMs} ms`
  const press = decide === 'press' ? ' or at the next press' : ''
  return `Tap ${actionText(tap, context)}, else ${actionText(hold, context)}${after}${press}`
}

/** A pair of actions belongs to the first family, like single keys. */
export const actionFamily = (action: Action): ActionFamily =>
  action.kind === 'tap-hold' ? 'binding' : grammarOf(action).family
