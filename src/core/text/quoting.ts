/** Texts and names in quotes, as they stand in a cell. */

/** Line ends, tabs, quotes and the backslash itself as a person can type them in one line. */
export const escaped = (text: string): string =>
  text
    .replaceAll(/[\\“”"]/g, '\\$&')
    .replaceAll('\n', '\\n')
    .replaceAll('\t', '\\t')

/** The reverse of {@link escaped}. */
export const unescaped = (text: string): string =>
  text.replace(/\\([nt\\“”"])|\r\n?/g, (_, letter?: string) =>
    letter === undefined || letter === 'n' ? '\n' : letter === 't' ? '\t' : letter,
  )

/** A quote that is a key, alone or at the end of a chord, as some layouts have it on a number. It opens no text. */
const QUOTE_KEY = /(?<=^|\+|^tap[ :] *|(?:else|hold):? +)"(?=$|[,;]? +(?:else|and hold|hold|after|at|or)\b)/gi

/** Whether what stands before a place opens a text in quotes that it does not close. */
export const insideQuotes = (before: string): boolean => {
  const bare = before
    .replaceAll(/\\./g, '')
    .replaceAll(/“[^”]*”/g, '')
    .replaceAll(QUOTE_KEY, '')
  const count = (quote: string) => bare.split(quote).length
  return count('“') > count('”') || count('"') % 2 === 0
}
