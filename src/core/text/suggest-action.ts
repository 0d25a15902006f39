import { keyLegend } from '../computer/layouts'
import { KEY_USAGES } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import { actionText } from './action-text'
import { keyAction, type ActionContext } from './context'
import type { ParsedAction } from './grammar/grammar'
import { GRAMMAR_LIST, phrasesOf } from './grammar/grammars'
import { keyByWords, keyPhrases } from './grammar/key'
import { normalise } from './normalise'
import { parseAction } from './parse-action'
import type { Action } from '../document/schema'

/** A whole action that can be offered while a person types. */
export interface Suggestion {
  text: string
  action: Action
  /** What it is, in a word or two, beside the text. */
  note: string
}

/** Wordings whose rest only the person can type; offered as the way they begin. */
const OPEN_ENDED = [
  ...GRAMMAR_LIST.flatMap(({ examples = [] }) => examples),
  { text: 'tap esc, hold ctrl', note: 'two on one input' },
]
const STARTING_POINTS = ['y', 'ctrl+shift+y', 'middle click', 'volume up', 'next step', 'copy', 'off']

/**
 * Up to `most` actions that what was typed may be on its way to, likeliest first.
 *
 * @param parsed what was typed, where it has been parsed already
 */
export function suggestActions(
  typed: string,
  context: ActionContext,
  most = 8,
  parsed?: ParsedAction | { clear: true },
): Suggestion[] {
  const text = normalise(typed)
  if (text === '')
    return STARTING_POINTS.flatMap((start) => example(start, 'for example', context)).slice(0, most)
  const read = parsed ?? parseAction(typed, context)
  const exact =
    'action' in read
      ? [{ text: actionText(read.action, context), action: read.action, note: 'as typed' }]
      : []
  const chordEnd = text.lastIndexOf('+')
  if (chordEnd > 0) return unique([...exact, ...suggestChords(text, chordEnd, context)]).slice(0, most)
  const ranked = [...phrasesOf(context), ...keyPhrases(context)]
    .map((phrase) => ({ phrase, rank: Math.min(...phrase.words.map((word) => matchRank(word, text))) }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ phrase: { text: whole, action, note } }) => ({ text: whole, action, note }))
  const begun = OPEN_ENDED.filter((each) => each.text.startsWith(text)).flatMap((each) =>
    example(each.text, each.note, context),
  )
  return unique([...exact, ...begun, ...ranked]).slice(0, most)
}

const unique = (list: Suggestion[]): Suggestion[] => {
  const seen = new Set<string>()
  return list.filter(({ text }) => !seen.has(text) && seen.add(text))
}

function suggestChords(text: string, chordEnd: number, context: ActionContext): Suggestion[] {
  const { layout } = context.computer
  const tail = text.slice(chordEnd + 1).trim()
  const modifiers = text
    .slice(0, chordEnd)
    .split('+')
    .map((part) => keyByWords(part, layout).key)
  if (!modifiers.every((key) => key && isModifierUsage(key.usage))) return []
  const codes = modifiers.flatMap((key) => (key ? [key.code] : []))
  return KEY_USAGES.filter((key) => !codes.includes(key.code))
    .map(({ code, words }) => {
      const names = [keyLegend(code, layout).toLowerCase(), ...words]
      return { code, rank: Math.min(...names.map((word) => matchRank(word, tail))) }
    })
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ code }) => {
      const action = keyAction(code, codes)
      return { text: actionText(action, context), action, note: 'key' }
    })
}

const NO_MATCH = 9

/** 0 the same, 1 begins so, 2 a later word begins so, 3 holds it; shorter words first within a rank. */
function matchRank(word: string, text: string): number {
  const length = Math.min(word.length, 50) / 100
  if (word === text) return 0
  if (word.startsWith(text)) return 1 + length
  if (word.includes(` ${text}`)) return 2 + length
  return text.length > 1 && word.includes(text) ? 3 + length : NO_MATCH
}

function example(text: string, note: string, context: ActionContext): Suggestion[] {
  const parsed = parseAction(text, context)
  return 'action' in parsed ? [{ text: actionText(parsed.action, context), action: parsed.action, note }] : []
}
