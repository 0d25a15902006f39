import { message, type Message } from '../message/message'

/** Rules for the names of profiles, layers, bindings, steps, macros and tags. */

/** Control characters, line and paragraph separators. */
const UNPRINTABLE = /[\p{Cc}\p{Zl}\p{Zp}]/u
/**
 * Embeddings, overrides and isolates of direction (Unicode Standard Annex 9): a name with one can look like another
 * name.
 */
const DIRECTION = /[\u202a-\u202e\u2066-\u2069]/u
/** Format characters, spaces, and letters without a visible shape. */
const INVISIBLE = /[\p{Cf}\p{Z}\p{Mn}\u115f\u1160\u2800\u3164\uffa0]/gu
const HALF = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

export const utf8Length = (text: string): number => new TextEncoder().encode(text).length

/**
 * Returns why a text is not a valid name, or undefined if it is valid. Its length is not checked here.
 */
export function nameProblem(name: string): Message | undefined {
  const unprintable = UNPRINTABLE.exec(name)
  if (unprintable) return message('problems.unprintable', { code: codePoint(unprintable[0]) })
  const direction = DIRECTION.exec(name)
  if (direction) return message('problems.direction', { code: codePoint(direction[0]) })
  if (HALF.test(name)) return message('problems.incompleteCharacter')
  return name.replace(INVISIBLE, '') === '' ? message('problems.invisible') : undefined
}

/**
 * Removes characters that names may not have and shortens the rest to a length in UTF-8. Returns the default if nothing
 * remains.
 */
export function cleanName(name: string, maxBytes: number, defaultValue: string): string {
  const printable = name
    .replace(new RegExp(UNPRINTABLE, 'gu'), ' ')
    .replace(new RegExp(DIRECTION, 'gu'), '')
    .replace(new RegExp(HALF, 'g'), '\ufffd')
  const cut = truncateUtf8(printable, maxBytes)
  return nameProblem(cut) === undefined ? cut : defaultValue
}

/** The longest start of whole characters that fits into a number of UTF-8 bytes. */
export function truncateUtf8(text: string, maxBytes: number): string {
  if (utf8Length(text) <= maxBytes) return text
  let bytes = 0
  let cut = ''
  for (const character of text) {
    bytes += utf8Length(character)
    if (bytes > maxBytes) break
    cut += character
  }
  return cut
}

const codePoint = (character: string): string =>
  `U+${(character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}`

/** A name as part of a file name: letters and digits with hyphens between. */
export const fileStem = (name: string, defaultValue: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || defaultValue

/** Capitalises the first letter. */
export const capitalise = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
