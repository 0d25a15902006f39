/** Text that a spreadsheet would evaluate as a formula. */
const FORMULA = /^'*[=+\-@\t\r]/

/** Protects text from being evaluated: a leading quotation mark keeps it as text. */
export const harmless = (text: string): string => (FORMULA.test(text) ? `'${text}` : text)

/** The reverse of {@link harmless}. */
export const asWritten = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell
