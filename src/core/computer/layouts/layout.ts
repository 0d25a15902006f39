import { itemAt } from '../../base/items'
import type { OperatingSystem } from '../operating-systems'

/**
 * The characters of a key by its `code`: plain, with Shift, with AltGr (the right Alt or Option key), with both. A
 * combining character (U+0300 to U+036F) is a dead key, which modifies the following character. Levels without a
 * character are empty or, at the end, omitted.
 */
export type LayoutTable = Readonly<Record<string, readonly string[]>>

/** The type that a Mac assumes for a keyboard: an ISO keyboard swaps two keys. */
export type MacKind = 'ISO' | 'ANSI'

/**
 * Source form of a layout with a table for each system: four rows of a keyboard, keys separated by spaces, each with
 * its levels in sequence, {@link NOTHING} for none.
 */
export type LayoutRows = Readonly<Record<OperatingSystem, readonly string[]>> & { readonly mac: MacKind }

export const NOTHING = '␀'
export const SPACE_SIGN = '␠'

/** The keys of the four rows, from left to right; the last exists only on keyboards of some countries. */
export const KEY_ROWS: readonly (readonly string[])[] = [
  ['Backquote', ...Array.from('1234567890', (digit) => `Digit${digit}`), 'Minus', 'Equal'],
  [...Array.from('QWERTYUIOP', (letter) => `Key${letter}`), 'BracketLeft', 'BracketRight'],
  [...Array.from('ASDFGHJKL', (letter) => `Key${letter}`), 'Semicolon', 'Quote', 'Backslash'],
  [
    'IntlBackslash',
    ...Array.from('ZXCVBNM', (letter) => `Key${letter}`),
    'Comma',
    'Period',
    'Slash',
    'IntlRo',
  ],
]

/** Parses the rows of one system. */
export function tableOfRows(rows: readonly string[]): LayoutTable {
  const table: Record<string, string[]> = {}
  rows.forEach((row, index) =>
    row.split(' ').forEach((levels, place) => {
      const signs = Array.from(levels, (sign) => (sign === NOTHING ? '' : sign === SPACE_SIGN ? ' ' : sign))
      if (signs.some((sign) => sign !== '')) table[itemAt(itemAt(KEY_ROWS, index), place)] = signs
    }),
  )
  return table
}

/** Keys that type the same on every layout. */
export const COMMON_KEYS: LayoutTable = {
  Space: [' ', ' '],
  Enter: ['\n', '\n'],
  NumpadEnter: ['\n', '\n'],
  Tab: ['\t', '\t'],
  NumpadDivide: ['/', '/'],
  NumpadMultiply: ['*', '*'],
  NumpadSubtract: ['-', '-'],
  NumpadAdd: ['+', '+'],
}

export const SHIFT_LEVEL = 1
export const ALTGR_LEVEL = 2

/** One stroke for typing: the code of a key, and its level from 0 to 3. */
export interface LayoutStroke {
  code: string
  level: number
}

export const isDead = (character: string): boolean => /^[\u0300-\u036f]$/.test(character)

/** The visible form of a dead key (Unicode 16, the spacing forms of combining marks). */
const SPACING: Readonly<Record<string, string>> = {
  '\u0300': '`',
  '\u0301': '´',
  '\u0302': '^',
  '\u0303': '~',
  '\u0304': '¯',
  '\u0306': '˘',
  '\u0307': '˙',
  '\u0308': '¨',
  '\u030a': '˚',
  '\u030b': '˝',
  '\u030c': 'ˇ',
  '\u0327': '¸',
  '\u0328': '˛',
}

/** Results with a space on Linux, where they differ (Compose of en_US.UTF-8, libX11). */
const SPACING_ON_LINUX: Readonly<Record<string, string>> = { '\u0301': "'", '\u0308': '"', '\u030a': '°' }
/** The same for layouts with quotation marks as dead keys. */
const SPACING_OF_QUOTES: Readonly<Record<string, string>> = { '\u0301': "'", '\u0308': '"' }

/** Only Windows and macOS combine these; Linux combines everything that exists as one Unicode character. */
const COMPOSED = new Set('àèìòùÀÈÌÒÙáéíóúÁÉÍÓÚâêîôûÂÊÎÔÛãñõÃÑÕäëïöüÄËÏÖÜ')

/** Behaviour of a layout's dead keys: with quotation marks as accents, or with a tilde that forms other letters. */
export type DeadKeys = 'quotes' | 'none' | undefined

/** A layout on one system. */
export interface LayoutOn {
  system: OperatingSystem
  keys: LayoutTable
  dead: DeadKeys
}

const spacingOf = ({ system, dead }: LayoutOn, mark: string): string =>
  (dead === 'quotes' ? SPACING_OF_QUOTES[mark] : system === 'linux' ? SPACING_ON_LINUX[mark] : undefined) ??
  SPACING[mark] ??
  ''

/**
 * The result of a dead key and the following character on a system. If they cannot be combined, Windows and macOS type
 * both, and Linux types nothing.
 */
export function composeDead(on: LayoutOn, mark: string, next: string): string {
  if (next === ' ') return spacingOf(on, mark)
  const composed = (next + mark).normalize('NFC')
  const one = [...composed].length === 1
  if (on.system === 'linux') return one ? composed : ''
  return one && on.dead !== 'none' && COMPOSED.has(composed) ? composed : spacingOf(on, mark) + next
}

/** The text of a sequence of strokes on a layout; a final dead key has typed nothing yet. */
export function typedOn(on: LayoutOn, strokes: readonly LayoutStroke[]): string {
  let dead: string | undefined
  let text = ''
  for (const { code, level } of strokes) {
    const character = (on.keys[code] ?? COMMON_KEYS[code])?.[level]
    if (!character) continue
    if (isDead(character)) {
      dead = character
      continue
    }
    text += dead === undefined ? character : composeDead(on, dead, character)
    dead = undefined
  }
  return text
}

/** All ways to type one character on a layout: with one key, or with a dead key and another. */
export function waysToType(character: string, on: LayoutOn): LayoutStroke[][] {
  if (isDead(character)) return []
  const index = strokeIndex(on.keys)
  const direct = (index.get(character) ?? []).map((stroke) => [stroke])
  const marks = [...index.keys()].filter(isDead)
  const space = { code: 'Space', level: 0 }
  const alone = marks.filter((mark) => composeDead(on, mark, ' ') === character)
  const spaced = alone.flatMap((mark) => (index.get(mark) ?? []).map((stroke) => [stroke, space]))
  const [base = '', combining, ...more] = [...character.normalize('NFD')]
  const composed =
    combining === undefined || more.length > 0 || composeDead(on, combining, base) !== character
      ? []
      : (index.get(combining) ?? []).flatMap((mark) =>
          (index.get(base) ?? []).slice(0, 1).map((letter) => [mark, letter]),
        )
  return [...direct, ...spaced, ...composed]
}

const indexes = new WeakMap<LayoutTable, Map<string, LayoutStroke[]>>()

/** The keys for each character, those with the fewest modifiers first. */
function strokeIndex(keys: LayoutTable): Map<string, LayoutStroke[]> {
  const known = indexes.get(keys)
  if (known) return known
  const index = new Map<string, LayoutStroke[]>()
  for (const level of [0, 1, 2, 3]) {
    for (const [code, levels] of [...Object.entries(keys), ...Object.entries(COMMON_KEYS)]) {
      const character = levels[level]
      // The number pad types the same characters but does not exist on every keyboard.
      if (!character || code.startsWith('Numpad')) continue
      const there = index.get(character)
      if (there) there.push({ code, level })
      else index.set(character, [{ code, level }])
    }
  }
  indexes.set(keys, index)
  return index
}
