import { WEAKEST_MATCH, matchRank, NO_MATCH, parseSearch, type SearchWords } from '../base/matching'
import { keyLegend } from '../computer/layouts'
import { KEY_USAGES } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import { actionText } from './action-text'
import { keyAction, type ActionContext } from './context'
import type { ParsedAction } from './grammar/grammar'
import { GRAMMAR_LIST, phrasesOf } from './grammar/grammars'
import { keyByText, keyPhrases } from './grammar/key'
import { normalise } from './normalise'
import { parseAction } from './parse-action'
import type { Action } from '../document/schema'

/** A complete action, suggested while typing. */
export interface Suggestion {
  text: string
  action: Action
  /** A short description next to the text. */
  note: string
}

/** Texts that people complete themselves, suggested by their start. */
const OPEN_ENDED = [
  ...GRAMMAR_LIST.flatMap(({ examples = [] }) => examples),
  { text: 'tap esc, hold ctrl', note: 'two actions on one input' },
]
const STARTING_POINTS = ['y', 'ctrl+shift+y', 'middle click', 'volume up', 'next step', 'copy', 'off']

/**
 * Up to `most` actions that match the typed text, the most likely first.
 *
 * @param parsed the parsed text, if it has been parsed already
 */
export function suggestActions(
  typed: string,
  context: ActionContext,
  max = 8,
  parsed?: ParsedAction | { clear: true },
): Suggestion[] {
  const text = normalise(typed)
  if (text === '')
    return STARTING_POINTS.flatMap((start) => example(start, 'for example', context)).slice(0, max)
  const read = parsed ?? parseAction(typed, context)
  const exact =
    'action' in read
      ? [{ text: actionText(read.action, context), action: read.action, note: 'as entered' }]
      : []
  const chordEnd = text.lastIndexOf('+')
  if (chordEnd > 0) return unique([...exact, ...suggestChords(text, chordEnd, context)]).slice(0, max)
  const wanted = parseSearch(text)
  const ranked = [...phrasesOf(context), ...keyPhrases(context)]
    .map((phrase) => ({
      phrase,
      rank: Math.min(...phrase.words.map((word) => suggestionRank(wanted, word))),
    }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ phrase: { text: whole, action, note } }) => ({ text: whole, action, note }))
  const begun = OPEN_ENDED.filter((each) => each.text.startsWith(text)).flatMap((each) =>
    example(each.text, each.note, context),
  )
  return unique([...exact, ...begun, ...ranked]).slice(0, max)
}

const unique = (list: Suggestion[]): Suggestion[] => {
  const seen = new Set<string>()
  return list.filter(({ text }) => !seen.has(text) && seen.add(text))
}

function suggestChords(text: string, chordEnd: number, context: ActionContext): Suggestion[] {
  const { layout } = context.computer
  const wanted = parseSearch(text.slice(chordEnd + 1))
  const modifiers = text
    .slice(0, chordEnd)
    .split('+')
    .map((part) => keyByText(part, layout).key)
  if (!modifiers.every((key) => key && isModifierUsage(key.usage))) return []
  const codes = modifiers.flatMap((key) => (key ? [key.code] : []))
  return KEY_USAGES.filter((key) => !codes.includes(key.code))
    .map(({ code, words }) => {
      const names = [keyLegend(code, layout).toLowerCase(), ...words]
      return { code, rank: Math.min(...names.map((word) => suggestionRank(wanted, word))) }
    })
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ code }) => {
      const action = keyAction(code, codes)
      return { text: actionText(action, context), action, note: 'key' }
    })
}

/** Among equally good matches, shorter texts come first. A single letter only matches the start of a word. */
function suggestionRank(wanted: SearchWords, word: string): number {
  const rank = matchRank(wanted, word)
  const anywhere = rank === WEAKEST_MATCH && wanted.text.length < 2
  return rank === NO_MATCH || anywhere ? NO_MATCH : rank + Math.min(word.length, 50) / 100
}

function example(text: string, note: string, context: ActionContext): Suggestion[] {
  const parsed = parseAction(text, context)
  return 'action' in parsed ? [{ text: actionText(parsed.action, context), action: parsed.action, note }] : []
}
