import type { CommandId } from '../../shared/commands'

/** One thing the find box leads to. */
export interface Findable {
  /** What kind of thing it is; said beside it. */
  kind:
    | 'view'
    | 'profile'
    | 'input'
    | 'layer'
    | 'setting'
    | 'command'
    | 'shortcut'
    | 'action'
    | 'macro'
    | 'word'
    | 'help'
  text: string
  /** What it is now, or what it does. */
  detail: string
  /** Further words a person may look for it by. */
  words?: string
  /** What does the same by keys, without the box. */
  command?: CommandId
}

/** A thing that can be found, and what finding it does. */
export interface FindEntry extends Findable {
  run: () => unknown
}

/**
 * Those that hold every word typed, best first: a text that begins so, then one with a word that begins so, then
 * one that has it anywhere; within a rank as they were given. Nothing typed leaves all as they are.
 */
export function rankFindables<T extends Findable>(typed: string, all: readonly T[], most = 12): T[] {
  const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return all
    .map((each, index) => ({ each, index, rank: rankOf(each, wanted) }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank || a.index - b.index)
    .slice(0, most)
    .map(({ each }) => each)
}

const NO_MATCH = 9

function rankOf({ text, detail, words = '' }: Findable, wanted: string[]): number {
  const title = text.toLowerCase()
  const whole = `${title} ${detail} ${words}`.toLowerCase()
  if (!wanted.every((word) => whole.includes(word))) return NO_MATCH
  if (title.startsWith(wanted.join(' '))) return 0
  const starts = (word: string) => new RegExp(`(^|[^\\p{L}\\p{N}])${escaped(word)}`, 'u')
  if (wanted.every((word) => starts(word).test(title))) return 1
  return wanted.every((word) => starts(word).test(whole)) ? 2 : 3
}

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
