import { FIRST_MODIFIER_USAGE } from '../hid/modifiers'
import { keyByCode, keyByUsage } from '../hid/keyboard-page'
import { layoutById, type LayoutId } from './layouts'
import { COMMON_KEYS, composeDead, isDead, strokesFor } from './layouts/layout'
import { ALTGR_BIT, SHIFT_BIT, type Stroke } from '../onboard/strokes'

/** Modifier bits of the levels of a layout: plain, Shift, AltGr, both. */
const LEVEL_BITS = [0, SHIFT_BIT, ALTGR_BIT, SHIFT_BIT | ALTGR_BIT]

/** Characters of a text that a layout cannot type, each once, in the order they come. */
export const untypable = (text: string, layout: LayoutId): string[] => [
  ...new Set([...text.normalize('NFC')].filter((character) => !strokesFor(character, layoutById(layout)))),
]

/** Characters that take AltGr on a layout: Macs keep them elsewhere. */
export const needsAltGr = (text: string, layout: LayoutId): string[] => [
  ...new Set(
    [...text.normalize('NFC')].filter((character) =>
      strokesFor(character, layoutById(layout))?.some(({ level }) => level >= 2),
    ),
  ),
]

/**
 * The keys that type a text on a layout, one after the other.
 *
 * @throws RangeError for a text with a character the layout cannot type
 */
export function typeText(text: string, layout: LayoutId): Stroke[] {
  return [...text.normalize('NFC')].flatMap((character) => {
    const strokes = strokesFor(character, layoutById(layout))
    if (!strokes) throw new RangeError(`“${character}” cannot be typed on that layout`)
    return strokes.map(({ code, level }) => tap(code, LEVEL_BITS[level]))
  })
}

/** What a row of keys types on a layout; waits and chords type nothing. */
export function typedBy(strokes: readonly Stroke[], layout: LayoutId): string {
  let dead: string | undefined
  let text = ''
  for (const stroke of strokes) {
    const level = stroke.kind === 'tap' ? LEVEL_BITS.indexOf(stroke.modifiers) : -1
    const code = stroke.kind === 'tap' ? keyByUsage(stroke.usage)?.code : undefined
    const character =
      code && level >= 0 ? (layoutById(layout)[code] ?? COMMON_KEYS[code])?.[level] : undefined
    if (!character) continue
    if (isDead(character)) dead = character
    else {
      text += dead === undefined ? character : composeDead(dead, character)
      dead = undefined
    }
  }
  return text
}

/** One key pressed and let go, with modifiers given as bits or by their codes. */
export function tap(code: string, modifiers: number | readonly string[] = 0): Stroke {
  const bits = typeof modifiers === 'number' ? modifiers : modifierBits(modifiers)
  return { kind: 'tap', usage: keyByCode(code)?.usage ?? 0, modifiers: bits }
}

/** Bits of the modifier byte of a keyboard report, by the codes of the keys. */
export const modifierBits = (codes: readonly string[]): number =>
  codes.reduce((bits, code) => bits | (1 << ((keyByCode(code)?.usage ?? 0) - FIRST_MODIFIER_USAGE)), 0)
