/** Quoted texts and names in cells. */

/** Escapes line breaks, tabs, quotation marks and backslashes for a single line. */
export const escapeText = (text: string): string =>
  text
    .replaceAll(/[\\“”"]/g, '\\$&')
    .replaceAll('\n', '\\n')
    .replaceAll('\t', '\\t')

/** The reverse of {@link escapeText}. */
export const unescapeText = (text: string): string =>
  text.replace(/\\([nt\\“”"])|\r\n?/g, (_, letter?: string) =>
    letter === undefined || letter === 'n' ? '\n' : letter === 't' ? '\t' : letter,
  )

/** A quotation mark that is a key, alone or at the end of a chord, as on some layouts. It does not start a text. */
const QUOTE_KEY = /(?<=^|\+|^tap[ :] *|(?:else|hold):? +)"(?=$|[,;]? +(?:else|and hold|hold|after|at|or)\b)/gi

/** Whether the text before an index has an unclosed quotation mark. */
export const isInsideQuotes = (before: string): boolean => {
  const bare = before
    .replaceAll(/\\./g, '')
    .replaceAll(/“[^”]*”/g, '')
    .replaceAll(QUOTE_KEY, '')
  const count = (quote: string) => bare.split(quote).length
  return count('“') > count('”') || count('"') % 2 === 0
}
