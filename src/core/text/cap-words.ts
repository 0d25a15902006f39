import { itemAt } from '../base/items'

/**
 * Words on a key cap: whole where they fit, else each shortened by one rule, so that the same word is always shortened
 * alike. A word keeps its beginning and gets a full stop; what has no line any more is told by an ellipsis.
 *
 * @param perLine characters that fit a line
 * @param most lines there are
 */
export function capWords(text: string, perLine: number, most: number): string[] {
  const lines: string[] = []
  for (const word of text
    .split(/[ \t\n]+/)
    .filter(Boolean)
    .map((each) => cut(each, perLine))) {
    const last = lines.at(-1)
    if (last !== undefined && length(last) + 1 + length(word) <= perLine)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  if (lines.length <= most) return lines
  const kept = lines.slice(0, most)
  const [...end] = itemAt(kept, most - 1).replace(/\.$/, '')
  kept[most - 1] = `${end.slice(0, Math.max(1, perLine - 1)).join('')}…`
  return kept
}

const length = (text: string): number => [...text].length

function cut(word: string, most: number): string {
  const characters = [...word]
  return characters.length <= most ? word : `${characters.slice(0, Math.max(1, most - 1)).join('')}.`
}
