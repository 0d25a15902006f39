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
}

/**
 * Those that hold every word typed, best first: a text that begins so, then one with a word that begins so, then
 * one that has it anywhere; within a rank as they were given. Nothing typed leaves all as they are.
 */
export function rankFindables<T extends Findable>(typed: string, all: readonly T[], most = 12): T[] {
  const wanted = wantedWords(typed)
  return all
    .map((each, index) => ({ each, index, rank: rankOf(each, wanted) }))
    .filter(({ rank }) => rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank || a.index - b.index)
    .slice(0, most)
    .map(({ each }) => each)
}

const NO_MATCH = 9

/** A word that is looked for, and what tells whether a text has one that begins with it: made once a search. */
interface Wanted {
  word: string
  starts: RegExp
}

const wantedWords = (typed: string): Wanted[] =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => ({ word, starts: new RegExp(`(^|[^\\p{L}\\p{N}])${escaped(word)}`, 'u') }))

/** What each is searched by, made once: the same entries are ranked again at every key. */
const known = new WeakMap<Findable, { title: string; whole: string }>()

function textsOf(entry: Findable): { title: string; whole: string } {
  const there = known.get(entry)
  if (there) return there
  const title = entry.text.toLowerCase()
  const texts = { title, whole: `${title} ${entry.detail} ${entry.words ?? ''}`.toLowerCase() }
  known.set(entry, texts)
  return texts
}

function rankOf(entry: Findable, wanted: readonly Wanted[]): number {
  const { title, whole } = textsOf(entry)
  if (!wanted.every(({ word }) => whole.includes(word))) return NO_MATCH
  if (title.startsWith(wanted.map(({ word }) => word).join(' '))) return 0
  if (wanted.every(({ starts }) => starts.test(title))) return 1
  return wanted.every(({ starts }) => starts.test(whole)) ? 2 : 3
}

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
