import { WEAKEST_MATCH, matchRank, NO_MATCH, parseSearch, type SearchWords } from '../base/matching'
import { isModifierUsage } from '../hid/modifiers'
import { actionMessage } from './action-text'
import { keyAction, type TypingContext } from './context'
import { message, type MessageFact } from '../message/message'
import type { ParsedAction } from './grammar/grammar'
import { GRAMMAR_LIST } from './grammar/grammars'
import { keyByText } from './grammar/key'
import { shownKeys, shownPhrases } from './shown-phrases'
import { normalise } from './normalise'
import { parseAction } from './parse-action'
import { TAP_HOLD_MS } from '../document/action-schema'
import type { Action } from '../document/schema'

/** A complete action, suggested while typing. */
export interface Suggestion {
  text: string
  action: Action
  /** A short description next to the text. */
  note: MessageFact
}

const TAP_HOLD: Action = {
  kind: 'tap-hold',
  tap: keyAction('Escape', []),
  hold: keyAction('ControlLeft', []),
  thresholdMs: TAP_HOLD_MS.standard,
  decide: 'time',
}
/** Actions whose texts people complete themselves, suggested by their start. */
const OPEN_ENDED: readonly { action: Action; note: MessageFact }[] = [
  ...GRAMMAR_LIST.flatMap(({ examples = [] }) => examples),
  { action: TAP_HOLD, note: message('actions.tapHoldNote') },
]
const STARTING_POINTS = ['y', 'ctrl+shift+y', 'middle click', 'volume up', 'next step', 'copy', 'off']

/**
 * Up to `most` actions that match the typed text, the most likely first.
 *
 * @param parsed the parsed text, if it has been parsed already
 */
export function suggestActions(
  typed: string,
  context: TypingContext,
  max = 8,
  parsed?: ParsedAction | { clear: true },
): Suggestion[] {
  const text = normalise(typed)
  if (text === '')
    return STARTING_POINTS.flatMap((start) => example(start, message('actions.forExample'), context)).slice(
      0,
      max,
    )
  const read = parsed ?? parseAction(typed, context)
  const exact = 'action' in read ? [suggestionOf(read.action, message('actions.asEntered'), context)] : []
  const chordEnd = text.lastIndexOf('+')
  if (chordEnd > 0) return unique([...exact, ...suggestChords(text, chordEnd, context)]).slice(0, max)
  const wanted = parseSearch(text)
  const ranked = [...shownPhrases(context), ...shownKeys(context)]
    .map((phrase) => ({
      phrase,
      rank: Math.min(...phrase.words.map((word) => suggestionRank(wanted, word))),
    }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ phrase: { text: whole, action, note } }) => ({ text: whole, action, note }))
  const begun = OPEN_ENDED.map(({ action, note }) => suggestionOf(action, note, context))
    .filter((each) => normalise(each.text).startsWith(text))
    .flatMap((each) => example(each.text, each.note, context))
  return unique([...exact, ...begun, ...ranked]).slice(0, max)
}

const unique = (list: Suggestion[]): Suggestion[] => {
  const seen = new Set<string>()
  return list.filter(({ text }) => !seen.has(text) && seen.add(text))
}

function suggestChords(text: string, chordEnd: number, context: TypingContext): Suggestion[] {
  const wanted = parseSearch(text.slice(chordEnd + 1))
  const modifiers = text
    .slice(0, chordEnd)
    .split('+')
    .map((part) => keyByText(part, context).key)
  if (!modifiers.every((key) => key && isModifierUsage(key.usage))) return []
  const codes = modifiers.flatMap((key) => (key ? [key.code] : []))
  return shownKeys(context)
    .flatMap(({ action, words }) =>
      action.kind === 'key' && !codes.includes(action.code)
        ? { code: action.code, rank: Math.min(...words.map((word) => suggestionRank(wanted, word))) }
        : [],
    )
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ code }) => suggestionOf(keyAction(code, codes), message('actions.keyNote'), context))
}

/** Among equally good matches, shorter texts come first. A single letter only matches the start of a word. */
function suggestionRank(wanted: SearchWords, word: string): number {
  const rank = matchRank(wanted, word)
  const anywhere = rank === WEAKEST_MATCH && wanted.text.length < 2
  return rank === NO_MATCH || anywhere ? NO_MATCH : rank + Math.min(word.length, 50) / 100
}

/** An action as a suggestion. */
export const suggestionOf = (action: Action, note: MessageFact, context: TypingContext): Suggestion => ({
  text: context.textOf(actionMessage(action, context)),
  action,
  note,
})

/** A text as a suggestion, if it is an action in this context. */
function example(text: string, note: MessageFact, context: TypingContext): Suggestion[] {
  const parsed = parseAction(text, context)
  return 'action' in parsed ? [suggestionOf(parsed.action, note, context)] : []
}
