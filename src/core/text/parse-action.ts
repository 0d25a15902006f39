import type { DeviceModel } from '../device/model'
import { gateText } from '../document/gate-words'
import { keyByCode, KEY_USAGES, type KeyUsage } from '../hid/keyboard-page'
import { codeByLegend, keyLegend, printedOn, type LayoutId } from '../computer/layouts'
import { isModifierUsage } from '../hid/modifiers'
import { colourFrom } from '../base/colour-text'
import { dpiProblem } from '../motion/steps'
import { ACTIONS } from '../actions/registry'
import { TAP_HOLD_MS } from '../document/action-schema'
import { MOST_TEXT } from '../document/worded-actions'
import { keyAction, STANDARD_SIGNAL_COLOUR, type ActionContext } from './action-text'
import { FIXED_PHRASES, phrasesOf } from './action-phrases'
import { parseMacroAction, parseMacroByName } from './parse-macro-action'
import { MOST_A_SECOND, rapidly, textAndThen } from './made-macro'
import { normalise } from './normalise'
import { inNoWords, inOurWords } from './other-words'
import { parseLayer } from './parse-layer'
import type { OpeningKind } from '../computer/openings'
import type { Macro } from '../document/macro'
import type { Action, SingleAction, TapHold } from '../document/schema'
import { computersFor, typingProblem } from '../computer/typing'
import type { ComputerSetUp } from '../computer/shortcuts'

/**
 * Actions as a person types them. What `actionText` writes is read back as the same action; what a person types
 * may be looser.
 */
export type ParsedAction<A extends Action = Action> =
  /** What it plays and the library has not: to be put there before it is bound. */
  { action: A; makes?: Macro } | UnreadText

/** Why a text is no action. With what else it says, the same text would be one. */
export interface UnreadText {
  problem: string
  /** The name of a layer that the profile could have. */
  layer?: string
  /** The name of a macro that the library could have. */
  macro?: string
  /** Computers for which the profile could be made instead, the best first. */
  computers?: readonly ComputerSetUp[]
}

type Parsed = ParsedAction<SingleAction>

/**
 * Reads what a person typed: a phrase (`middle click`, `volume up`, `next step`), a key with modifiers joined by
 * plus signs (`ctrl+shift+y`), a layer (`hold dive`), a text (`type "hello"`), an opening (`open divelog`), or
 * two of these on one input (`tap middle click, hold dive`). Case and spaces do not matter outside texts.
 */
export function parseAction(typed: string, context: ActionContext): ParsedAction {
  return parseTapHold(typed.trim(), context) ?? parseSingle(typed, context)
}

function parseSingle(typed: string, context: ActionContext): Parsed {
  const raw = inOurWords(typed.trim())
  const text = normalise(raw)
  const nowhere = inNoWords(text)
  if (nowhere !== undefined) return { problem: nowhere }
  if (text === '') return { problem: 'Type a key, such as y, or an action, such as next step' }
  const fixed = FIXED_PHRASES.find(({ words }) => words.includes(text))
  if (fixed) return { action: fixed.action }
  return (
    parseLater(text) ??
    parseText(raw, context) ??
    parseMacroAction(raw, context) ??
    parseRapid(text, raw, context) ??
    // Before openings: some shortcuts are called open something.
    parsePhrase(text, context) ??
    parseOpening(raw, context) ??
    parseCountdown(text) ??
    parseLayer(raw, text, context) ??
    parseHoldStep(text, context.model) ??
    parseScroll(text) ??
    parseNumbered(text, context.model) ??
    parseChordOrName(text, raw, context)
  )
}

/** A record that is kept byte for byte, as it is shown. */
function parseLater(text: string): Parsed | undefined {
  const match = /^from a later version (\d+)(?: ((?:[0-9a-f]{2})+))?$/.exec(text)
  if (!match) return undefined
  const code = Number(match[1])
  return code > 31
    ? { problem: 'The code of an action is 0 to 31' }
    : { action: { kind: 'later', code, bytes: match[2] ?? '' } }
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
    const hold = split[1].toLowerCase() === 'else' ? parseSingle(behind, context) : parseHeld(behind, context)
    return { tap, hold }
  })
  for (const { tap, hold } of read) {
    if ('action' in tap && 'action' in hold) {
      return { action: { kind: 'tap-hold', tap: tap.action, hold: hold.action, thresholdMs, decide } }
    }
  }
  const [{ tap, hold }] = read
  return 'problem' in tap ? tap : 'problem' in hold ? hold : { problem: '' }
}

/** A quote that is a key, alone or at the end of a chord, as some layouts have it on a number. It opens no text. */
const QUOTE_KEY = /(?<=^|\+|^tap[ :] *|(?:else|hold):? +)"(?=$|[,;]? +(?:else|and hold|hold|after|at|or)\b)/gi

/** Whether what stands before a place opens a text in quotes that it does not close. */
export const insideQuotes = (before: string): boolean => {
  const bare = before
    .replaceAll(/\\./g, '')
    .replaceAll(/“[^”]*”/g, '')
    .replaceAll(QUOTE_KEY, '')
  const count = (quote: string) => bare.split(quote).length
  return count('“') > count('”') || count('"') % 2 === 0
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

/** A text and then a key are a macro, which is made on the spot. */
function textThen(text: string, typed: string, context: ActionContext): Parsed {
  const then = parseSingle(typed, context)
  const made = 'action' in then ? textAndThen(text, then.action, context.macros) : undefined
  if (!made)
    return {
      problem: `Behind the text stands “${typed}”, which is no key; with more than that, make a macro`,
    }
  return tooLong(text) ?? cannotType(text, context.computer) ?? made
}

/** `rapid click 20/s`, `rapid e 10 a second`: while it is held. */
function parseRapid(text: string, raw: string, context: ActionContext): Parsed | undefined {
  const match =
    /^(?:rapid|fast|auto|turbo)[ -](.+?)(?:,? (?:at )?(\d+) ?(?:\/ ?s|cps|(?:times )?(?:per|a) second))?$/.exec(
      text,
    )
  // A macro of that name is meant, if there is one.
  if (!match || parseMacroByName(raw, context)) return undefined
  const what = match[1].replace(/^clicks?$/, 'left click').replace(/clicks$/, 'click')
  const aSecond = Number(match[2] ?? 10)
  if (aSecond < 1 || aSecond > MOST_A_SECOND)
    return { problem: `A click or a key is repeated 1 to ${MOST_A_SECOND} times a second` }
  const parsed = parseSingle(what, context)
  return 'action' in parsed ? rapidly(parsed.action, aSecond, context.macros) : undefined
}

/** Keys that are characters of a text as well. */
const KEYS_OF_TEXT: Record<string, string | undefined> = {
  enter: '\\n',
  return: '\\n',
  tab: '\\t',
  space: ' ',
}

function parseText(raw: string, context: ActionContext): Parsed | undefined {
  const { computer } = context
  const match = /^(?:type|text)(?:\s*:\s*|\s+)(.+)$/is.exec(raw) ?? /^([“"].*[”"])$/s.exec(raw)
  if (!match) return undefined
  const inner = /^“(.*)”$/s.exec(match[1]) ?? /^"(.*)"$/s.exec(match[1])
  const behind = inner
    ? undefined
    : /^(?:“([^”]*)”|"((?:\\.|[^"\\])*)")[ ,]*(?:then|and)?[ ,]*(.+)$/is.exec(match[1])
  if (behind) {
    const key = KEYS_OF_TEXT[behind[3].trim().toLowerCase()]
    if (key === undefined) return textThen(unescaped(behind[1] ?? behind[2]), behind[3].trim(), context)
    return parseText(`type "${behind[1] ?? behind[2]}${key}"`, context)
  }
  const text = unescaped(inner ? inner[1] : match[1]).normalize('NFC')
  if (text === '') return { problem: 'There is no text between the quotes' }
  return tooLong(text) ?? cannotType(text, computer) ?? { action: { kind: 'text', text } }
}

const unescaped = (text: string): string =>
  text.replace(/\\([nt\\“”"])|\r\n?/g, (_, letter?: string) =>
    letter === undefined || letter === 'n' ? '\n' : letter === 't' ? '\t' : letter,
  )

const tooLong = (text: string): Parsed | undefined =>
  text.length > MOST_TEXT
    ? { problem: `A text has ${MOST_TEXT} characters at most; this one has ${text.length}` }
    : undefined

function cannotType(text: string, computer: ComputerSetUp): Parsed | undefined {
  const problem = typingProblem(text, computer)
  return problem === undefined ? undefined : { problem, computers: computersFor(text, computer) }
}

const OPENING_KINDS: Record<string, OpeningKind | undefined> = {
  program: 'program',
  app: 'program',
  file: 'file',
  folder: 'folder',
  directory: 'folder',
  web: 'address',
  address: 'address',
  url: 'address',
  site: 'address',
}

function parseOpening(raw: string, { computer }: ActionContext): Parsed | undefined {
  const match =
    /^open\s+(?:(program|app|file|folder|directory|web|address|url|site)(?:\s+|:\s*))?(\S.*)$/is.exec(raw)
  if (!match) return undefined
  const target = match[2].trim().normalize('NFC')
  if (/[\n\r\t]/.test(target)) return { problem: 'What is opened is one line' }
  const kind = OPENING_KINDS[match[1]?.toLowerCase() ?? ''] ?? guessKind(target)
  return tooLong(target) ?? cannotType(target, computer) ?? { action: { kind: 'open', what: kind, target } }
}

/** An address has a scheme, `www.` or a domain's ending before its path; a folder ends in a slash. */
function guessKind(target: string): OpeningKind {
  if (/^[a-z][a-z+.-]*:\/\/|^www\./i.test(target)) return 'address'
  if (/[\\/]$/.test(target)) return 'folder'
  if (/^(?:[a-z]:)?[\\/~]/i.test(target)) return /\.\w{1,5}$/.test(target) ? 'file' : 'folder'
  return /^[\w-]+(\.[\w-]+)*\.(com|org|net|example)(\/|$)/i.test(target) ? 'address' : 'program'
}

const UNIT_SECONDS: Record<string, number> = { h: 3600, m: 60, s: 1 }

function parseCountdown(text: string): Parsed | undefined {
  const match =
    /^(?:countdown|timer|count down)(?: from| of)? (.+?)(?:(?: in (.+))|(?: (#[0-9a-f]+)))?$/.exec(text)
  if (!match) return undefined
  const [, time, named, digits] = match
  const typed = named ?? digits
  const colour = typed === undefined ? STANDARD_SIGNAL_COLOUR : colourFrom(typed)
  if (colour === undefined)
    return { problem: `“${typed}” is not a colour; write it as #rrggbb, or by its name` }
  const clock = /^(\d+):(\d\d)$/.exec(time)
  const parts = [...time.matchAll(/(\d+) ?(h|m|s)[a-z]*/g)]
  const whole = parts.map(([part]) => part).join('') === time.replaceAll(/(?<=[a-z]) /g, '')
  const seconds = clock
    ? Number(clock[1]) * 60 + Number(clock[2])
    : /^\d+$/.test(time)
      ? Number(time)
      : parts.length > 0 && whole
        ? parts.reduce((sum, [, amount, unit]) => sum + Number(amount) * UNIT_SECONDS[unit], 0)
        : Number.NaN
  if (Number.isNaN(seconds)) return { problem: `“${time}” is not a time; write 90 s or 1 min 30 s` }
  if (seconds < 1 || seconds > ACTIONS.countdown.parameters.seconds.most)
    return { problem: 'A countdown takes a second to a day' }
  return { action: { kind: 'countdown', seconds, colour } }
}

function parseHoldStep(text: string, model: DeviceModel): Parsed | undefined {
  const match = /^hold (?:(step) ?(\d+)|(\d+) ?dpi)$/.exec(text)
  if (!match) return undefined
  if (!model.sensor) return { problem: `${model.name} has no sensor and so no steps` }
  if (match[1]) {
    const step = Number(match[2])
    const most = model.sensor.maxSteps
    return step >= 1 && step <= most
      ? { action: { kind: 'hold-step', step } }
      : { problem: `${model.name} has ${most} steps; there is no step ${step}` }
  }
  const dpi = Number(match[3])
  const problem = dpiProblem(model.sensor, dpi)
  return problem ? { problem: `${dpi} DPI: ${gateText(problem)}` } : { action: { kind: 'hold-step', dpi } }
}

function parsePhrase(text: string, context: ActionContext): Parsed | undefined {
  const phrase = phrasesOf(context).find(({ words }) => words.includes(text))
  return phrase && { action: phrase.action }
}

function parseScroll(text: string): Parsed | undefined {
  const match = /^(?:scroll|wheel) (up|down|left|right) (\d+)$/.exec(text)
  if (!match) return undefined
  const amount = Number(match[2])
  if (amount < 1 || amount > 100) return { problem: 'A scroll goes by 1 to 100 detents' }
  const direction = DIRECTIONS.find((candidate) => candidate === match[1])
  return direction && { action: { kind: 'scroll', direction, amount } }
}

const DIRECTIONS = ['up', 'down', 'left', 'right'] as const

/** `step 9` on a device of five steps: the phrase is right, the number is not. */
function parseNumbered(text: string, model: DeviceModel): Parsed | undefined {
  const match = /^(?:(step|slot) ?(\d+)|(next|previous) step)$/.exec(text)
  if (!match) return undefined
  const ofStep = match[1] !== 'slot'
  if (ofStep && !model.sensor) return { problem: `${model.name} has no sensor and so no steps` }
  const most = ofStep ? (model.sensor?.maxSteps ?? 0) : model.memory.slots
  const to = Number(match[2])
  const things = `${most} ${match[1]}${most === 1 ? '' : 's'}`
  if (to < 1 || to > most) return { problem: `${model.name} has ${things}; there is no ${match[1]} ${to}` }
  return { action: { kind: ofStep ? 'step' : 'slot', to } }
}

/** A macro may have the name of a key: then the key is meant. */
function parseChordOrName(text: string, raw: string, context: ActionContext): Parsed {
  const chord = parseChord(text, raw, context)
  if ('action' in chord) return chord
  const named = parseMacroByName(raw, context)
  if (named) return named
  // A key is down for as long as it is held; a chord may be written without its plus signs.
  const loose = text.replace(/^hold /, '').replace(/(?<=\S)[ -](?=\S)/g, '+')
  const again = loose === text ? chord : parseChord(loose, raw, context)
  const held = again !== chord && 'action' in again && (text.startsWith('hold ') || isChord(again.action))
  return held ? again : chord
}

/** Whether it is more than a key by itself: two words that are keys are no chord. */
const isChord = (action: SingleAction): boolean => action.kind === 'key' && action.modifiers.length > 0

function parseChord(text: string, typed: string, { computer: { layout } }: ActionContext): Parsed {
  const parts = splitChord(text)
  const keys = parts.map((part) => ({ part, ...keyByWords(part, layout) }))
  const strange = keys.find(({ key }) => !key)
  if (strange) {
    return {
      problem:
        strange.part === ''
          ? `“${typed}” ends in a plus sign: add the key, such as y`
          : `“${strange.part}” is not a key or an action`,
    }
  }
  const found = keys.flatMap(({ key, more }) => (key ? [{ key, more }] : []))
  const plain = found.filter(({ key }) => !isModifierUsage(key.usage))
  if (plain.length > 1) {
    const names = plain.map(({ key }) => keyLegend(key.code, layout)).join(' and ')
    return { problem: `One key at a time: ${names} together need a macro` }
  }
  const last = plain[0]?.key ?? found[found.length - 1].key
  return {
    action: keyAction(
      last.code,
      found.flatMap(({ key, more }) => [key.code, ...more]),
    ),
  }
}

/** Splits at plus signs; a plus at the very end after another (`ctrl++`) is the key with the plus on it. */
export function splitChord(text: string): string[] {
  if (text === '+') return ['+']
  if (text.endsWith('++')) return [...text.slice(0, -2).split('+'), '+']
  return text.split('+')
}

/**
 * The key a word names: by what the layout prints on it, by its plain name, or by what it types with Shift or
 * AltGr, which then come with it.
 */
export function keyByWords(part: string, layout: LayoutId): { key?: KeyUsage; more: string[] } {
  const word = part.trim()
  const printed = KEY_USAGES.find(({ code }) => keyLegend(code, layout).toLowerCase() === word)
  if (printed) return { key: printed, more: [] }
  const plain = codeByLegend(word, layout)
  if (plain) return { key: keyByCode(plain), more: [] }
  // A word for a single sign (`minus`) means the US key only where the layout does not print that sign elsewhere.
  const named = KEY_USAGES.find(({ words }) => words.includes(word))
  if (named && !/^.$/u.test(word)) return { key: named, more: [] }
  if (word === '+') return { key: keyByCode('Equal'), more: [] }
  for (const [code, levels] of Object.entries(printedOn(layout))) {
    const level = levels.indexOf(word)
    if (level > 0) return { key: keyByCode(code), more: MODIFIERS_OF_LEVEL[level] }
  }
  return { more: [] }
}

const MODIFIERS_OF_LEVEL = [[], ['ShiftLeft'], ['AltRight'], ['ShiftLeft', 'AltRight']]
