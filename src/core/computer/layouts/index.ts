import { rememberedFor } from '../../base/remembered'
import { keyByCode } from '../../hid/keyboard-page'
import type { OperatingSystem } from '../systems'
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

/** A layout: its name, what its keys type on each system, and on which its dead keys go their own way. */
interface Layout {
  id: string
  name: string
  rows: LayoutRows
  dead?: Partial<Record<OperatingSystem, DeadKeys>>
}

/** The keyboard layouts a text can be typed on; ids stand in profiles, and their order in images. */
export const LAYOUTS = [
  { id: 'us', name: 'US', rows: US },
  { id: 'uk', name: 'UK', rows: UK },
  { id: 'de', name: 'German', rows: DE },
  { id: 'fr', name: 'French', rows: FR },
  { id: 'es', name: 'Spanish', rows: ES },
  { id: 'nordic', name: 'Swedish', rows: NORDIC },
  { id: 'nordic-no', name: 'Norwegian', rows: NORDIC_NO },
  { id: 'nordic-dk', name: 'Danish', rows: NORDIC_DK },
  { id: 'fi', name: 'Finnish', rows: FI },
  { id: 'pt', name: 'Portuguese: Portugal', rows: PT },
  { id: 'br', name: 'Portuguese: Brazil', rows: BR, dead: { macos: 'quotes' } },
  { id: 'it', name: 'Italian', rows: IT },
  { id: 'pl', name: 'Polish', rows: PL, dead: { windows: 'none' } },
  { id: 'ch', name: 'Swiss German', rows: CH },
  {
    id: 'us-intl',
    name: 'US International',
    rows: US_INTL,
    dead: { windows: 'quotes', macos: 'quotes', linux: 'quotes' },
  },
  { id: 'dvorak', name: 'Dvorak', rows: DVORAK },
] as const satisfies readonly Layout[]

export type LayoutId = (typeof LAYOUTS)[number]['id']
export const LAYOUT_IDS: readonly LayoutId[] = LAYOUTS.map(({ id }) => id)

const layoutOf = (id: string | undefined): Layout => LAYOUTS.find((layout) => layout.id === id) ?? LAYOUTS[0]

const known = new Map<string, LayoutOn>()

/** What keys type on a layout as a system has it; US for an id that is none. */
export function layoutOn(id: string | undefined, system: OperatingSystem): LayoutOn {
  const { id: found, rows, dead } = layoutOf(id)
  const key = `${found} ${system}`
  const there = known.get(key)
  if (there) return there
  const made: LayoutOn = { system, keys: tableOfRows(rows[system]), dead: dead?.[system] }
  known.set(key, made)
  return made
}

/** What is printed on the keys of a keyboard of that layout: keyboards are made for what Windows types. */
export const printedOn = (id: string | undefined): LayoutTable => layoutOn(id, 'windows').keys

/** The keys that a Mac takes one for the other, by whether it knows the keyboard as an ISO or an ANSI one. */
export const SWAPPED_ON_MAC: readonly string[] = ['Backquote', 'IntlBackslash']

/** Which kind a Mac is taken to know a keyboard of that layout as. */
export const macKind = (id: LayoutId): MacKind => layoutOf(id).rows.mac

/** The name of a layout as a person reads it. */
export const layoutName = (id: LayoutId): string => LAYOUTS.find((layout) => layout.id === id)?.name ?? id

/** What is printed on a key of a keyboard of that layout; keys that type nothing have the same legend on all. */
export function keyLegend(code: string, layout: LayoutId | undefined): string {
  const typed = code === 'Space' ? undefined : printedOn(layout)[code]?.[0]
  // What two keys print alike is the name of the first.
  if (!typed || codeByLegend(typed, layout) !== code) return keyByCode(code)?.legend ?? code
  const spaced = /^[\u0300-\u036f]$/.test(typed) ? `\u00a0${typed}` : typed
  return spaced.length === 1 && spaced.toUpperCase().length === 1 ? spaced.toUpperCase() : spaced
}

/** Legends as they stand on caps, where there is not the room for a name. */
const CAP_LEGENDS: Record<string, string> = {
  Backspace: '⌫',
  Delete: 'Del',
  PrintScreen: 'Print',
  CapsLock: 'Caps',
  ControlLeft: 'Ctrl',
  ControlRight: 'Ctrl',
  ShiftLeft: 'Shift',
  ShiftRight: 'Shift',
  AltRight: 'AltGr',
  MetaLeft: 'Sys',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  PageUp: 'PgUp',
  PageDown: 'PgDn',
  Space: '',
}

/** What stands on the cap of a key: a short legend, or what the layout prints. */
export const capLegend = (code: string, layout: LayoutId | undefined): string =>
  CAP_LEGENDS[code] ?? keyLegend(code, layout)

/** The key with a legend such as `keyLegend` gives on that layout, or that types this character plainly. */
export function codeByLegend(word: string, layout: LayoutId | undefined): string | undefined {
  return firstTyping(printedOn(layout)).get(word.toLowerCase())
}

/** By what a key types plainly, in small letters: the first that does. */
const firstTyping = rememberedFor(
  (keys: LayoutTable): ReadonlyMap<string | undefined, string> =>
    new Map(
      Object.entries(keys)
        .reverse()
        .map(([code, [plain]]) => [plain?.toLowerCase(), code]),
    ),
)
