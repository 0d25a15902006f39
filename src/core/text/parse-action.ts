import { message, type MessageFact } from '../message/message'
import { itemAt } from '../base/items'
import { parseColour } from '../base/colour-text'
import { TAP_HOLD_MS } from '../document/action-schema'
import type { TapHold } from '../document/schema'
import type { ActionContext } from './context'
import type { Parsed, ParsedAction, Phrase, TypedText } from './grammar/grammar'
import { FIXED_PHRASES, GRAMMAR_LIST, phrasesIn } from './grammar/grammars'
import { readChord, readLooseChord } from './grammar/key'
import { MAX_PRESSES_PER_SECOND, rapidMacro } from './grammar/created-macro'
import { readMacroByName } from './grammar/macros'
import { normalise } from './normalise'
import { englishForm, parseShownTapHold } from './shown-forms'
import { hasLanguage, parseShown } from './shown-phrases'
import { unsupportedReason, replaceSynonyms } from './synonyms'
import { isInsideQuotes } from './quoting'

/**
 * Parses a typed action: a phrase (`middle click`, `volume up`, `next step`), a key with modifiers joined by plus signs
 * (`ctrl+shift+y`), a layer (`hold dive`), a text (`type "hello"`), an opening (`open divelog`), or two of these on one
 * input (`tap middle click, hold dive`). Case and spaces do not matter outside texts.
 */
export function parseAction(typed: string, context: ActionContext): ParsedAction {
  const text = typed.trim()
  const pair = parseTapHold(text, context)
  if (pair && 'action' in pair) return pair
  const single = parseEitherLanguage(text, context)
  if ('action' in single || !hasLanguage(context)) return pair ?? single
  return parseShownTapHold(text, context, (part) => parseEitherLanguage(part, context)) ?? pair ?? single
}

/** Parses a single action by its English patterns, or by the messages of the reader's language. */
function parseEitherLanguage(text: string, context: ActionContext): Parsed {
  const parsed = parseSingle(text, context)
  if ('action' in parsed || !hasLanguage(context)) return parsed
  const english = englishForm(text, context)
  return english === undefined ? parsed : parseSingle(english, context)
}

const FIRST = GRAMMAR_LIST.filter(({ readsFirst }) => readsFirst)
const OTHERS = GRAMMAR_LIST.filter(({ readsFirst }) => !readsFirst)

function parseSingle(written: string, context: ActionContext): Parsed {
  const raw = replaceSynonyms(written.trim())
  const text = normalise(raw)
  const nowhere = unsupportedReason(text)
  if (nowhere !== undefined) return { problem: nowhere }
  if (text === '') return { problem: message('parse.empty') }
  const typed: TypedText = { raw, text, single: (part) => parseSingle(part, context), colour: parseColour }
  const read = (grammars: typeof GRAMMAR_LIST): Parsed | undefined => {
    for (const each of grammars) {
      const parsed = each.read?.(typed, context)
      if (parsed) return parsed
    }
    return undefined
  }
  return (
    parseShown(text, context) ??
    parsePhrase(text, FIXED_PHRASES) ??
    read(FIRST) ??
    parseRapid(typed, context) ??
    // Before texts that are parsed in parts: the names of some shortcuts start with "open".
    parsePhrase(text, phrasesIn(context)) ??
    read(OTHERS) ??
    parseChordOrName(typed, context)
  )
}

function parsePhrase(text: string, phrases: readonly Phrase[]): Parsed | undefined {
  const phrase = phrases.find(({ words }) => words.includes(text))
  return phrase && { action: phrase.action }
}

/** If a macro has the name of a key, the key takes precedence. */
function parseChordOrName({ text, raw }: TypedText, context: ActionContext): Parsed {
  const chord = readChord(text, raw, context)
  if ('action' in chord) return chord
  return readMacroByName(raw, context) ?? readLooseChord(text, raw, context) ?? chord
}

/** A comma before these belongs to them only after a word, because it may also be the key. */
const AFTER = /(?:(?<=[^\s+]),)? (?:after|at) (\d+) ?ms$/iu
const NEXT_PRESS = /(?:(?<=[^\s+]),)? or (?:at|with|on) (?:the next|another) (?:press|input|key)$/i
const BETWEEN = /[,;]? +(?:(else|and hold|hold):?) +/gi

/** `tap X, else Y`, `tap x hold y`, followed by `after 300 ms` and `or at the next press`. */
function parseTapHold(typed: string, context: ActionContext): ParsedAction<TapHold> | undefined {
  if (!/^tap[ :]/i.test(typed)) return undefined
  let rest = typed.slice(4).trim()
  const decide = NEXT_PRESS.test(rest) ? 'press' : 'time'
  rest = rest.replace(NEXT_PRESS, '')
  const after = AFTER.exec(rest)
  rest = rest.replace(AFTER, '')
  const thresholdMs = after ? Number(after[1]) : TAP_HOLD_MS.standard
  const problem = thresholdProblem(thresholdMs)
  if (problem) return { problem }
  const splits = [...rest.matchAll(BETWEEN)].filter(({ index }) => !isInsideQuotes(rest.slice(0, index)))
  if (splits.length === 0) return { problem: message('parse.holdAction') }
  const read = splits.map((split) => {
    const tap = parseSingle(rest.slice(0, split.index), context)
    const behind = rest.slice(split.index + split[0].length)
    const hold =
      itemAt(split, 1).toLowerCase() === 'else' ? parseSingle(behind, context) : parseHeld(behind, context)
    return { tap, hold }
  })
  for (const { tap, hold } of read) {
    if ('action' in tap && 'action' in hold) {
      return { action: { kind: 'tap-hold', tap: tap.action, hold: hold.action, thresholdMs, decide } }
    }
  }
  const { tap, hold } = itemAt(read, 0)
  return 'problem' in tap ? tap : 'problem' in hold ? hold : { problem: '' }
}

/** After `hold`, a layer or a step is held. */
function parseHeld(typed: string, context: ActionContext): Parsed {
  const held = parseSingle(`hold ${typed}`, context)
  return 'action' in held ? held : parseSingle(typed, context)
}

/** The problem of a hold threshold; undefined if there is none. */
export function thresholdProblem(thresholdMs: number): MessageFact | undefined {
  const { min, max, step } = TAP_HOLD_MS
  return thresholdMs < min || thresholdMs > max || thresholdMs % step !== 0
    ? message('parse.threshold', { min, max, step })
    : undefined
}

/** `rapid click 20/s`, `rapid e 10 a second`: while held. */
function parseRapid({ text, raw, single }: TypedText, context: ActionContext): Parsed | undefined {
  const match =
    /^(?:rapid|fast|auto|turbo)[ -](.+?)(?:,? (?:at )?(\d+) ?(?:\/ ?s|cps|(?:times )?(?:per|a) second))?$/.exec(
      text,
    )
  // A macro with this name takes precedence.
  if (!match || readMacroByName(raw, context)) return undefined
  const what = itemAt(match, 1)
    .replace(/^clicks?$/, 'left click')
    .replace(/clicks$/, 'click')
  const aSecond = Number(match[2] ?? 10)
  if (aSecond < 1 || aSecond > MAX_PRESSES_PER_SECOND)
    return { problem: message('parse.perSecond', { max: MAX_PRESSES_PER_SECOND }) }
  const parsed = single(what)
  return 'action' in parsed ? rapidMacro(parsed.action, aSecond, context) : undefined
}
