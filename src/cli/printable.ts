/** Controls, separators of lines and paragraphs, and characters that change the direction of writing. */
const UNPRINTABLE = /[\p{Cc}\p{Zl}\p{Zp}\u200e\u200f\u202a-\u202e\u2066-\u2069]/gu

/**
 * A text as a terminal may be given it. Nothing in a file can move its cursor, name its window or hide what stands there:
 * such characters are written as escapes. Tabs between columns, and line breaks, stay.
 */
export const printable = (text: string): string =>
  text.replace(UNPRINTABLE, (character) =>
    character === '\t' || character === '\n'
      ? character
      : `\\u{${(character.codePointAt(0) ?? 0).toString(16).padStart(2, '0')}}`,
  )
