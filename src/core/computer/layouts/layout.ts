/**
 * What a computer types for a key, by its `code`: plain, with Shift, with AltGr (the right Alt key), with both.
 * A combining character (U+0300 to U+036F) stands for a dead key, which types nothing by itself and goes onto the
 * character after it. Levels that type nothing are left out at the end or empty.
 */
export type LayoutTable = Readonly<Record<string, readonly string[]>>

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

/** One key pressed on its own, as typing needs it: its code and the level it is pressed at, 0 to 3. */
export interface LayoutStroke {
  code: string
  level: number
}

export const isDead = (character: string): boolean => /^[\u0300-\u036f]$/.test(character)

/** What a dead key types when a space follows it (Unicode 16, the spacing forms of combining marks). */
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

/**
 * What a dead key and the character typed after it become: one character where Unicode has it (normalisation
 * form C), otherwise the mark on its own and then the character.
 */
export function composeDead(mark: string, next: string): string {
  if (next === ' ') return SPACING[mark] ?? ''
  const composed = (next + mark).normalize('NFC')
  return [...composed].length === 1 ? composed : (SPACING[mark] ?? '') + next
}

/** The keys that type one character on a layout, or undefined for one the layout cannot type. */
export function strokesFor(character: string, layout: LayoutTable): LayoutStroke[] | undefined {
  // A dead key by itself types nothing.
  if (isDead(character)) return undefined
  const direct = findStroke(character, layout)
  if (direct) return [direct]
  const space = { code: 'Space', level: 0 }
  const mark = Object.keys(SPACING).find((each) => SPACING[each] === character && findStroke(each, layout))
  const spacing = mark === undefined ? undefined : findStroke(mark, layout)
  if (spacing) return [spacing, space]
  const [base, combining, ...more] = [...character.normalize('NFD')]
  if (combining === undefined || more.length > 0) return undefined
  const dead = findStroke(combining, layout)
  const letter = findStroke(base, layout)
  return dead && letter && composeDead(combining, base) === character ? [dead, letter] : undefined
}

/** The key with the fewest modifiers that types a character at once. */
function findStroke(character: string, layout: LayoutTable): LayoutStroke | undefined {
  return strokeIndex(layout).get(character)
}

const indexes = new WeakMap<LayoutTable, Map<string, LayoutStroke>>()

function strokeIndex(layout: LayoutTable): Map<string, LayoutStroke> {
  const known = indexes.get(layout)
  if (known) return known
  const index = new Map<string, LayoutStroke>()
  for (const level of [0, 1, 2, 3]) {
    for (const [code, levels] of [...Object.entries(layout), ...Object.entries(COMMON_KEYS)]) {
      const character = levels[level]
      // The number pad types the same characters and is not on every keyboard.
      if (character && !index.has(character) && !code.startsWith('Numpad'))
        index.set(character, { code, level })
    }
  }
  indexes.set(layout, index)
  return index
}
