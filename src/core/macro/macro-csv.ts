import Papa from 'papaparse'
import { ProfileError } from '../profile/schema'
import { emptyMacro, parseMacro, type Macro, type MacroEvent } from './macro'
import { eachOf, within } from './refusals'

/** Macros as a table for a spreadsheet (docs/file-formats.md, "Macros"). */

const COLUMNS = ['macro', 'wait ms', 'does', 'what']

/** One event a row; a macro within a macro goes by its name. */
export function macrosToCsv(macros: readonly Macro[], nameOf: (id: string) => string | undefined): string {
  const rows = macros.flatMap(({ name, events }) =>
    events.map((event) => [name, event.afterMs, ...eventCells(event, nameOf)]),
  )
  return `${Papa.unparse([COLUMNS, ...rows], { newline: '\n' })}\n`
}

/**
 * Reads a table with the columns `macro`, `wait ms`, `does` and `what`. Rows of one name are one macro.
 *
 * @param idOf the macro of a name, in the library; those of the table itself come first
 * @param newId an id for each macro of the table
 * @throws ProfileError that names the rows, counted as a spreadsheet does
 */
export function macrosFromCsv(
  text: string,
  idOf: (name: string) => string | undefined,
  newId: () => string,
): Macro[] {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), {
    skipEmptyLines: false,
    delimiter: delimiterOf(text),
  })
  const [error] = errors
  if (error) throw new ProfileError([`row ${(error.row ?? 0) + 1}: ${error.message}`])
  const head = data[0]?.map((cell) => cell.trim().toLowerCase()) ?? []
  if (COLUMNS.some((column, index) => head[index] !== column))
    throw new ProfileError([`row 1: the columns ${COLUMNS.join(', ')} are due`])
  const rows = data.slice(1).flatMap((cells, index) => {
    const [name = '', ...rest] = cells.map((cell) => cell.trim())
    return cells.every((cell) => cell.trim() === '')
      ? []
      : [{ row: index + 2, name, rest, last: cells[3] ?? '' }]
  })
  const ids = new Map([...new Set(rows.map(({ name }) => name))].map((name) => [name, newId()]))
  const named = (name: string) => ids.get(name) ?? idOf(name)
  const events = eachOf(rows, ({ row, name, rest: [wait, does], last }) =>
    within(`row ${row}`, () => ({ name, event: eventOf(wait ?? '', does ?? '', last, named) })),
  )
  return [...ids].map(([name, id]) =>
    within(`“${name}”`, () =>
      parseMacro({
        ...emptyMacro(id, name),
        events: events.flatMap((each) => (each.name === name ? [each.event] : [])),
      }),
    ),
  )
}

/** Spreadsheets of some countries part cells with a semicolon. */
const delimiterOf = (text: string): string => (/^\ufeff?"?macro"?;/i.test(text) ? ';' : ',')

function eventCells(
  event: MacroEvent,
  nameOf: (id: string) => string | undefined,
): [does: string, what: string] {
  switch (event.kind) {
    case 'key':
      return [event.does, event.code]
    case 'button':
      return [event.does, `button ${event.button}`]
    case 'control':
      return ['control', event.control]
    case 'wheel':
      return ['turn', `${event.detents} ${event.sideways}`]
    case 'move':
      return ['move', `${event.x} ${event.y}`]
    case 'text':
      return ['type', event.text]
    case 'pause':
      return ['wait', `${event.fromMs} ${event.toMs}`]
    case 'macro':
      return ['play', nameOf(event.macro) ?? event.macro]
    case 'signal':
      return ['signal', event.colour]
    case 'step':
      return ['step', event.to]
    case 'layer':
      return ['layer', String(event.layer)]
    case 'code':
      return ['code', event.bytes]
  }
}

/** What a row says, for the gate to judge. */
function eventOf(wait: string, does: string, cell: string, idOf: (name: string) => string | undefined) {
  const afterMs = numbersOf(wait, 1, 'wait ms')[0]
  const what = cell.trim()
  switch (does.toLowerCase()) {
    case 'press':
    case 'release': {
      const button = /^button (\d+)$/i.exec(what)?.[1]
      const held = button ? { kind: 'button', button: Number(button) } : { kind: 'key', code: what }
      return { ...held, does: does.toLowerCase(), afterMs }
    }
    case 'control':
      return { kind: 'control', control: what, afterMs }
    case 'turn': {
      const [detents, sideways] = numbersOf(what, 2, 'what')
      return { kind: 'wheel', detents, sideways, afterMs }
    }
    case 'move': {
      const [x, y] = numbersOf(what, 2, 'what')
      return { kind: 'move', x, y, afterMs }
    }
    case 'type':
      return { kind: 'text', text: cell, afterMs }
    case 'wait': {
      const [fromMs, toMs] = numbersOf(what, 2, 'what')
      return { kind: 'pause', fromMs, toMs, afterMs }
    }
    case 'play':
      return { kind: 'macro', macro: idOf(what) ?? what, afterMs }
    case 'signal':
      return { kind: 'signal', colour: what, afterMs }
    case 'step':
      return { kind: 'step', to: what, afterMs }
    case 'layer':
      return { kind: 'layer', layer: numbersOf(what, 1, 'what')[0], afterMs }
    case 'code':
      return { kind: 'code', bytes: what, afterMs }
    default:
      throw new ProfileError([
        `does: “${does}” is none of press, release, control, turn, move, type, wait, play, signal, step, layer and code`,
      ])
  }
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
