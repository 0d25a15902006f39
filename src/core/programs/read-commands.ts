import { cleanName } from '../base/names'
import type { LayoutId } from '../computer/layouts'
import type { CommandKey } from '../document/command-key'
import {
  COMMAND_USES,
  MAX_COMMAND_KEYS,
  MAX_COMMAND_NAME_BYTES,
  MAX_COMMANDS,
  MAX_GROUP_NAME_BYTES,
  type Command,
  type CommandUse,
  type Importance,
} from '../document/program'
import { message, type MessageFact } from '../message/message'
import { isUnbound, readKey } from './key-names'
import { commandsOfJson } from './list-json'
import {
  linesOf,
  MAX_LINE_CHARACTERS,
  MAX_LIST_CHARACTERS,
  MAX_LIST_LINES,
  rowsOf,
  SEPARATORS,
  type ColumnRole,
  type ListRow,
  type Separator,
} from './list-table'

/** A command as a list has it, before it gets an id. */
export type CommandDraft = Omit<Command, 'id'>

/** One line of a list, as it was understood. */
export type ListEntry = { line: number; text: string } & (
  | { kind: 'command'; draft: CommandDraft }
  /** Its key means more than one: the person selects. */
  | { kind: 'question'; draft: CommandDraft; written: string; options: readonly CommandKey[] }
  | { kind: 'problem'; name: string; written: string; group?: string; problem: MessageFact }
)

/** A list of commands as it was understood, with everything that was recognised about its form. */
export interface CommandList {
  entries: ListEntry[]
  /** Undefined for JSON. */
  separator?: Separator
  columns: ColumnRole[]
  /** Whether the first row names the columns. */
  header: boolean
  /** Whether each of two columns could be the key: the person should look at the order. */
  uncertainOrder: boolean
}

/** What the person has set about the form of a list; everything else is recognised. */
export interface ListForm {
  layout: LayoutId
  columns?: readonly ColumnRole[]
}

/**
 * Reads a list of commands in any form: JSON, CSV, a table, or lines such as `Vent tanks: Ctrl+V`. It never throws:
 * what cannot be read is an entry with its problem.
 */
export function readCommandList(text: string, form: ListForm): CommandList {
  if (text.length > MAX_LIST_CHARACTERS || linesOf(text).length > MAX_LIST_LINES)
    return withoutTable([
      problemEntry({ line: 1, text: '' }, message('lists.listTooLong', { lines: MAX_LIST_LINES })),
    ])
  const json = commandsOfJson(text)
  if (json) {
    const entries = json.map(({ cells, line, text: whole, roles }) =>
      entryOf({ line, text: whole, cells }, roles, undefined, form.layout),
    )
    return withoutTable(limited(entries))
  }
  return readTable(bestTable(text, form.layout), form)
}

const withoutTable = (entries: ListEntry[]): CommandList => ({
  entries,
  columns: [],
  header: false,
  uncertainOrder: false,
})

interface Table {
  rows: ListRow[]
  separator: Separator
}

/** The separator at which most lines have a key in one of their cells. */
function bestTable(text: string, layout: LayoutId): Table {
  let best: Table & { score: number } = { rows: [], separator: ':', score: -1 }
  for (const separator of SEPARATORS) {
    const rows = rowsOf(text, separator)
    const split = rows.filter(({ cells }) => cells.length > 1)
    const keyed = split.filter(({ cells }) => cells.some((cell) => isKeyCell(cell, layout)))
    const score = 2 * keyed.length + split.length
    if (score > best.score) best = { rows, separator, score }
  }
  return { ...best, rows: best.rows.map((row) => splitAlone(row, layout)) }
}

/** A line of a list without the separator of the others, divided at its own. */
function splitAlone(row: ListRow, layout: LayoutId): ListRow {
  if (row.cells.length !== 1 || row.text.length > MAX_LINE_CHARACTERS) return row
  for (const separator of SEPARATORS) {
    const [own] = rowsOf(row.text, separator)
    if (own?.cells.length === 2 && own.cells.some((cell) => isKeyCell(cell, layout)))
      return { ...row, cells: own.cells }
  }
  return row
}

const isKeyCell = (cell: string, layout: LayoutId): boolean =>
  cell !== '' &&
  cell.length <= MAX_LINE_CHARACTERS &&
  keysIn(cell).every((part) => !('problem' in readKey(part, layout)))

/** The keys of a cell: `V`, `V or B`, `V / B`, `V, B`. A sign alone is a key. */
function keysIn(cell: string): string[] {
  const parts = cell.split(/ +or +| +\/ +|, +|; +/iu).map((part) => part.trim())
  return parts.length > 1 && parts.every((part) => part !== '') ? parts : [cell.trim()]
}

function readTable({ rows, separator }: Table, { layout, columns: given }: ListForm): CommandList {
  const filled = rows.filter(({ cells }) => cells.length > 0)
  const [first] = filled
  const named = first ? first.cells.map(roleOfHead) : []
  const header = named.includes('name') && named.some((role) => role === 'key')
  const body = header ? filled.slice(1) : filled
  const guessed = header
    ? { columns: named.map((role) => role ?? 'ignored'), uncertainOrder: false }
    : guessColumns(body, layout)
  const columns = given ? [...given] : guessed.columns
  let group: string | undefined
  const entries: ListEntry[] = []
  for (const row of rows) {
    if (row.heading !== undefined) group = row.heading
    if (row.cells.length === 0 || (header && row === first)) continue
    entries.push(entryOf(row, columns, group, layout))
  }
  return {
    entries: limited(entries),
    separator,
    columns,
    header,
    uncertainOrder: !given && guessed.uncertainOrder,
  }
}

function limited(entries: ListEntry[]): ListEntry[] {
  let commands = 0
  return entries.map((entry) =>
    entry.kind === 'problem' || ++commands <= MAX_COMMANDS
      ? entry
      : problemEntry(entry, message('lists.tooManyCommands', { max: MAX_COMMANDS }), entry.draft),
  )
}

const HEADS: readonly [RegExp, ColumnRole][] = [
  [/^(?:key ?2|second(?:ary)?(?: key)?|alt(?:ernat(?:e|ive))?(?: key)?|other key)$/u, 'key2'],
  [
    /^(?:key(?:s|binding|bind)?(?: ?1)?|binding|bind|shortcut|hotkey|default|primary(?: key)?|button|input|press)$/u,
    'key',
  ],
  [/^(?:name|command|action|function|control|what|does|description of command)$/u, 'name'],
  [/^(?:group|category|section|mode|context)$/u, 'group'],
  [/^(?:use|used|type|how)$/u, 'use'],
  [/^(?:importance|priority|important)$/u, 'importance'],
  [/^(?:per hour|presses per hour|uses per hour|frequency)$/u, 'perHour'],
  [/^(?:notes?|comment|description|remarks?)$/u, 'note'],
]

const roleOfHead = (cell: string): ColumnRole | undefined => {
  const head = cell.trim().toLowerCase().replaceAll('_', ' ')
  return HEADS.find(([pattern]) => pattern.test(head))?.[1]
}

/** The column with the most keys has the keys, and the first other one with words has the names. */
function guessColumns(
  rows: readonly ListRow[],
  layout: LayoutId,
): { columns: ColumnRole[]; uncertainOrder: boolean } {
  const width = Math.min(12, Math.max(0, ...rows.map(({ cells }) => cells.length)))
  const counts = Array.from({ length: width }, (_, column) => {
    const cells = rows.flatMap(({ cells: all }) => all[column] ?? []).filter((cell) => cell !== '')
    return {
      column,
      filled: cells.length,
      keys: cells.filter((cell) => isUnbound(cell) || isKeyCell(cell, layout)).length,
      distinct: new Set(cells).size,
    }
  })
  const share = ({ keys, filled }: { keys: number; filled: number }) => (filled === 0 ? 0 : keys / filled)
  const ranked = counts
    .filter(({ filled }) => filled > 0)
    .sort((a, b) => share(b) - share(a) || b.column - a.column)
  const [key, ...others] = ranked
  if (!key || share(key) === 0) return { columns: defaultColumns(width), uncertainOrder: false }
  const columns = Array.from({ length: width }, (): ColumnRole => 'ignored')
  columns[key.column] = 'key'
  // Names differ from line to line; the names of groups repeat.
  const names = others
    .filter((each) => share(each) < 1)
    .sort((a, b) => b.distinct - a.distinct || a.column - b.column)
  const name = names[0] ?? others[0]
  if (name) columns[name.column] = 'name'
  const rest = others.filter(({ column }) => column !== name?.column)
  const second = rest.find((each) => share(each) >= 0.8)
  if (second) columns[second.column] = 'key2'
  const group = rest.find((each) => each !== second && each.distinct <= each.filled / 2)
  if (group) columns[group.column] = 'group'
  return { columns, uncertainOrder: name !== undefined && width === 2 && share(name) === 1 }
}

const FIRST_COLUMNS: readonly ColumnRole[] = ['name', 'key']
const defaultColumns = (width: number): ColumnRole[] =>
  Array.from({ length: width }, (_, column) => FIRST_COLUMNS[column] ?? 'ignored')

function entryOf(
  { line, text, cells }: Pick<ListRow, 'line' | 'text' | 'cells'>,
  columns: readonly ColumnRole[],
  heading: string | undefined,
  layout: LayoutId,
): ListEntry {
  const place = { line, text: text.slice(0, MAX_LINE_CHARACTERS) }
  // Nothing below is asked of a line of any length.
  if (text.length > MAX_LINE_CHARACTERS)
    return problemEntry(place, message('lists.lineTooLong', { max: MAX_LINE_CHARACTERS }))
  const cellOf = (role: ColumnRole) => cells[columns.indexOf(role)]?.trim() ?? ''
  const written = [cellOf('key'), cellOf('key2')].filter((cell) => cell !== '').join(' or ')
  const groupText = cellOf('group') || (heading ?? '')
  const group = cleanName(groupText, MAX_GROUP_NAME_BYTES, '') || undefined
  const name = readableName(cellOf('name'))
  const own = { name, written, ...(group !== undefined && { group }) }
  if (cells.length < 2) return problemEntry(place, message('lists.noSeparator'), own)
  if (name === '') return problemEntry(place, message('lists.noName'), own)
  return readDraft({ ...own, ...detailsOf(cellOf) }, place, layout)
}

const problemEntry = (
  { line, text }: { line: number; text: string },
  problem: MessageFact,
  { name = '', written = '', group }: { name?: string; written?: string; group?: string } = {},
): ListEntry => ({
  kind: 'problem',
  line,
  text,
  name,
  written,
  ...(group !== undefined && { group }),
  problem,
})

/** What a row has besides its name and its keys. */
interface Details {
  use?: CommandUse
  importance?: Importance
  perHour?: number
  note?: string
}

function detailsOf(cellOf: (role: ColumnRole) => string): Details {
  const use = COMMAND_USES.find((each) => each === cellOf('use').toLowerCase())
  const importance = IMPORTANCE[cellOf('importance').toLowerCase()]
  const perHour = /^\d{1,5}$/u.test(cellOf('perHour')) ? Number(cellOf('perHour')) : undefined
  const note = cellOf('note').slice(0, 300)
  return {
    ...(use && { use }),
    ...(importance && { importance }),
    ...(perHour !== undefined && { perHour: Math.min(perHour, 36_000) }),
    ...(note !== '' && { note }),
  }
}

const IMPORTANCE: Record<string, Importance | undefined> = {
  '1': 1,
  '2': 2,
  '3': 3,
  low: 1,
  normal: 2,
  medium: 2,
  high: 3,
  important: 3,
  yes: 3,
}

/** `vent_tanks` and `ventTanks` are names in files; people read “Vent tanks”. */
function readableName(text: string): string {
  const spaced = /^[\p{Ll}\p{N}]+(?:_[\p{L}\p{N}]+)+$/u.test(text)
    ? text.replaceAll('_', ' ')
    : /^\p{Ll}+(?:\p{Lu}\p{Ll}+)+$/u.test(text)
      ? text.replaceAll(/\p{Lu}/gu, (letter) => ` ${letter.toLowerCase()}`)
      : text
  const upper = spaced === text ? text : spaced.charAt(0).toUpperCase() + spaced.slice(1)
  return cleanName(upper, MAX_COMMAND_NAME_BYTES, '')
}

/** Reads the keys of a command as they were written. */
export function readDraft(
  { name, written, group, ...details }: { name: string; written: string; group?: string } & Details,
  place: { line: number; text: string },
  layout: LayoutId,
): ListEntry {
  const failed = (problem: MessageFact) =>
    problemEntry(place, problem, { name, written, ...(group !== undefined && { group }) })
  const parts = isUnbound(written) ? [] : keysIn(written).filter((part) => !isUnbound(part))
  const read = parts.map((part) => readKey(part, layout))
  const problem = read.find((each) => 'problem' in each)
  if (problem && 'problem' in problem) return failed(problem.problem)
  if (read.length > MAX_COMMAND_KEYS) return failed(message('lists.tooManyKeys', { max: MAX_COMMAND_KEYS }))
  const use =
    details.use ?? read.flatMap((each) => ('use' in each && each.use ? [each.use] : []))[0] ?? 'press'
  const keys = read.flatMap((each) => ('key' in each ? [each.key] : []))
  const draft: CommandDraft = {
    name,
    ...(group !== undefined && { group }),
    keys,
    use,
    importance: details.importance ?? 2,
    ...(details.perHour !== undefined && { perHour: details.perHour }),
    ...(details.note !== undefined && { note: details.note }),
  }
  const unclear = read.find((each) => 'options' in each)
  return unclear && 'options' in unclear
    ? { kind: 'question', ...place, draft, written, options: unclear.options }
    : { kind: 'command', ...place, draft }
}
