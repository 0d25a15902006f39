import { itemAt } from '../base/items'
import { memoizeByObject } from '../base/memoize'
import { TAP_HOLD_MS } from '../document/action-schema'
import { message, type Message, type TextOf } from '../message/message'
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

function templateOf(fact: Message, textOf: TextOf): Template {
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
  const none: Values = { first: '', second: '', third: '' }
  if (order.length === 0) return text === around[0] ? [none] : []
  const [begin, end] = [itemAt(around, 0), itemAt(around, around.length - 1)]
  if (text.length !== raw.length || !text.startsWith(begin) || !text.endsWith(end)) return []
  if (text.length <= begin.length + end.length) return []
  const inner = raw.slice(begin.length, raw.length - end.length)
  const splits = splitAt(inner, around.slice(1, -1))
  return splits.map((values) => ({
    ...none,
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

/** A message, and the English text for its values; `undefined` if a value is not in the language. */
interface Form {
  shown: Message
  english: (values: Values, textOf: TextOf) => string | undefined
}

/** Adds the templates of a language to forms, once for each language. */
const inLanguage = <Item extends { shown: Message }>(items: readonly Item[]) =>
  memoizeByObject((textOf: TextOf) =>
    items.map((item) => ({ ...item, template: templateOf(item.shown, textOf) })),
  )

const { first, second, third } = SLOTS

const unitsOf = inLanguage<Form>([
  { shown: message('actions.hours', { hours: first }), english: (by) => `${by.first} h` },
  { shown: message('actions.minutes', { minutes: first }), english: (by) => `${by.first} min` },
  { shown: message('actions.seconds', { seconds: first }), english: (by) => `${by.first} s` },
])

const partsOf = inLanguage<Form>([
  { shown: message('actions.onPress', { macro: first }), english: (by) => `on press ${by.first}` },
  { shown: message('actions.held', { macro: first }), english: (by) => `held ${by.first}` },
  { shown: message('actions.onRelease', { macro: first }), english: (by) => `on release ${by.first}` },
])

const playbackOf = inLanguage<Form>([
  { shown: message('actions.whileHeld'), english: () => 'while held' },
  { shown: message('actions.macroToggle'), english: () => 'until pressed again' },
  { shown: message('actions.macroTimes', { times: first }), english: (by) => `${by.first} times` },
  { shown: message('actions.macroGap', { gap: first }), english: (by) => `${by.first} ms apart` },
  { shown: message('actions.macroRestart'), english: () => 'again starts over' },
  { shown: message('actions.macroStop'), english: () => 'again stops' },
  { shown: message('actions.macroOthers'), english: () => 'others stop it' },
])

const macroOf = inLanguage<Form>([
  { shown: message('actions.macro', { macro: first }), english: (by) => `macro ${by.first}` },
])

const actionsOf = inLanguage<Form>([
  { shown: message('actions.scrollUpBy', { amount: first }), english: (by) => `scroll up ${by.first}` },
  { shown: message('actions.scrollDownBy', { amount: first }), english: (by) => `scroll down ${by.first}` },
  { shown: message('actions.scrollLeftBy', { amount: first }), english: (by) => `scroll left ${by.first}` },
  { shown: message('actions.scrollRightBy', { amount: first }), english: (by) => `scroll right ${by.first}` },
  { shown: message('actions.holdDpi', { dpi: first }), english: (by) => `hold ${by.first} dpi` },
  {
    shown: message('actions.countdownIn', { time: first, colour: second }),
    english: (by, textOf) => {
      const time = englishTime(by.first, textOf)
      return time && `countdown ${time} in ${by.second}`
    },
  },
  {
    shown: message('actions.countdown', { time: first }),
    english: (by, textOf) => {
      const time = englishTime(by.first, textOf)
      return time && `countdown ${time}`
    },
  },
  { shown: message('actions.typeText', { text: first }), english: (by) => `type “${by.first}”` },
  { shown: message('actions.openProgram', { target: first }), english: (by) => `open program ${by.first}` },
  { shown: message('actions.openFile', { target: first }), english: (by) => `open file ${by.first}` },
  { shown: message('actions.openFolder', { target: first }), english: (by) => `open folder ${by.first}` },
  { shown: message('actions.openAddress', { target: first }), english: (by) => `open web ${by.first}` },
  {
    shown: message('actions.fromLaterBytes', { code: first, bytes: second }),
    english: (by) => `from a later version ${by.first} ${by.second}`,
  },
  {
    shown: message('actions.fromLater', { code: first }),
    english: (by) => `from a later version ${by.first}`,
  },
  {
    shown: message('actions.macros', { parts: first }),
    english: (by, textOf) => {
      const parts = clausesIn(by.first).map((part) => englishOf(part, partsOf(textOf), textOf))
      return parts.includes(undefined) ? undefined : `macros ${parts.join(', ')}`
    },
  },
])

/** Two actions on one input. The longest form first: the text of the shorter ones is a part of it. */
const pairsOf = inLanguage([
  {
    shown: message('actions.tapHoldAfterNextPress', { tap: first, hold: second, time: third }),
    decide: 'press',
  },
  { shown: message('actions.tapHoldAfter', { tap: first, hold: second, time: third }), decide: 'time' },
  { shown: message('actions.tapHoldNextPress', { tap: first, hold: second }), decide: 'press' },
  { shown: message('actions.tapHold', { tap: first, hold: second }), decide: 'time' },
] as const)

/** The parts of a list, separated by commas outside quotation marks. */
function clausesIn(text: string): string[] {
  const ends = [...text.matchAll(/, /g)].map(({ index }) => index)
  const cuts = ends.filter((at) => !isInsideQuotes(text.slice(0, at)))
  return [...cuts, text.length].map((end, index) =>
    text.slice(index === 0 ? 0 : itemAt(cuts, index - 1) + 2, end),
  )
}

/** The English text of the first form that a text has. */
function englishOf(
  text: string,
  forms: readonly (Form & { template: Template })[],
  textOf: TextOf,
): string | undefined {
  for (const { template, english } of forms)
    for (const values of valuesIn(text, template)) {
      const found = english(values, textOf)
      if (found !== undefined) return found
    }
  return undefined
}

/** A duration of the language in English: `1 h 5 min`. */
function englishTime(text: string, textOf: TextOf): string | undefined {
  let rest = text.trim()
  const parts: string[] = []
  for (const { template, english } of unitsOf(textOf)) {
    const [begin = '', end = ''] = template.around
    const number = /^\d+/.exec(rest.slice(begin.length))?.[0] ?? ''
    const length = begin.length + number.length + end.length
    const [values] = number === '' ? [] : valuesIn(rest.slice(0, length), template)
    if (!values) continue
    parts.push(english(values, textOf) ?? '')
    rest = rest.slice(length).trimStart()
  }
  return rest === '' && parts.length > 0 ? parts.join(' ') : undefined
}

/**
 * The English text of an action with values, from its text in the reader's language.
 *
 * @returns undefined if no message has this form
 */
export function englishForm(raw: string, { textOf }: TypingContext): string | undefined {
  const action = englishOf(raw, actionsOf(textOf), textOf)
  if (action !== undefined) return action
  const [macro = '', ...playback] = clausesIn(raw)
  const clauses = [
    englishOf(macro, macroOf(textOf), textOf),
    ...playback.map((clause) => englishOf(clause, playbackOf(textOf), textOf)),
  ]
  return clauses.includes(undefined) ? undefined : clauses.join(', ')
}

/** Whether a text begins like one that is typed, or like two actions, and so may contain quotation marks. */
export function beginsLikeText(raw: string, textOf: TextOf): boolean {
  const lower = raw.toLowerCase()
  return [...textsOf(textOf), ...pairsOf(textOf)].some(({ template: { around } }) => {
    const [begin = ''] = around
    return begin !== '' && lower.startsWith(begin)
  })
}

const textsOf = inLanguage([{ shown: message('actions.typeText', { text: first }) }])

/** Parses two actions on one input, as the reader's language writes them. */
export function parseShownTapHold(
  raw: string,
  { textOf }: TypingContext,
  single: (part: string) => Parsed,
): ParsedAction | undefined {
  for (const { decide, template } of pairsOf(textOf))
    for (const values of valuesIn(raw, template)) {
      const thresholdMs = values.third === '' ? TAP_HOLD_MS.standard : Number(values.third)
      const [tap, hold] = [single(values.first), single(values.second)]
      if (Number.isInteger(thresholdMs) && 'action' in tap && 'action' in hold)
        return { action: { kind: 'tap-hold', tap: tap.action, hold: hold.action, thresholdMs, decide } }
    }
  return undefined
}
