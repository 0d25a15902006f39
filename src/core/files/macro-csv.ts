import Papa from 'papaparse'
import { ProfileError } from '../base/errors'
import { eventRow, readEvent, ROW_VERBS } from '../document/event-rows'
import { emptyMacro, parseMacro, type Macro, type MacroEvent } from '../document/macro'
import { asWritten, harmless } from './csv-cells'
import { collectResults, prefixProblems } from './file-problems'
import { factList, message } from '../message/message'

/** Macros as a table for spreadsheets (docs/file-formats.md, "Macros"). */

const COLUMNS = ['macro', 'wait ms', 'does', 'what']

/** The verb of a row that starts a macro; its last cell has the tags. */
const HEAD = 'macro'
const TAGS_BETWEEN = ', '

/** One row that starts each macro, and one for each event; nested macros are written by their names. */
export function macrosToCsv(macros: readonly Macro[], nameOf: (id: string) => string | undefined): string {
  const rows = macros.flatMap(({ name, tags, events }) => [
    [harmless(name), 0, HEAD, harmless(tags.join(TAGS_BETWEEN))],
    ...events.map((event) => [harmless(name), event.afterMs, ...eventCells(event, nameOf)]),
  ])
  return `${Papa.unparse([COLUMNS, ...rows], { newline: '\n' })}\n`
}

/**
 * Parses a table with the columns `macro`, `wait ms`, `does` and `what`. A row with the verb `macro` starts a macro;
 * rows with a name belong to the latest macro of that name, and without such rows they form one macro.
 *
 * @param idOf the macro with a name in the library; those of the table come first
 * @param newId an id for each macro of the table
 * @param onProgress receives the number of events validated so far
 * @throws ProfileError with row numbers as in a spreadsheet
 */
export function macrosFromCsv(
  text: string,
  idOf: (name: string) => string | undefined,
  newId: () => string,
  onProgress: (events: number) => void = () => {},
): Macro[] {
  const groups = grouped(rowsOf(text), newId)
  const named = (name: string) => groups.find((group) => group.name === name)?.id ?? idOf(name)
  let before = 0
  return collectResults(groups, ({ id, name, tags, rows }) => {
    const events = collectResults(rows, ({ row, wait, does, last }) =>
      prefixProblems(`row ${row}`, () => eventOf(wait, does, last, named)),
    )
    const macro = prefixProblems(`“${name}”`, () =>
      parseMacro({ ...emptyMacro(id, name), tags, events }, (count) => onProgress(before + count)),
    )
    before += events.length
    return macro
  })
}

interface Row {
  row: number
  name: string
  wait: string
  does: string
  /** Unchanged: a text may start and end with spaces. */
  last: string
}

interface Group {
  id: string
  name: string
  tags: string[]
  rows: Row[]
}

function rowsOf(text: string): Row[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    skipEmptyLines: false,
    delimiter: delimiterOf(text),
  })
  const [error] = errors
  if (error)
    throw new ProfileError([
      message('problems.row', { row: (error.row ?? 0) + 1, problem: message('problems.csvQuote') }),
    ])
  const head = data[0]?.map((cell) => cell.trim().toLowerCase()) ?? []
  if (COLUMNS.some((column, index) => head[index] !== column))
    throw new ProfileError([
      message('problems.row', {
        row: 1,
        problem: message('problems.csvColumns', { columns: factList(COLUMNS, 'comma') }),
      }),
    ])
  return data.slice(1).flatMap(([name = '', wait = '', does = '', last = '', ...more], index) => {
    const cells = [name, wait, does, last, ...more]
    return cells.every((cell) => cell.trim() === '')
      ? []
      : [{ row: index + 2, name: asWritten(name), wait: wait.trim(), does: does.trim(), last }]
  })
}

function grouped(rows: readonly Row[], newId: () => string): Group[] {
  const groups: Group[] = []
  const latest = new Map<string, Group>()
  const begin = (name: string, tags: string[]): Group => {
    const group = { id: newId(), name, tags, rows: [] }
    groups.push(group)
    latest.set(name, group)
    return group
  }
  for (const row of rows) {
    if (row.does.toLowerCase() === HEAD) begin(row.name, tagsOf(row.last))
    else (latest.get(row.name) ?? begin(row.name, [])).rows.push(row)
  }
  return groups
}

const tagsOf = (cell: string): string[] =>
  asWritten(cell)
    .split(',')
    .map((tag) => tag.trim())
    .filter((tag) => tag !== '')

/** Spreadsheets in some countries separate cells with semicolons. */
const delimiterOf = (text: string): string => (/^\ufeff?"?macro"?;/i.test(text) ? ';' : ',')

function eventCells(
  event: MacroEvent,
  nameOf: (id: string) => string | undefined,
): [does: string, what: string] {
  const { does, what, free } = eventRow(event, nameOf)
  return [does, free ? harmless(what) : what]
}

/** The event of a row, to be validated. */
function eventOf(wait: string, does: string, last: string, idOf: (name: string) => string | undefined) {
  const afterMs = numbersOf(wait, 1, 'wait ms')[0]
  const text = last.trim()
  const event = readEvent(does.toLowerCase(), {
    text,
    written: asWritten(last),
    numbers: (count) => numbersOf(text, count, 'what'),
    idOf: (name) => idOf(name) ?? idOf(asWritten(name)),
  })
  if (!event)
    throw new ProfileError([message('problems.csvVerb', { text: does, verbs: factList(ROW_VERBS, 'or') })])
  return { ...event, afterMs }
}

/** Integers separated by spaces; the last value is used for missing ones. */
function numbersOf(text: string, count: number, column: string): number[] {
  const parts = text.split(/\s+/)
  if (parts.length > count || !parts.every((part) => /^-?\d+$/.test(part)))
    throw new ProfileError([
      count === 1
        ? message('problems.csvInteger', { column, text })
        : message('problems.csvIntegers', { column, text, max: count }),
    ])
  return Array.from({ length: count }, (_, index) =>
    Number(parts[index] ?? (column === 'what' ? parts[0] : 0)),
  )
}
