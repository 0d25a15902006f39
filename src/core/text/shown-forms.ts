import { itemAt } from '../base/items'
import { memoizeByObject } from '../base/memoize'
import { TAP_HOLD_MS } from '../document/action-schema'
import { message, type MessageFact, type TextOf } from '../message/message'
import type { TypingContext } from './context'
import type { Parsed, ParsedAction } from './grammar/grammar'
import { isInsideQuotes } from './quoting'

/**
 * Texts with values, in the reader's language: each message is also a pattern that reads its own text. The values go to
 * the English grammar, so there is one place that knows what they mean.
 */

/** A private-use character for each value of a message. */
const SLOTS = { first: '\uE000', second: '\uE001', third: '\uE002' } as const
type Slot = keyof typeof SLOTS

interface Template {
  /** The values in the order of the language. */
  order: readonly Slot[]
  /** The texts around them, one more than values. */
  around: readonly string[]
}

function templateOf(fact: MessageFact, textOf: TextOf): Template {
  const parts = textOf(fact).split(/([\uE000-\uE002])/)
  const slotOf = (sign: string): Slot =>
    sign === SLOTS.first ? 'first' : sign === SLOTS.second ? 'second' : 'third'
  return {
    order: parts.filter((_, index) => index % 2 === 1).map(slotOf),
    around: parts.filter((_, index) => index % 2 === 0).map((part) => part.toLowerCase()),
  }
}

type Values = Record<Slot, string>

/** All ways in which a text has the values of a template; a separator inside quotation marks is not one. */
function valuesIn(raw: string, { order, around }: Template): Values[] {
  const text = raw.toLowerCase()
  const [begin, end] = [itemAt(around, 0), itemAt(around, around.length - 1)]
  if (text.length !== raw.length || !text.startsWith(begin) || !text.endsWith(end)) return []
  if (text.length <= begin.length + end.length) return []
  const inner = raw.slice(begin.length, raw.length - end.length)
  const splits = splitAt(inner, around.slice(1, -1))
  return splits.map((values) => ({
    first: '',
    second: '',
    third: '',
    ...Object.fromEntries(order.map((slot, index) => [slot, itemAt(values, index)])),
  }))
}

function splitAt(text: string, separators: readonly string[]): string[][] {
  const [separator, ...others] = separators
  if (separator === undefined) return [[text]]
  const lower = text.toLowerCase()
  const found: string[][] = []
  for (let at = lower.indexOf(separator, 1); at > 0; at = lower.indexOf(separator, at + 1)) {
    if (isInsideQuotes(text.slice(0, at))) continue
    for (const rest of splitAt(text.slice(at + separator.length), others))
      if (rest.every((value) => value !== '')) found.push([text.slice(0, at), ...rest])
  }
  return found
}

/** Messages with values, and the English text for them; `undefined` if a value is not in the language. */
const FORMS = (textOf: TextOf): readonly [Template, (values: Values) => string | undefined][] => {
  const { first, second } = SLOTS
  const form = (
    fact: MessageFact,
    english: (values: Values) => string | undefined,
  ): [Template, typeof english] => [templateOf(fact, textOf), english]
  const time = (text: string) => englishTime(text, textOf)
  return [
    form(message('actions.scrollUpBy', { amount: first }), (by) => `scroll up ${by.first}`),
    form(message('actions.scrollDownBy', { amount: first }), (by) => `scroll down ${by.first}`),
    form(message('actions.scrollLeftBy', { amount: first }), (by) => `scroll left ${by.first}`),
    form(message('actions.scrollRightBy', { amount: first }), (by) => `scroll right ${by.first}`),
    form(message('actions.holdDpi', { dpi: first }), (by) => `hold ${by.first} dpi`),
    form(message('actions.countdownIn', { time: first, colour: second }), (by) => {
      const english = time(by.first)
      return english && `countdown ${english} in ${by.second}`
    }),
    form(message('actions.countdown', { time: first }), (by) => {
      const english = time(by.first)
      return english && `countdown ${english}`
    }),
    form(message('actions.typeText', { text: first }), (by) => `type “${by.first}”`),
    form(message('actions.openProgram', { target: first }), (by) => `open program ${by.first}`),
    form(message('actions.openFile', { target: first }), (by) => `open file ${by.first}`),
    form(message('actions.openFolder', { target: first }), (by) => `open folder ${by.first}`),
    form(message('actions.openAddress', { target: first }), (by) => `open web ${by.first}`),
    form(
      message('actions.fromLaterBytes', { code: first, bytes: second }),
      (by) => `from a later version ${by.first} ${by.second}`,
    ),
    form(message('actions.fromLater', { code: first }), (by) => `from a later version ${by.first}`),
    form(message('actions.macros', { parts: first }), (by) => {
      const parts = clausesIn(by.first).map((part) => englishClause(part, PARTS(textOf)))
      return parts.includes(undefined) ? undefined : `macros ${parts.join(', ')}`
    }),
  ]
}

type Clauses = readonly [Template, (value: string) => string][]

const PARTS = memoizeByObject((textOf: TextOf): Clauses => {
  const clause = (fact: MessageFact, english: (value: string) => string): Clauses[number] => [
    templateOf(fact, textOf),
    english,
  ]
  return [
    clause(message('actions.onPress', { macro: SLOTS.first }), (macro) => `on press ${macro}`),
    clause(message('actions.held', { macro: SLOTS.first }), (macro) => `held ${macro}`),
    clause(message('actions.onRelease', { macro: SLOTS.first }), (macro) => `on release ${macro}`),
  ]
})

const PLAYBACK = memoizeByObject((textOf: TextOf): Clauses => {
  const clause = (fact: MessageFact, english: (value: string) => string): Clauses[number] => [
    templateOf(fact, textOf),
    english,
  ]
  return [
    clause(message('actions.whileHeld'), () => 'while held'),
    clause(message('actions.macroToggle'), () => 'until pressed again'),
    clause(message('actions.macroTimes', { times: SLOTS.first }), (times) => `${times} times`),
    clause(message('actions.macroGap', { gap: SLOTS.first }), (gap) => `${gap} ms apart`),
    clause(message('actions.macroRestart'), () => 'again starts over'),
    clause(message('actions.macroStop'), () => 'again stops'),
    clause(message('actions.macroOthers'), () => 'others stop it'),
  ]
})

/** The parts of a list, separated by commas outside quotation marks. */
function clausesIn(text: string): string[] {
  const ends = [...text.matchAll(/, /g)].map(({ index }) => index)
  const cuts = ends.filter((at) => !isInsideQuotes(text.slice(0, at)))
  return [...cuts, text.length].map((end, index) =>
    text.slice(index === 0 ? 0 : itemAt(cuts, index - 1) + 2, end),
  )
}

function englishClause(text: string, clauses: Clauses): string | undefined {
  for (const [template, english] of clauses) {
    if (template.order.length === 0) {
      if (text.toLowerCase() === template.around[0]) return english('')
      continue
    }
    const [values] = valuesIn(text, template)
    if (values) return english(values.first)
  }
  return undefined
}

/** A duration of the language in English: `1 h 5 min`. */
function englishTime(text: string, textOf: TextOf): string | undefined {
  const units: Clauses = [
    [templateOf(message('actions.hours', { hours: SLOTS.first }), textOf), (value) => `${value} h`],
    [templateOf(message('actions.minutes', { minutes: SLOTS.first }), textOf), (value) => `${value} min`],
    [templateOf(message('actions.seconds', { seconds: SLOTS.first }), textOf), (value) => `${value} s`],
  ]
  let rest = text.trim()
  const parts: string[] = []
  for (const [{ around }, english] of units) {
    const [begin = '', end = ''] = around
    const lower = rest.toLowerCase()
    if (!lower.startsWith(begin)) continue
    const number = /^\d+/.exec(rest.slice(begin.length))?.[0]
    if (number === undefined || !lower.startsWith(end, begin.length + number.length)) continue
    parts.push(english(number))
    rest = rest.slice(begin.length + number.length + end.length).trimStart()
  }
  return rest === '' && parts.length > 0 ? parts.join(' ') : undefined
}

const formsOf = memoizeByObject(FORMS)

/**
 * The English text of an action with values, from its text in the reader's language.
 *
 * @returns undefined if no message has this form
 */
export function englishForm(raw: string, { textOf }: TypingContext): string | undefined {
  for (const [template, english] of formsOf(textOf))
    for (const values of valuesIn(raw, template)) {
      const text = english(values)
      if (text !== undefined) return text
    }
  const [macro, ...playback] = clausesIn(raw)
  const [named] = valuesIn(
    String(macro),
    templateOf(message('actions.macro', { macro: SLOTS.first }), textOf),
  )
  const clauses = playback.map((clause) => englishClause(clause, PLAYBACK(textOf)))
  return named && !clauses.includes(undefined) ? [`macro ${named.first}`, ...clauses].join(', ') : undefined
}

const TAP_HOLDS = memoizeByObject((textOf: TextOf) => {
  const [tap, hold, time] = [SLOTS.first, SLOTS.second, SLOTS.third]
  // The longest form first: the text of the shorter ones is a part of it.
  return [
    {
      decide: 'press',
      template: templateOf(message('actions.tapHoldAfterNextPress', { tap, hold, time }), textOf),
    },
    { decide: 'time', template: templateOf(message('actions.tapHoldAfter', { tap, hold, time }), textOf) },
    { decide: 'press', template: templateOf(message('actions.tapHoldNextPress', { tap, hold }), textOf) },
    { decide: 'time', template: templateOf(message('actions.tapHold', { tap, hold }), textOf) },
  ] as const
})

/** Whether a text begins like one that is typed, or like two actions, and so may contain quotation marks. */
export function beginsLikeText(raw: string, textOf: TextOf): boolean {
  const lower = raw.toLowerCase()
  const begins = TEXT_BEGINS(textOf)
  return begins.some((begin) => begin !== '' && lower.startsWith(begin))
}

const TEXT_BEGINS = memoizeByObject((textOf: TextOf) =>
  [
    message('actions.typeText', { text: SLOTS.first }),
    message('actions.tapHold', { tap: SLOTS.first, hold: SLOTS.second }),
  ].map((fact) => itemAt(templateOf(fact, textOf).around, 0)),
)

/** Parses two actions on one input, as the reader's language writes them. */
export function parseShownTapHold(
  raw: string,
  { textOf }: TypingContext,
  single: (part: string) => Parsed,
): ParsedAction | undefined {
  for (const { decide, template } of TAP_HOLDS(textOf))
    for (const { first, second, third } of valuesIn(raw, template)) {
      const thresholdMs = third === '' ? TAP_HOLD_MS.standard : Number(third)
      const [tap, hold] = [single(first), single(second)]
      if (Number.isInteger(thresholdMs) && 'action' in tap && 'action' in hold)
        return { action: { kind: 'tap-hold', tap: tap.action, hold: hold.action, thresholdMs, decide } }
    }
  return undefined
}
