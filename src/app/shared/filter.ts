/**
 * Whether every word that was typed is somewhere in the texts of a row; case does not matter. Nothing typed
 * matches everything.
 */
export function matchesFilter(typed: string, texts: readonly string[]): boolean {
  const whole = texts.join('\n').toLowerCase()
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => whole.includes(word))
}
