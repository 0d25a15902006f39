import { definitionIn, keysOf } from '../../base/tables'
import type { SingleName } from '../../document/action-schema'
import type { SingleAction } from '../../document/schema'
import { memoizeByObject } from '../../base/memoize'
import type { ActionContext } from '../context'
import { command } from './command'
import { countdown } from './countdown'
import type { Grammar, Phrase } from './grammar'
import { key } from './key'
import { layer } from './layer'
import { macro, macroParts, stopMacros } from './macros'
import { holdStep, slot, step } from './places'
import { button, control, later, light, off, scroll, shortcut } from './simple'
import { open, text } from './typing'

/** The grammars of all actions. A text that fits several kinds is the first of them. */
export const GRAMMARS: { readonly [Name in SingleName]: Grammar<Name> } = {
  off,
  button,
  scroll,
  control,
  light,
  later,
  text,
  shortcut,
  step,
  slot,
  'hold-step': holdStep,
  open,
  command,
  countdown,
  layer,
  macro,
  'macro-parts': macroParts,
  'stop-macros': stopMacros,
  key,
}

export const GRAMMAR_LIST: readonly Grammar[] = keysOf(GRAMMARS).map((kind) => definitionIn(GRAMMARS, kind))

export const grammarOf = ({ kind }: SingleAction): Grammar => definitionIn(GRAMMARS, kind)

/** Phrases that are the same on all devices and computers. */
export const FIXED_PHRASES: readonly Phrase[] = GRAMMAR_LIST.flatMap(({ phrases = [] }) => phrases)

/** The phrases that depend on a context. Computed once per context, because typing needs them at every key. */
export const phrasesIn = memoizeByObject((context: ActionContext): readonly Phrase[] =>
  GRAMMAR_LIST.flatMap((grammar) => grammar.phrasesIn?.(context) ?? []),
)
