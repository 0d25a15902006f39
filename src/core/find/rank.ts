import { matchRank, NO_MATCH, parseSearch } from '../base/matching'

/** A result of Find. */
export interface Findable {
  /** Its kind, shown next to it. */
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
  /** Its current value, or its purpose. */
  detail: string
  /** Other words that people may search for. */
  words?: string
}

/** Results that contain every typed word, the best matches first; equal ones keep their order. */
export function rankFindables<T extends Findable>(typed: string, all: readonly T[], max = 12): T[] {
  const wanted = parseSearch(typed)
  return all
    .map((each, index) => {
      const { title, others } = textsOf(each)
      // A complete title ranks like the start of a title, so that commands precede the glossary terms that explain them.
      return { each, index, rank: Math.max(1, matchRank(wanted, title, others)) }
    })
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank || a.index - b.index)
    .slice(0, max)
    .map(({ each }) => each)
}

/** The search texts of each result, computed once: the same results are ranked again at every key. */
const known = new WeakMap<Findable, { title: string; others: string }>()

function textsOf(entry: Findable): { title: string; others: string } {
  const there = known.get(entry)
  if (there) return there
  const texts = {
    title: entry.text.toLowerCase(),
    others: `${entry.detail} ${entry.words ?? ''}`.toLowerCase(),
  }
  known.set(entry, texts)
  return texts
}
