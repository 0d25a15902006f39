import { Refusal } from '../core/base/errors'
import { computerEventMessage, type ComputerEvent } from '../core/computer/computer'
import type { Action } from '../core/document/schema'
import type { MessageFact } from '../core/message/message'
import { actionMessage } from '../core/text/action-text'
import type { ActionContext, TypingContext } from '../core/text/context'
import { en, englishText, textsOf } from './plain'
import { pseudoMessage } from './pseudo.test-support'

const isFact = (value: object): value is Exclude<MessageFact, string | number> =>
  'items' in value || ('key' in value && typeof value.key === 'string' && /^[a-z]+\.\w+$/i.test(value.key))

/** A copy of plain data in which each message is its English text. */
export function inEnglish(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inEnglish)
  if (typeof value !== 'object' || value === null) return value
  if (isFact(value)) return englishText(value)
  return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, inEnglish(each)]))
}

/** The reasons for which something is refused, in English. @throws if it is not refused, or fails otherwise */
export function refusalOf(act: () => unknown): string {
  try {
    act()
  } catch (error) {
    if (error instanceof Refusal) return error.reasons.map(englishText).join('; ')
    throw error
  }
  throw new Error('it is not refused')
}

/** A context in which people read and type English. */
export const typingIn = (context: ActionContext): TypingContext => ({ ...context, textOf: englishText })

export const actionText = (action: Action, context: ActionContext): string =>
  englishText(actionMessage(action, context))

/** A line of the report log. */
export const reportText = (event: ComputerEvent): string => englishText(computerEventMessage(event))

/** Texts of the pseudo-locale: a language that no parser knows. */
export const pseudoText = textsOf(
  Object.fromEntries(
    Object.entries(en).map(([area, messages]) => [
      area,
      Object.fromEntries(Object.entries(messages).map(([key, text]) => [key, pseudoMessage(text)])),
    ]),
  ),
)
