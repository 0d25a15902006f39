import { memoizeByObject } from '../base/memoize'
import { printedLegends, type LayoutId } from '../computer/layouts'
import type { LayoutTable } from '../computer/layouts/layout'
import { commandKeyId } from '../document/command-key-id'
import { type CommandKey, type ScrollDirection } from '../document/command-key'
import type { CommandUse } from '../document/program'
import { BUTTON_USAGES } from '../hid/button-page'
import { isModifierCode, KEY_USAGES, keyByCode, keyByUsage, MODIFIER_CODES } from '../hid/keyboard-page'
import { message, type Message } from '../message/message'

/**
 * Keys as people and programs write them in lists of commands: the legend on a layout, the `code` of UI Events, the
 * usage of the HID Usage Tables, and common names of keys and mouse buttons. Nothing is guessed: a text that means two
 * keys is a question, and any other text is a problem.
 */
export type ReadKey =
  { key: CommandKey; use?: CommandUse } | { options: CommandKey[]; use?: CommandUse } | { problem: Message }

/** Maximum number of characters of a key. */
const MAX_CHARACTERS = 120

/** Symbols of modifiers, as menus print them. */
const SYMBOLS: readonly [RegExp, string][] = [
  [/⌘/gu, 'cmd+'],
  [/⇧/gu, 'shift+'],
  [/⌥/gu, 'alt+'],
  [/⌃/gu, 'ctrl+'],
  [/[←]/gu, 'left'],
  [/[→]/gu, 'right'],
  [/[↑]/gu, 'up'],
  [/[↓]/gu, 'down'],
]

/** How a command is used, written next to its key: `hold V`, `V (toggle)`, `double tap V`, `2x V`. */
const USES: readonly [RegExp, CommandUse][] = [
  [/^(?:hold|keep)[ :]+(?=\S)|[ ]*[([](?:hold|held|keep holding)[)\]]$/iu, 'hold'],
  [/^toggle[ :]+(?=\S)|[ ]*[([](?:toggle|on\/off)[)\]]$/iu, 'toggle'],
  [
    /^(?:double(?:[ -](?:tap|press))?|2 ?[x×])[ :]+(?=\S)|[ ]*[([](?:double(?:[ -](?:tap|press))?|[x×]2|2[x×])[)\]]$/iu,
    'double',
  ],
  [/^(?:press|tap)[ :]+(?=\S)|[ ]*[([](?:press|tap)[)\]]$/iu, 'press'],
]

/** A cell without a key. */
const UNBOUND = /^(?:|-|–|—|none|unbound|not bound|unassigned|n\/a|null)$/iu

/** Whether a text says that a command has no key. */
export const isUnbound = (text: string): boolean => UNBOUND.test(text.trim())

/** Reads a key as a list writes it. */
export function readKey(written: string, layout: LayoutId): ReadKey {
  const whole = written.trim()
  if (whole.length > MAX_CHARACTERS) return notAKey(`${whole.slice(0, MAX_CHARACTERS)}…`)
  const plain = readCombination(whole, layout)
  if (plain) return plain
  const use = USES.find(([pattern]) => pattern.test(whole))
  const found = use && readCombination(whole.replace(use[0], '').trim(), layout)
  return found ? { ...found, use: use[1] } : notAKey(whole)
}

const notAKey = (text: string): ReadKey => ({ problem: message('lists.notAKey', { text }) })

type Found = { key: CommandKey } | { options: CommandKey[] }

function readCombination(written: string, layout: LayoutId): Found | undefined {
  const text = SYMBOLS.reduce((rest, [symbol, name]) => rest.replace(symbol, name), unquoted(written))
  const mouse = mouseKey(text)
  if (mouse) return { key: mouse }
  const single = keysOf(text, layout)
  if (single.length > 0) return oneOf(single.map((found) => withModifiers(found, [])))
  for (const parts of chordsIn(text)) {
    const last = parts.pop() ?? ''
    const modifiers = parts.map((part) => modifierOf(part, layout))
    if (modifiers.length === 0 || modifiers.includes(undefined)) continue
    const held = modifiers.flatMap((code) => code ?? [])
    const keys = keysOf(last, layout)
    if (keys.length > 0) return oneOf(keys.map((found) => withModifiers(found, held)))
  }
  return undefined
}

/** A key in quotation marks, brackets or code marks: `"KeyV"`, `[V]`, `<Space>`. A sign alone is a key itself. */
function unquoted(text: string): string {
  const inner = /^(?:"(.+)"|'(.+)'|“(.+)”|`(.+)`|\[(.+)\]|<(.+)>)$/u.exec(text)?.slice(1).find(Boolean)
  return (inner ?? text).trim()
}

const oneOf = (keys: readonly CommandKey[]): Found => {
  const different = [...new Map(keys.map((key) => [commandKeyId(key), key])).values()]
  const [key] = different
  return different.length === 1 && key ? { key } : { options: different }
}

const withModifiers = ({ code, held }: FoundKey, modifiers: readonly string[]): CommandKey => ({
  kind: 'key',
  code,
  modifiers: MODIFIER_CODES.filter(
    (each) => each !== code && (modifiers.includes(each) || held.includes(each)),
  ),
})

/** The ways to divide a text into keys: at plus signs, hyphens or spaces. A final sign is a key. */
function* chordsIn(text: string): Generator<string[]> {
  for (const sign of ['+', '-', ' ']) {
    const parts = text.split(sign).map((part) => part.trim())
    // `Ctrl++` and `Ctrl + +` end with the sign itself.
    if (parts.length > 2 && parts.at(-1) === '' && parts.at(-2) === '' && sign !== ' ')
      yield [...parts.slice(0, -2), sign].filter(
        (part, index, all) => part !== '' || index === all.length - 1,
      )
    else if (parts.length > 1 && parts.every((part) => part !== '')) yield [...parts]
  }
}

/** The left modifier of a name, or the one that it names. */
function modifierOf(part: string, layout: LayoutId): string | undefined {
  const [found, ...others] = keysOf(part, layout)
  return found && others.length === 0 && isModifierCode(found.code) ? found.code : undefined
}

interface FoundKey {
  code: string
  /** Modifiers that its character needs. */
  held: readonly string[]
}

/** All keys that a text without modifiers can mean. */
function keysOf(text: string, layout: LayoutId): FoundKey[] {
  const word = text.trim().toLowerCase().replaceAll(/\s+/g, ' ')
  if (word === '') return []
  const plain = (codes: readonly string[]) => codes.map((code): FoundKey => ({ code, held: [] }))
  const printed = legendsOf(printedLegends(layout)).get(word) ?? []
  const base = printed.filter(({ held }) => held.length === 0)
  if (base.length > 0) return base
  const named = NAMES.get(word)
  // A name for a single character means the US key only if the layout does not have the character elsewhere.
  if (named && !(word.length === 1 && printed.length > 0)) return plain([named])
  // A sign above another on its key: the key alone may be meant.
  if (printed.length > 0) return [...printed, ...plain(printed.map(({ code }) => code))]
  return plain(codesOfUsage(word))
}

const HELD_AT_LEVEL = [[], ['ShiftLeft'], ['AltRight'], ['ShiftLeft', 'AltRight']]

/** The keys of a layout by the characters they type, in lower case. */
const legendsOf = memoizeByObject((table: LayoutTable): ReadonlyMap<string, FoundKey[]> => {
  const found = new Map<string, FoundKey[]>()
  for (const [code, levels] of Object.entries(table))
    levels.forEach((character, level) => {
      const word = character.toLowerCase()
      const held = HELD_AT_LEVEL[level] ?? []
      if (word.trim() === '' || !keyByCode(code)) return
      const others = found.get(word) ?? []
      // A capital letter is the letter's key; Shift is not meant.
      if (!others.some((each) => each.code === code)) found.set(word, [...others, { code, held }])
    })
  return found
})

/** `0x19`, `usage 25`, `07 19` and `07:19` with the number of the page. */
function codesOfUsage(word: string): string[] {
  const match = /^(?:usage |hid )?(?:0x([0-9a-f]{1,2})|(?:0x)?07[ :]([0-9a-f]{2}))$/u.exec(word)
  const decimal = /^(?:usage|hid) (\d{1,3})$/u.exec(word)?.[1]
  const hex = match?.[1] ?? match?.[2]
  const usage = decimal !== undefined ? Number(decimal) : hex === undefined ? 0 : Number.parseInt(hex, 16)
  const key = keyByUsage(usage)
  return key ? [key.code] : []
}

/** Names besides those that people type into cells. */
const MORE_NAMES: Record<string, readonly string[]> = {
  NumpadAdd: ['num +', 'numpad +', 'numpad add'],
  NumpadSubtract: ['numpad -', 'numpad subtract', 'num minus'],
  NumpadMultiply: ['numpad *', 'numpad times'],
  NumpadDivide: ['numpad /'],
  NumpadDecimal: ['numpad .', 'num decimal'],
  Backquote: ['tilde', 'back quote'],
  Space: ['space key'],
  MetaLeft: ['left win', 'left windows', 'lwin', 'left cmd', 'left meta', 'windows key', 'win key'],
  MetaRight: ['right windows', 'rwin'],
  AltRight: ['alt gr', 'alt graph', 'option right'],
  Escape: ['escape key'],
  ArrowUp: ['cursor up', 'up key'],
  ArrowDown: ['cursor down', 'down key'],
  ArrowLeft: ['cursor left', 'left key'],
  ArrowRight: ['cursor right', 'right key'],
  PageUp: ['pg up', 'prior'],
  PageDown: ['pg dn', 'pg down', 'next page'],
}

/** The codes of keys by their names and by themselves, in lower case. */
const NAMES: ReadonlyMap<string, string> = new Map(
  KEY_USAGES.flatMap(({ code, words }) => [
    ...words.map((word) => [word, code] as const),
    ...(MORE_NAMES[code] ?? []).map((word) => [word, code] as const),
    [code.toLowerCase(), code] as const,
    ...(/^Numpad\d$/.test(code) ? [[`num${code.slice(6)}`, code] as const] : []),
  ]),
)

/** A mouse button or a turn of the wheel. */
function mouseKey(text: string): CommandKey | undefined {
  const word = text
    .trim()
    .toLowerCase()
    .replaceAll(/[\s_-]+/gu, ' ')
  const named = BUTTON_USAGES.find(({ words }) => words.includes(word) && !SHORT_NAMES.has(word))?.usage
  const numbered = /^(?:mouse|mb|m|mouse button|button|mouse btn)? ?([1-8])$/u.exec(word)?.[1]
  const letters = /^([lrm])mb$/u.exec(word)?.[1]
  const side = /^(left|right|middle) mouse(?: button| click)?$|^mouse (left|right|middle)$/u.exec(word)
  const button =
    named ??
    (numbered !== undefined && /[a-z]/u.test(word) ? Number(numbered) : undefined) ??
    (letters === undefined ? undefined : BUTTON_OF[letters]) ??
    (side ? BUTTON_OF[(side[1] ?? side[2] ?? '').charAt(0)] : undefined)
  if (button !== undefined) return { kind: 'button', button, clicks: 1 }
  const turn = /^(?:m|mouse ?)?(?:wheel|scroll)(?: ?wheel)? ?(up|down|left|right)$/u.exec(word)?.[1]
  const direction = DIRECTIONS.find((each) => each === turn)
  return direction && { kind: 'scroll', direction, amount: 1 }
}

const DIRECTIONS: readonly ScrollDirection[] = ['up', 'down', 'left', 'right']
const BUTTON_OF: Record<string, number | undefined> = { l: 1, r: 2, m: 3 }
/** Words that in a list of commands are rather commands than buttons. */
const SHORT_NAMES = new Set(['back', 'forward', 'click'])

/** A key as lists write it: by the legend if this means no other key on the layout, otherwise by its code. */
export function writtenKey(key: CommandKey, layout: LayoutId): string {
  if (key.kind === 'button') return `Mouse ${key.button}`
  if (key.kind === 'scroll') return `Wheel ${key.direction}`
  const names = [...key.modifiers, key.code].map((code) => writtenCode(code, layout))
  const text = names.join('+')
  const read = readKey(text, layout)
  return 'key' in read && read.use === undefined && commandKeyId(read.key) === commandKeyId(key)
    ? text
    : [...key.modifiers, key.code].join('+')
}

function writtenCode(code: string, layout: LayoutId): string {
  const printed = printedLegends(layout)[code]?.[0]
  if (printed && /^[\p{L}\p{N}]$/u.test(printed)) return printed.toUpperCase()
  return SHORT_WRITTEN[code] ?? code
}

const SHORT_WRITTEN: Record<string, string | undefined> = {
  ControlLeft: 'Ctrl',
  ShiftLeft: 'Shift',
  AltLeft: 'Alt',
  MetaLeft: 'Meta',
}
