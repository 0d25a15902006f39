/** Search words in lower case, prepared once for many texts. */
export interface SearchWords {
  text: string
  words: readonly { word: string; startsWord: RegExp }[]
}

/** Prepares the typed search. */
export function parseSearch(typed: string): SearchWords {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  return {
    text: words.join(' '),
    words: words.map((word) => ({
      word,
      startsWord: new RegExp(`(^|[^\\p{L}\\p{N}])${escaped(word)}`, 'u'),
    })),
  }
}

/** Whether a text contains every word, in any order. An empty search matches everything. @param lowered in lower case */
export const containsEvery = ({ words }: SearchWords, lowered: string): boolean =>
  words.every(({ word }) => lowered.includes(word))

export const NO_MATCH = 9
/** The weakest match: contained somewhere, but not at the start of a word. */
export const WEAKEST_MATCH = 4

/**
 * How well something matches, for sorting: 0 if its title is what was typed, 1 if its title begins with it, 2 if every word
 * begins a word of its title, 3 if every word begins a word of its title or other texts, 4 if every word is contained
 * anywhere, otherwise {@link NO_MATCH}.
 *
 * @param title in lower case
 * @param others further texts it is found by, in lower case
 */
export function matchRank(wanted: SearchWords, title: string, others = ''): number {
  const whole = others === '' ? title : `${title} ${others}`
  if (!containsEvery(wanted, whole)) return NO_MATCH
  if (title === wanted.text) return 0
  if (title.startsWith(wanted.text)) return 1
  if (wanted.words.every(({ startsWord }) => startsWord.test(title))) return 2
  return wanted.words.every(({ startsWord }) => startsWord.test(whole)) ? 3 : WEAKEST_MATCH
}

/** Whether every word that was typed is in the texts of a row. */
export const matchesFilter = (typed: string, texts: readonly string[]): boolean =>
  filterFor(typed)(texts.join('\n').toLowerCase())

/** The same for many rows, each as one text in lower case. */
export function filterFor(typed: string): (lowered: string) => boolean {
  const wanted = parseSearch(typed)
  return (lowered) => containsEvery(wanted, lowered)
}

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
