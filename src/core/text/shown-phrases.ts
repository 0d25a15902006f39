import { memoizeByObject } from '../base/memoize'
import type { TextOf } from '../message/message'
import { actionMessage } from './action-text'
import type { ActionContext, TypingContext } from './context'
import type { Parsed, Phrase } from './grammar/grammar'
import { FIXED_PHRASES, phrasesIn } from './grammar/grammars'
import { keyPhrases } from './grammar/key'
import { normalise } from './normalise'

/** A phrase with its text in the reader's language. */
export interface ShownPhrase extends Phrase {
  text: string
}

const withText = (phrase: Phrase, context: ActionContext, textOf: TextOf): ShownPhrase => {
  const text = textOf(actionMessage(phrase.action, context))
  return { ...phrase, text, words: [...new Set([normalise(text), ...phrase.words])] }
}

/** The fixed phrases are the same in all contexts, so their texts are made once per language. */
const fixedTexts = new WeakMap<TextOf, readonly ShownPhrase[]>()

function fixedPhrases(context: TypingContext): readonly ShownPhrase[] {
  const known = fixedTexts.get(context.textOf)
  if (known) return known
  const made = FIXED_PHRASES.map((phrase) => withText(phrase, context, context.textOf))
  fixedTexts.set(context.textOf, made)
  return made
}

/** All phrases of a context with their texts, the fixed ones first. Computed once, because typing needs them at every key. */
export const shownPhrases = memoizeByObject((context: TypingContext): readonly ShownPhrase[] => [
  ...fixedPhrases(context),
  ...phrasesIn(context).map((phrase) => withText(phrase, context, context.textOf)),
])

/** All keys with their texts. */
export const shownKeys = memoizeByObject((context: TypingContext): readonly ShownPhrase[] =>
  keyPhrases(context).map((phrase) => withText(phrase, context, context.textOf)),
)

/** The actions of a context by the texts that are shown for them, normalised. */
const byText = memoizeByObject(
  (context: TypingContext): ReadonlyMap<string, Parsed> =>
    // Reversed, so that the first of two with the same text counts.
    new Map(
      shownPhrases(context)
        .toReversed()
        .map(({ text, action }) => [normalise(text), { action }]),
    ),
)

/** Whether texts of a language are understood besides English. */
export const hasLanguage = (context: ActionContext): context is TypingContext => context.textOf !== undefined

/** Parses a text that is shown for an action, in the reader's language. */
export const parseShown = (text: string, context: ActionContext): Parsed | undefined =>
  hasLanguage(context) ? byText(context).get(text) : undefined
