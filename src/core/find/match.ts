/**
 * Whether every word that was typed is somewhere in the texts of a row; case does not matter. Nothing typed
 * matches everything.
 */
export const matchesFilter = (typed: string, texts: readonly string[]): boolean =>
  filterFor(typed)(texts.join('\n').toLowerCase())

/** The same for many rows, each as one text that is in small letters already. */
export function filterFor(typed: string): (lowered: string) => boolean {
  const words = typed.toLowerCase().split(/\s+/)
  return (lowered) => words.every((word) => lowered.includes(word))
}
