/** What may be a name: profiles, layers, bindings, steps, macros and tags keep to it. */

/** Control characters, line and paragraph separators. */
const UNPRINTABLE = /[\p{Cc}\p{Zl}\p{Zp}]/u
/** Embeddings, overrides and isolates of direction (Unicode Standard Annex 9): a name with one reads as another. */
const DIRECTION = /[\u202a-\u202e\u2066-\u2069]/u
/** Format characters, spaces, and letters that are drawn as nothing. */
const INVISIBLE = /[\p{Cf}\p{Z}\p{Mn}\u115f\u1160\u2800\u3164\uffa0]/gu
const HALF = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

export const utf8Bytes = (text: string): number => new TextEncoder().encode(text).length

/** Why a text is no name, as the rest of a sentence; undefined where it is one. Its length is another matter. */
export function nameProblem(name: string): string | undefined {
  const unprintable = UNPRINTABLE.exec(name)
  if (unprintable)
    return `holds a character that cannot be printed (${codePoint(unprintable[0])}); take it out`
  const direction = DIRECTION.exec(name)
  if (direction)
    return `holds a character that turns the direction of writing (${codePoint(direction[0])}); take it out`
  if (HALF.test(name)) return 'holds half a character; type it again'
  return name.replace(INVISIBLE, '') === '' ? 'has nothing in it that can be seen' : undefined
}

/** The same without what a name may not hold, cut to a length in UTF-8; `otherwise` where nothing is left. */
export function cleanName(name: string, mostBytes: number, otherwise: string): string {
  const printable = name
    .replace(new RegExp(UNPRINTABLE, 'gu'), ' ')
    .replace(new RegExp(DIRECTION, 'gu'), '')
    .replace(new RegExp(HALF, 'g'), '\ufffd')
  const cut = cutTo(printable, mostBytes)
  return nameProblem(cut) === undefined ? cut : otherwise
}

/** As many whole characters from the beginning as take at most so many bytes in UTF-8. */
export function cutTo(text: string, mostBytes: number): string {
  if (utf8Bytes(text) <= mostBytes) return text
  let bytes = 0
  let cut = ''
  for (const character of text) {
    bytes += utf8Bytes(character)
    if (bytes > mostBytes) break
    cut += character
  }
  return cut
}

const codePoint = (character: string): string =>
  `U+${(character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')}`

/** A name as a file can have it: letters and digits with hyphens between. */
export const fileStem = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || otherwise

/** With a capital letter at its beginning. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
