import { keysOf } from '../base/tables'
import type { ActionContext } from './context'
import { GROUPS, type GroupId, type Phrase } from './grammar/grammar'
import { GRAMMAR_LIST } from './grammar/grammars'

/** A kind of action as a person looks for one: what it is called, and what there is of it to choose from. */
export interface ActionKind {
  id: GroupId
  label: string
  /** In a sentence, what it is for. */
  about: string
  /** How a person begins to type one whose rest only they know. */
  begins?: string
  offers(context: ActionContext): readonly Phrase[]
}

/** Every kind there is on a device, in the order a person is likely to want them. */
export const actionKinds = ({ model }: ActionContext): ActionKind[] =>
  keysOf(GROUPS).flatMap((id) => {
    const grammars = GRAMMAR_LIST.filter(({ group }) => group === id)
    const none = grammars.length > 0 && !grammars.some(({ isThere }) => isThere?.(model) ?? true)
    return none
      ? []
      : {
          id,
          ...GROUPS[id],
          offers: (context: ActionContext) =>
            grammars.flatMap(
              ({ offers, phrases = [], phrasesIn }) =>
                offers?.(context) ?? [...phrases, ...(phrasesIn?.(context) ?? [])],
            ),
        }
  })
