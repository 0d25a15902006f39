import Papa from 'papaparse'
import { asWritten } from '../files/csv-cells'

/** The rows of a list of commands as people keep them: a table with any separator, or lines of text. */
export interface ListRow {
  /** Its line in the text, counted from 1. */
  line: number
  text: string
  /** Empty for a heading. */
  cells: string[]
  /** The group that a heading names for the rows below it. */
  heading?: string
}

/** What a column contains. */
export const COLUMN_ROLES = [
  'name',
  'key',
  'key2',
  'group',
  'use',
  'importance',
  'perHour',
  'note',
  'ignored',
] as const
export type ColumnRole = (typeof COLUMN_ROLES)[number]

/** Separators in lines of text, the clearest first. Commas and semicolons separate the cells of CSV. */
export const SEPARATORS = ['\t', '|', ';', ',', '=', ':', '→', ' - ', '  '] as const
export type Separator = (typeof SEPARATORS)[number]

const SPLITS: Record<Exclude<Separator, '\t' | ';' | ','>, RegExp> = {
  '|': / *\| */u,
  '=': / *={1,2}>? +| +={1,2}>? *|(?<=[\p{L}\p{N}_"”'])=(?=["'“\p{L}\p{N}])/u,
  ':': / *: +| +: */u,
  '→': / *(?:→|->|=>) */u,
  ' - ': / +[-–—] +/u,
  '  ': / {2,}/u,
}

/** Maximum lengths: longer texts are refused or reported, so that nothing takes long. */
export const MAX_LIST_CHARACTERS = 1 << 20
export const MAX_LIST_LINES = 4000
export const MAX_LINE_CHARACTERS = 600

/** Divides a text into rows at a separator. */
export function rowsOf(text: string, separator: Separator): ListRow[] {
  const lines = linesOf(text)
  if (separator === '\t' || separator === ';' || separator === ',') return csvRows(text, separator)
  return lines.map((line, index) => rowOf(line, index + 1, separator))
}

export const linesOf = (text: string): string[] => text.replace(/^\ufeff/u, '').split(/\r\n|\r|\n/u)

function rowOf(line: string, number: number, separator: keyof typeof SPLITS): ListRow {
  const text = line.trim()
  if (text.length > MAX_LINE_CHARACTERS) return { line: number, text, cells: [text] }
  const heading = headingOf(text)
  if (heading !== undefined) return { line: number, text, cells: [], heading }
  const bare = text.replace(/^[*•·] +|^- +(?=\S)/u, '').replace(/^\|(.*)\|$/u, '$1')
  const cells = splitOutsideQuotes(bare, SPLITS[separator]).map((cell) => unquotedName(cell.trim()))
  return { line: number, text, cells: text === '' || /^[-=|: ]+$/u.test(text) ? [] : cells }
}

/** `[Movement]`, `# Movement`, `== Movement ==`, `Movement:` */
function headingOf(text: string): string | undefined {
  const match =
    /^\[([^\]]{2,})\]$/u.exec(text) ??
    /^#{1,6} +(.{1,80})$/u.exec(text) ??
    /^={2,} *([^=]+?) *={2,}$/u.exec(text) ??
    /^([\p{L}][^:="|]*):$/u.exec(text)
  return match?.[1]?.trim()
}

/** At the first places where the pattern matches outside quotation marks. */
function splitOutsideQuotes(text: string, pattern: RegExp): string[] {
  const global = new RegExp(pattern.source, `${pattern.flags}g`)
  const cells: string[] = []
  let from = 0
  for (const match of text.matchAll(global)) {
    const before = text.slice(0, match.index)
    if (before.split('"').length % 2 === 0) continue
    cells.push(text.slice(from, match.index))
    from = match.index + match[0].length
  }
  return [...cells, text.slice(from)]
}

/** A whole cell in quotation marks, as a program's own files have it. */
const unquotedName = (cell: string): string =>
  /^"((?:[^"\\]|\\.)+)"$/u.exec(cell)?.[1]?.replaceAll(/\\(.)/gu, '$1') ?? cell

function csvRows(text: string, delimiter: '\t' | ';' | ','): ListRow[] {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/u, ''), { delimiter, skipEmptyLines: false })
  return data.map((row, index) => {
    const cells = row.map((cell) => asWritten(cell.trim()))
    const whole = cells.join(delimiter === '\t' ? '  ' : `${delimiter} `).slice(0, MAX_LINE_CHARACTERS + 1)
    const filled = cells.filter((cell) => cell !== '')
    const [only] = filled
    const heading = filled.length === 1 && only !== undefined ? headingOf(only) : undefined
    return heading === undefined
      ? { line: index + 1, text: whole, cells: filled.length === 0 ? [] : cells }
      : { line: index + 1, text: whole, cells: [], heading }
  })
}
