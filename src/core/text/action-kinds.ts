import { keysOf } from '../base/tables'
import type { Message } from '../message/message'
import type { ActionContext } from './context'
import { ACTION_GROUPS, type GroupId, type Phrase } from './grammar/grammar'
import { GRAMMAR_LIST } from './grammar/grammars'

/** A kind of action as people look for it: its name, and its options. */
export interface ActionKind {
  id: GroupId
  label: Message
  /** Its purpose in one sentence. */
  about: Message
  /** Beginnings for actions that people complete themselves. */
  begins?: Message
  offers(context: ActionContext): readonly Phrase[]
}

/** All kinds in a context, the most wanted first. */
export const actionKinds = (context: ActionContext): ActionKind[] =>
  keysOf(ACTION_GROUPS).flatMap((id) => {
    const grammars = GRAMMAR_LIST.filter(({ group }) => group === id)
    const none = grammars.length > 0 && !grammars.some(({ isThere }) => isThere?.(context) ?? true)
    return none
      ? []
      : {
          id,
          ...ACTION_GROUPS[id],
          offers: (at: ActionContext) =>
            grammars.flatMap(
              ({ offers, phrases = [], phrasesIn }) =>
                offers?.(at) ?? [...phrases, ...(phrasesIn?.(at) ?? [])],
            ),
        }
  })
