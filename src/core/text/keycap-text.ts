import { itemAt } from '../base/items'

/**
 * Words on a key cap: complete if they fit, otherwise each shortened by one rule, so that the same word always looks
 * the same. A shortened word keeps its start and gets a full stop; an ellipsis marks missing lines.
 *
 * @param perLine characters that fit into a line
 * @param most number of lines
 */
export function keycapText(text: string, perLine: number, max: number): string[] {
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
  if (lines.length <= max) return lines
  const kept = lines.slice(0, max)
  const [...end] = itemAt(kept, max - 1).replace(/\.$/, '')
  kept[max - 1] = `${end.slice(0, Math.max(1, perLine - 1)).join('')}…`
  return kept
}

const length = (text: string): number => [...text].length

function cut(word: string, max: number): string {
  const characters = [...word]
  return characters.length <= max ? word : `${characters.slice(0, Math.max(1, max - 1)).join('')}.`
}
