const PAIRS = 'aábƀcçdđeéfƒgĝhĥiíjĵkķlļmɱnñoópþqɋrŕsštţuúvṽwŵxẋyýzž'
const ACCENTS: ReadonlyMap<string, string> = new Map(
  Array.from(PAIRS.match(/../gu) ?? [], (pair) => [pair.charAt(0), pair.charAt(1)]),
)

/** A text with an accent on each letter. */
export const accented = (text: string): string =>
  Array.from(text, (letter) => {
    const accent = ACCENTS.get(letter.toLowerCase()) ?? letter
    return letter === letter.toLowerCase() ? accent : accent.toUpperCase()
  }).join('')

/**
 * A message of the pseudo-locale, which is never shipped: 40% longer, with accents on every letter and brackets at its
 * ends. Placeholders stay as they are.
 */
export const pseudoMessage = (message: string): string =>
  message
    .split(' | ')
    .map((form) => {
      const text = form.replaceAll(/\{[^}]*\}|[^{]+/g, (part) =>
        part.startsWith('{') ? part : accented(part),
      )
      const letters = form.replaceAll(/\{[^}]*\}/g, '').length
      return `⟦${text}${'·'.repeat(Math.ceil(letters * 0.4))}⟧`
    })
    .join(' | ')
