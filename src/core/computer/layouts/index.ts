import { keyByCode } from '../../hid/keyboard-page'
import { DE } from './de'
import { ES } from './es'
import { FR } from './fr'
import type { LayoutTable } from './layout'
import { NORDIC } from './nordic'
import { NORDIC_DK } from './nordic-dk'
import { NORDIC_NO } from './nordic-no'
import { UK } from './uk'
import { US } from './us'

/** The keyboard layouts a text can be typed on; ids stand in profiles, and their order in images. */
export const LAYOUTS = [
  { id: 'us', name: 'US', table: US },
  { id: 'uk', name: 'UK', table: UK },
  { id: 'de', name: 'German', table: DE },
  { id: 'fr', name: 'French', table: FR },
  { id: 'es', name: 'Spanish', table: ES },
  { id: 'nordic', name: 'Nordic: Swedish, Finnish', table: NORDIC },
  { id: 'nordic-no', name: 'Nordic: Norwegian', table: NORDIC_NO },
  { id: 'nordic-dk', name: 'Nordic: Danish', table: NORDIC_DK },
] as const satisfies readonly { id: string; name: string; table: LayoutTable }[]

export type LayoutId = (typeof LAYOUTS)[number]['id']
export const LAYOUT_IDS: readonly LayoutId[] = LAYOUTS.map(({ id }) => id)

/** The table of a layout; US for an id that is none. */
export const layoutById = (id: string | undefined): LayoutTable =>
  LAYOUTS.find((layout) => layout.id === id)?.table ?? US

/** The name of a layout as a person reads it. */
export const layoutName = (id: LayoutId): string => LAYOUTS.find((layout) => layout.id === id)?.name ?? id

/** What is printed on a key of a keyboard of that layout; keys that type nothing have the same legend on all. */
export function keyLegend(code: string, layout: LayoutId | undefined): string {
  const typed = code === 'Space' ? undefined : layoutById(layout)[code]?.[0]
  if (!typed) return keyByCode(code)?.legend ?? code
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
  const typed = word.toLowerCase()
  return Object.entries(layoutById(layout)).find(([, levels]) => levels[0]?.toLowerCase() === typed)?.[0]
}
