import type { DeviceModel } from '../device/model'
import { BUTTON_USAGES, buttonLabel } from '../hid/button-page'
import { CONSUMER_USAGES, consumerById } from '../hid/consumer-page'
import { KEY_USAGES, keyByCode, type KeyUsage } from '../hid/keyboard-page'
import { FIRST_MODIFIER_USAGE, isModifierUsage } from '../hid/modifiers'
import type { Action } from './schema'

/**
 * Actions as a person types and reads them. What {@link actionText} writes, {@link parseAction} reads back as
 * the same action; what a person types may be looser.
 */
export type ParsedAction = { action: Action } | { problem: string }

/** A whole action that can be offered while a person types. */
export interface Suggestion {
  text: string
  action: Action
  /** What it is, in a word or two, beside the text. */
  note: string
}

interface Phrase extends Suggestion {
  words: readonly string[]
}

/** The one text of an action, as the sheet and the drawing show it. */
export function actionText(action: Action): string {
  switch (action.kind) {
    case 'off':
      return 'Off'
    case 'key':
      return [...action.modifiers, action.code].map((code) => keyByCode(code)?.legend ?? code).join('+')
    case 'button':
      return action.clicks === 2 ? doubled(buttonLabel(action.button)) : buttonLabel(action.button)
    case 'scroll':
      return action.amount === 1
        ? `Scroll ${action.direction}`
        : `Scroll ${action.direction} ${action.amount}`
    case 'control':
      return consumerById(action.control)?.label ?? action.control
    case 'step':
    case 'slot':
      return typeof action.to === 'number'
        ? `${capital(action.kind)} ${action.to}`
        : `${capital(action.to)} ${action.kind}`
  }
}

/** Family an action belongs to; the interface gives each family its colour. */
export type ActionFamily = 'binding' | 'motion' | 'system'

export const actionFamily = ({ kind }: Action): ActionFamily =>
  kind === 'step' ? 'motion' : kind === 'slot' || kind === 'off' ? 'system' : 'binding'

/**
 * Reads what a person typed: a phrase (`middle click`, `volume up`, `next step`), or a key with modifiers
 * joined by plus signs (`ctrl+shift+y`). Case and spaces do not matter.
 */
export function parseAction(typed: string, model: DeviceModel): ParsedAction {
  const text = normalise(typed)
  if (text === '') return { problem: 'Type a key, such as y, or an action, such as next step' }
  const phrase = phrasesOf(model).find(({ words }) => words.includes(text))
  if (phrase) return { action: phrase.action }
  return parseScroll(text) ?? parseNumbered(text, model) ?? parseChord(text, typed)
}

/** Up to `most` actions that what was typed may be on its way to, likeliest first. */
export function suggestActions(typed: string, model: DeviceModel, most = 8): Suggestion[] {
  const text = normalise(typed)
  if (text === '') return STARTING_POINTS.map((start) => suggestionFor(start, model)).slice(0, most)
  const parsed = parseAction(typed, model)
  const chordEnd = text.lastIndexOf('+')
  if (chordEnd > 0) return suggestChords(text.slice(0, chordEnd), text.slice(chordEnd + 1), most)
  const ranked = [...phrasesOf(model), ...KEY_PHRASES]
    .map((phrase) => ({ phrase, rank: Math.min(...phrase.words.map((word) => matchRank(word, text))) }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .map(({ phrase: { text: whole, action, note } }) => ({ text: whole, action, note }))
  const exact =
    'action' in parsed ? [{ text: actionText(parsed.action), action: parsed.action, note: 'as typed' }] : []
  const seen = new Set<string>()
  return [...exact, ...ranked].filter(({ text: whole }) => !seen.has(whole) && seen.add(whole)).slice(0, most)
}

/** A key action with its modifiers in the order of their usages, each once, and not the key itself. */
export function keyAction(code: string, modifiers: Iterable<string>): Action {
  const held = new Set([...modifiers].filter((modifier) => modifier !== code))
  const sorted = MODIFIERS.filter((key) => held.has(key.code)).map((key) => key.code)
  return { kind: 'key', code, modifiers: sorted }
}

const MODIFIERS = KEY_USAGES.filter((key) => key.usage >= FIRST_MODIFIER_USAGE)
const STARTING_POINTS = ['y', 'ctrl+shift+y', 'middle click', 'volume up', 'next step', 'next slot', 'off']

const normalise = (typed: string): string =>
  typed
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/ ?\+ ?(?=.)/g, '+')

const capital = (word: string): string => word[0].toUpperCase() + word.slice(1)
const doubled = (label: string): string => `Double ${label[0].toLowerCase()}${label.slice(1)}`

const BUTTON_PHRASES: Phrase[] = BUTTON_USAGES.flatMap(({ usage, label, words }) => [
  { text: label, words, action: { kind: 'button', button: usage, clicks: 1 }, note: `mouse button ${usage}` },
  {
    text: doubled(label),
    words: [doubled(label).toLowerCase(), ...words.map((word) => `double ${word}`)],
    action: { kind: 'button', button: usage, clicks: 2 },
    note: 'pressed twice',
  },
])

const SCROLL_PHRASES: Phrase[] = (['up', 'down', 'left', 'right'] as const).map((direction) => ({
  text: `Scroll ${direction}`,
  words: [`scroll ${direction}`, `wheel ${direction}`],
  action: { kind: 'scroll', direction, amount: 1 },
  note: 'add an amount, such as 3',
}))

const CONTROL_PHRASES: Phrase[] = CONSUMER_USAGES.map(({ id, label, words }) => ({
  text: label,
  words: [label.toLowerCase(), ...words],
  action: { kind: 'control', control: id },
  note: 'control',
}))

const KEY_PHRASES: Phrase[] = KEY_USAGES.map(({ code, legend, words }) => ({
  ...{ text: legend, words, note: 'key' },
  action: keyAction(code, []),
}))

const FIXED_PHRASES: Phrase[] = [
  {
    text: 'Off',
    words: ['off', 'nothing', 'none', 'disabled'],
    action: { kind: 'off' },
    note: 'does nothing',
  },
  ...BUTTON_PHRASES,
  ...SCROLL_PHRASES,
  ...CONTROL_PHRASES,
]

function phrasesOf(model: DeviceModel): Phrase[] {
  const places = (kind: 'step' | 'slot', count: number): Phrase[] => [
    ...(['next', 'previous'] as const).map((to): Phrase => ({
      text: `${capital(to)} ${kind}`,
      words: [`${to} ${kind}`, `${kind} ${to}`, ...(to === 'next' ? [`${kind} up`] : [`${kind} down`])],
      action: { kind, to },
      note: kind === 'step' ? 'sensitivity' : 'onboard profile',
    })),
    ...Array.from({ length: count }, (_, index): Phrase => ({
      text: `${capital(kind)} ${index + 1}`,
      words: [`${kind} ${index + 1}`],
      action: { kind, to: index + 1 },
      note: kind === 'step' ? 'sensitivity' : 'onboard profile',
    })),
  ]
  return [...FIXED_PHRASES, ...places('step', model.sensor.maxSteps), ...places('slot', model.memory.slots)]
}

function parseScroll(text: string): ParsedAction | undefined {
  const match = /^(?:scroll|wheel) (up|down|left|right) (\d+)$/.exec(text)
  if (!match) return undefined
  const amount = Number(match[2])
  if (amount < 1 || amount > 100) return { problem: 'A scroll goes by 1 to 100 detents' }
  const direction = DIRECTIONS.find((candidate) => candidate === match[1])
  return direction && { action: { kind: 'scroll', direction, amount } }
}

const DIRECTIONS = ['up', 'down', 'left', 'right'] as const

/** `step 9` on a device of five steps: the phrase is right, the number is not. */
function parseNumbered(text: string, model: DeviceModel): ParsedAction | undefined {
  const match = /^(step|slot) ?(\d+)$/.exec(text)
  if (!match) return undefined
  const most = match[1] === 'step' ? model.sensor.maxSteps : model.memory.slots
  const to = Number(match[2])
  if (to < 1 || to > most)
    return { problem: `${model.name} has ${most} ${match[1]}s; there is no ${match[1]} ${to}` }
  return { action: { kind: match[1] === 'step' ? 'step' : 'slot', to } }
}

function parseChord(text: string, typed: string): ParsedAction {
  const parts = splitChord(text)
  const keys = parts.map((part) => ({ part, key: keyByWords(part) }))
  const strange = keys.find(({ key }) => !key)
  if (strange) {
    return {
      problem:
        strange.part === ''
          ? `“${typed.trim()}” ends in a plus sign: add the key, such as y`
          : `“${strange.part}” is not a key or an action`,
    }
  }
  const found = keys.flatMap(({ key }) => (key ? [key] : []))
  const plain = found.filter((key) => !isModifierUsage(key.usage))
  if (plain.length > 1) {
    return {
      problem: `One key at a time: ${plain.map((key) => key.legend).join(' and ')} together need a macro`,
    }
  }
  const last = plain[0] ?? found[found.length - 1]
  return {
    action: keyAction(
      last.code,
      found.map((key) => key.code),
    ),
  }
}

/** Splits at plus signs; a plus at the very end after another (`ctrl++`) is the key with the plus on it. */
function splitChord(text: string): string[] {
  if (text === '+') return ['=']
  if (text.endsWith('++')) return [...text.slice(0, -2).split('+'), '=']
  return text.split('+')
}

function keyByWords(part: string): KeyUsage | undefined {
  const word = part.trim()
  return KEY_USAGES.find((key) => key.words.includes(word) || key.legend.toLowerCase() === word)
}

function suggestChords(head: string, tail: string, most: number): Suggestion[] {
  const modifiers = head.split('+').map(keyByWords)
  if (!modifiers.every((key) => key && isModifierUsage(key.usage))) return []
  const codes = modifiers.flatMap((key) => (key ? [key.code] : []))
  return KEY_USAGES.filter((key) => !codes.includes(key.code))
    .map((key) => ({ key, rank: Math.min(...key.words.map((word) => matchRank(word, tail.trim()))) }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ key }) => {
      const action = keyAction(key.code, codes)
      return { text: actionText(action), action, note: 'key' }
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

function suggestionFor(text: string, model: DeviceModel): Suggestion {
  const parsed = parseAction(text, model)
  const action: Action = 'action' in parsed ? parsed.action : { kind: 'off' }
  return { text: actionText(action), action, note: 'for example' }
}
