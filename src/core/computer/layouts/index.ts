import { memoizeByObject } from '../../base/memoize'
import { message, type Message, type MessageFact } from '../../message/message'
import { keyByCode } from '../../hid/keyboard-page'
import type { OperatingSystem } from '../operating-systems'
import { BR } from './br'
import { CH } from './ch'
import { DE } from './de'
import { DVORAK } from './dvorak'
import { ES } from './es'
import { FI } from './fi'
import { FR } from './fr'
import { IT } from './it'
import {
  tableOfRows,
  type DeadKeys,
  type LayoutOn,
  type LayoutRows,
  type LayoutTable,
  type MacKind,
} from './layout'
import { NORDIC } from './nordic'
import { NORDIC_DK } from './nordic-dk'
import { NORDIC_NO } from './nordic-no'
import { PL } from './pl'
import { PT } from './pt'
import { UK } from './uk'
import { US } from './us'
import { US_INTL } from './us-intl'

/** A layout: its name, its characters on each system, and the systems on which its dead keys behave differently. */
interface Layout {
  id: string
  name: Message
  rows: LayoutRows
  dead?: Partial<Record<OperatingSystem, DeadKeys>>
}

/** The supported keyboard layouts. Profiles have their ids; images have their positions in this list. */
export const LAYOUTS = [
  { id: 'us', name: message('names.layoutUs'), rows: US },
  { id: 'uk', name: message('names.layoutUk'), rows: UK },
  { id: 'de', name: message('names.layoutGerman'), rows: DE },
  { id: 'fr', name: message('names.layoutFrench'), rows: FR },
  { id: 'es', name: message('names.layoutSpanish'), rows: ES },
  { id: 'nordic', name: message('names.layoutSwedish'), rows: NORDIC },
  { id: 'nordic-no', name: message('names.layoutNorwegian'), rows: NORDIC_NO },
  { id: 'nordic-dk', name: message('names.layoutDanish'), rows: NORDIC_DK },
  { id: 'fi', name: message('names.layoutFinnish'), rows: FI },
  { id: 'pt', name: message('names.layoutPortuguesePortugal'), rows: PT },
  { id: 'br', name: message('names.layoutPortugueseBrazil'), rows: BR, dead: { macos: 'quotes' } },
  { id: 'it', name: message('names.layoutItalian'), rows: IT },
  { id: 'pl', name: message('names.layoutPolish'), rows: PL, dead: { windows: 'none' } },
  { id: 'ch', name: message('names.layoutSwissGerman'), rows: CH },
  {
    id: 'us-intl',
    name: message('names.layoutUsInternational'),
    rows: US_INTL,
    dead: { windows: 'quotes', macos: 'quotes', linux: 'quotes' },
  },
  { id: 'dvorak', name: message('names.layoutDvorak'), rows: DVORAK },
] as const satisfies readonly Layout[]

export type LayoutId = (typeof LAYOUTS)[number]['id']
export const LAYOUT_IDS: readonly LayoutId[] = LAYOUTS.map(({ id }) => id)

const layoutOf = (id: string | undefined): Layout => LAYOUTS.find((layout) => layout.id === id) ?? LAYOUTS[0]

const known = new Map<string, LayoutOn>()

/** The characters of the keys of a layout on a system; US for an unknown id. */
export function layoutFor(id: string | undefined, system: OperatingSystem): LayoutOn {
  const { id: found, rows, dead } = layoutOf(id)
  const key = `${found} ${system}`
  const there = known.get(key)
  if (there) return there
  const made: LayoutOn = { system, keys: tableOfRows(rows[system]), dead: dead?.[system] }
  known.set(key, made)
  return made
}

/** The printed legends of a keyboard layout, which follow Windows. */
export const printedLegends = (id: string | undefined): LayoutTable => layoutFor(id, 'windows').keys

/** The keys that a Mac swaps between ISO and ANSI keyboards. */
export const SWAPPED_ON_MAC: readonly string[] = ['Backquote', 'IntlBackslash']

/** The type that a Mac assumes for a keyboard of this layout. */
export const macKind = (id: LayoutId): MacKind => layoutOf(id).rows.mac

/** The display name of a layout. */
export const layoutName = (id: LayoutId): MessageFact =>
  LAYOUTS.find((layout) => layout.id === id)?.name ?? id

/** The printed legend of a key on a layout; keys that type nothing have a name, the same on all. */
export function keyLegend(code: string, layout: LayoutId | undefined): string | Message {
  const typed = code === 'Space' ? undefined : printedLegends(layout)[code]?.[0]
  // If two keys have the same legend, it names the first.
  if (!typed || codeByLegend(typed, layout) !== code) return keyByCode(code)?.legend ?? code
  const spaced = /^[\u0300-\u036f]$/.test(typed) ? `\u00a0${typed}` : typed
  return spaced.length === 1 && spaced.toUpperCase().length === 1 ? spaced.toUpperCase() : spaced
}

/** Short legends for caps without room for a name. */
const CAP_LEGENDS: Record<string, string | Message> = {
  Backspace: '⌫',
  Delete: message('names.delShort'),
  PrintScreen: message('names.printShort'),
  CapsLock: message('names.capsShort'),
  ControlLeft: message('names.ctrl'),
  ControlRight: message('names.ctrl'),
  ShiftLeft: message('names.shift'),
  ShiftRight: message('names.shift'),
  AltRight: message('names.altGrShort'),
  MetaLeft: message('names.systemShort'),
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  PageUp: message('names.pageUpShort'),
  PageDown: message('names.pageDownShort'),
  Space: '',
}

/** The text on the cap of a key: a short legend, or the layout's character. */
export const capLegend = (code: string, layout: LayoutId | undefined): string | Message =>
  CAP_LEGENDS[code] ?? keyLegend(code, layout)

/**
 * The key that types the same character on another layout; the same key for a character that the other layout has no
 * key for, and for keys without a character.
 *
 * @param code `code` of UI Events
 */
export function keyOnLayout(code: string, from: LayoutId, to: LayoutId): string {
  const typed = code === 'Space' ? undefined : printedLegends(from)[code]?.[0]
  return (typed && codeByLegend(typed, to)) ?? code
}

/** Finds the key with a legend as returned by `keyLegend`, or with this character at its base level. */
export function codeByLegend(word: string, layout: LayoutId | undefined): string | undefined {
  return firstTyping(printedLegends(layout)).get(word.toLowerCase())
}

/** Keys by their lower-case character at the base level; the first one wins. */
const firstTyping = memoizeByObject(
  (keys: LayoutTable): ReadonlyMap<string | undefined, string> =>
    new Map(
      Object.entries(keys)
        .reverse()
        .map(([code, [plain]]) => [plain?.toLowerCase(), code]),
    ),
)
