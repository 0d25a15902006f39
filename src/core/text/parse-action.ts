import { itemAt } from '../base/items'
import { colourFrom } from '../base/colour-text'
import { TAP_HOLD_MS } from '../document/action-schema'
import type { TapHold } from '../document/schema'
import type { ActionContext } from './context'
import type { Parsed, ParsedAction, Typed } from './grammar/grammar'
import { FIXED_PHRASES, GRAMMAR_LIST, phrasesOf } from './grammar/grammars'
import { readChord, readLooseChord } from './grammar/key'
import { MOST_A_SECOND, rapidly } from './grammar/made-macro'
import { readMacroByName } from './grammar/macros'
import { normalise } from './normalise'
import { inNoWords, inOurWords } from './other-words'
import { insideQuotes } from './quoting'

/**
 * Reads what a person typed: a phrase (`middle click`, `volume up`, `next step`), a key with modifiers joined by
 * plus signs (`ctrl+shift+y`), a layer (`hold dive`), a text (`type "hello"`), an opening (`open divelog`), or
 * two of these on one input (`tap middle click, hold dive`). Case and spaces do not matter outside texts.
 */
export function parseAction(typed: string, context: ActionContext): ParsedAction {
  return parseTapHold(typed.trim(), context) ?? parseSingle(typed, context)
}

const FIRST = GRAMMAR_LIST.filter(({ readsFirst }) => readsFirst)
const OTHERS = GRAMMAR_LIST.filter(({ readsFirst }) => !readsFirst)

function parseSingle(written: string, context: ActionContext): Parsed {
  const raw = inOurWords(written.trim())
  const text = normalise(raw)
  const nowhere = inNoWords(text)
  if (nowhere !== undefined) return { problem: nowhere }
  if (text === '') return { problem: 'Type a key, such as y, or an action, such as next step' }
  const typed: Typed = { raw, text, single: (part) => parseSingle(part, context), colour: colourFrom }
  const read = (grammars: typeof GRAMMAR_LIST): Parsed | undefined => {
    for (const each of grammars) {
      const parsed = each.read?.(typed, context)
      if (parsed) return parsed
    }
    return undefined
  }
  return (
    parsePhrase(text, FIXED_PHRASES) ??
    read(FIRST) ??
    parseRapid(typed, context) ??
    // Before what is read by its parts: some shortcuts are called open something.
    parsePhrase(text, phrasesOf(context)) ??
    read(OTHERS) ??
    parseChordOrName(typed, context)
  )
}

function parsePhrase(text: string, phrases: typeof FIXED_PHRASES): Parsed | undefined {
  const phrase = phrases.find(({ words }) => words.includes(text))
  return phrase && { action: phrase.action }
}

/** A macro may have the name of a key: then the key is meant. */
function parseChordOrName({ text, raw }: Typed, context: ActionContext): Parsed {
  const chord = readChord(text, raw, context)
  if ('action' in chord) return chord
  return readMacroByName(raw, context) ?? readLooseChord(text, raw, context) ?? chord
}

/** A comma before these belongs to them only behind a word: it may also be the key. */
const AFTER = /(?:(?<=[^\s+]),)? (?:after|at) (\d+) ?ms$/iu
const NEXT_PRESS = /(?:(?<=[^\s+]),)? or (?:at|with|on) (?:the next|another) (?:press|input|key)$/i
const BETWEEN = /[,;]? +(?:(else|and hold|hold):?) +/gi

/** `tap X, else Y`, `tap x hold y`, with `after 300 ms` and `or at the next press` behind it. */
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
  const splits = [...rest.matchAll(BETWEEN)].filter(({ index }) => !insideQuotes(rest.slice(0, index)))
  if (splits.length === 0) return { problem: 'Say what it does when held as well: tap y, hold ctrl' }
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

/** Behind `hold`, a layer or a step is one that is held. */
function parseHeld(typed: string, context: ActionContext): Parsed {
  const held = parseSingle(`hold ${typed}`, context)
  return 'action' in held ? held : parseSingle(typed, context)
}

/** What is wrong with a threshold of tap and hold, in words; undefined when nothing is. */
export function thresholdProblem(thresholdMs: number): string | undefined {
  const { least, most, grid } = TAP_HOLD_MS
  return thresholdMs < least || thresholdMs > most || thresholdMs % grid !== 0
    ? `Tap and hold are told apart after ${least} to ${most} ms, in steps of ${grid}`
    : undefined
}

/** `rapid click 20/s`, `rapid e 10 a second`: while it is held. */
function parseRapid({ text, raw, single }: Typed, context: ActionContext): Parsed | undefined {
  const match =
    /^(?:rapid|fast|auto|turbo)[ -](.+?)(?:,? (?:at )?(\d+) ?(?:\/ ?s|cps|(?:times )?(?:per|a) second))?$/.exec(
      text,
    )
  // A macro of that name is meant, if there is one.
  if (!match || readMacroByName(raw, context)) return undefined
  const what = itemAt(match, 1)
    .replace(/^clicks?$/, 'left click')
    .replace(/clicks$/, 'click')
  const aSecond = Number(match[2] ?? 10)
  if (aSecond < 1 || aSecond > MOST_A_SECOND)
    return { problem: `A click or a key is repeated 1 to ${MOST_A_SECOND} times a second` }
  const parsed = single(what)
  return 'action' in parsed ? rapidly(parsed.action, aSecond, context.macros) : undefined
}
