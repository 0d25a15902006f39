import Papa from 'papaparse'
import { ProfileError } from '../base/refusal'
import { eventRow, readEvent, ROW_WORDS } from '../document/event-kinds'
import { emptyMacro, parseMacro, type Macro, type MacroEvent } from '../document/macro'
import { eachOf, within } from './refusals'

/** Macros as a table for a spreadsheet (docs/file-formats.md, "Macros"). */

const COLUMNS = ['macro', 'wait ms', 'does', 'what']

/** What a row does that begins a macro; its last cell has the tags. */
const HEAD = 'macro'
const TAGS_BETWEEN = ', '

/** A row that begins each macro, and one for each event; a macro within a macro goes by its name. */
export function macrosToCsv(macros: readonly Macro[], nameOf: (id: string) => string | undefined): string {
  const rows = macros.flatMap(({ name, tags, events }) => [
    [harmless(name), 0, HEAD, harmless(tags.join(TAGS_BETWEEN))],
    ...events.map((event) => [harmless(name), event.afterMs, ...eventCells(event, nameOf)]),
  ])
  return `${Papa.unparse([COLUMNS, ...rows], { newline: '\n' })}\n`
}

/**
 * Reads a table with the columns `macro`, `wait ms`, `does` and `what`. A row that does `macro` begins one; rows of one
 * name belong to the last that was begun under it, and without such rows they are one macro.
 *
 * @param idOf the macro of a name, in the library; those of the table itself come first
 * @param newId an id for each macro of the table
 * @param judged told how many events have been judged so far
 * @throws ProfileError that names the rows, counted as a spreadsheet does
 */
export function macrosFromCsv(
  text: string,
  idOf: (name: string) => string | undefined,
  newId: () => string,
  judged: (events: number) => void = () => {},
): Macro[] {
  const groups = grouped(rowsOf(text), newId)
  const named = (name: string) => groups.find((group) => group.name === name)?.id ?? idOf(name)
  let before = 0
  return eachOf(groups, ({ id, name, tags, rows }) => {
    const events = eachOf(rows, ({ row, wait, does, last }) =>
      within(`row ${row}`, () => eventOf(wait, does, last, named)),
    )
    const macro = within(`“${name}”`, () =>
      parseMacro({ ...emptyMacro(id, name), tags, events }, (count) => judged(before + count)),
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
  /** As it stands in the file: a text may begin and end with spaces. */
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
    throw new ProfileError([`row ${(error.row ?? 0) + 1}: a quote is opened and not closed, or closed twice`])
  const head = data[0]?.map((cell) => cell.trim().toLowerCase()) ?? []
  if (COLUMNS.some((column, index) => head[index] !== column))
    throw new ProfileError([`row 1: the columns ${COLUMNS.join(', ')} are due`])
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

/** A spreadsheet works out what begins like these: a quote before it makes it a text, here and there. */
const FORMULA = /^'*[=+\-@\t\r]/
const harmless = (text: string): string => (FORMULA.test(text) ? `'${text}` : text)
/** The reverse of {@link harmless}. */
const asWritten = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell

/** Spreadsheets of some countries part cells with a semicolon. */
const delimiterOf = (text: string): string => (/^\ufeff?"?macro"?;/i.test(text) ? ';' : ',')

function eventCells(
  event: MacroEvent,
  nameOf: (id: string) => string | undefined,
): [does: string, what: string] {
  const { does, what, free } = eventRow(event, nameOf)
  return [does, free ? harmless(what) : what]
}

/** What a row says, for the gate to judge. */
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
    throw new ProfileError([
      `does: “${does}” is none of ${ROW_WORDS.slice(0, -1).join(', ')} and ${ROW_WORDS.at(-1)}`,
    ])
  return { ...event, afterMs }
}

/** Whole numbers parted by spaces; the last stands for those that are missing. */
function numbersOf(text: string, count: number, column: string): number[] {
  const parts = text.split(/\s+/)
  if (parts.length > count || !parts.every((part) => /^-?\d+$/.test(part)))
    throw new ProfileError([
      `${column}: “${text}” is not ${count === 1 ? 'a whole number' : `up to ${count} whole numbers`}`,
    ])
  return Array.from({ length: count }, (_, index) =>
    Number(parts[index] ?? (column === 'what' ? parts[0] : 0)),
  )
}
