/** Control characters, line and paragraph separators, and characters that change the writing direction. */
const UNPRINTABLE = /[\p{Cc}\p{Zl}\p{Zp}\u200e\u200f\u202a-\u202e\u2066-\u2069]/gu

/**
 * Makes a text safe for a terminal. Nothing in a file can move its cursor, change its title or hide text: such
 * characters are escaped. Tabs between columns and line breaks stay.
 */
export const toPrintable = (text: string): string =>
  text.replace(UNPRINTABLE, (character) =>
    character === '\t' || character === '\n'
      ? character
      : `\\u{${(character.codePointAt(0) ?? 0).toString(16).padStart(2, '0')}}`,
  )
