import { itemAt } from '../base/items'
import { keysOf } from '../base/tables'
import type { Parameters } from '../base/parameters'
import { isModifierCode, keyByCode } from '../hid/keyboard-page'
import { commandKeyId } from './command-key-id'
import { SCROLL_DIRECTIONS, type CommandKey } from './command-key'
import { eventKind, type EventContent, type EventName } from './event-kinds'

/** Events as table rows, which only files of macros need. */

/** The last cell of a table row, and ways to parse it. */
export interface Cell {
  /** Without surrounding spaces. */
  text: string
  /** As it was before it was protected from being read as a formula. */
  written: string
  /** Integers separated by spaces; the last value is used for missing ones. @throws ProfileError */
  numbers(count: number): number[]
  /** The id of a macro by its name. */
  idOf(name: string): string | undefined
}

/** The cell of an event in a table. */
export interface Row {
  does: string
  what: string
  /** Text that a person entered, which a spreadsheet must not read as a formula. */
  free?: true
}

/** The verb of the row of each kind; its values follow. Keys and buttons share two verbs. */
const ROW_WORDS: Record<Exclude<EventName, 'key' | 'button'>, string> = {
  control: 'control',
  wheel: 'turn',
  move: 'move',
  text: 'type',
  pause: 'wait',
  command: 'command',
  macro: 'play',
  signal: 'signal',
  step: 'step',
  layer: 'layer',
  code: 'code',
}

const BY_ROW: ReadonlyMap<string, EventName> = new Map([
  ['press', 'button'],
  ['release', 'button'],
  ...keysOf(ROW_WORDS).map((name): [string, EventName] => [ROW_WORDS[name], name]),
])

/** An event as a table row; a macro is written by its name. */
export function eventRow(event: EventContent, nameOf: (id: string) => string | undefined): Row {
  if (event.kind === 'command') return commandRow(event)
  if (event.kind === 'key') return { does: event.does, what: event.code }
  if (event.kind === 'button') return { does: event.does, what: `button ${event.button}` }
  const { parameters } = eventKind(event.kind)
  const values = Object.entries(parameters).map(([name, { kind }]) => {
    const value = String(Reflect.get(event, name))
    return kind === 'macro' ? (nameOf(value) ?? value) : value
  })
  const free = Object.values(parameters).some(({ kind }) => kind === 'text' || kind === 'macro')
  return { does: ROW_WORDS[event.kind], what: values.join(' '), ...(free && { free }) }
}

/** The event of a row with this verb, or undefined for an unknown verb. */
export function readEvent(does: string, cell: Cell): object | undefined {
  const kind = BY_ROW.get(does)
  if (!kind) return undefined
  if (kind === 'command') return { kind, ...readCommandRow(cell) }
  if (kind === 'button') return pressRow(cell, does)
  return { kind, ...valuesOf(eventKind(kind).parameters, cell) }
}

/** A key or a button, distinguished by what is pressed. */
function pressRow({ text }: Cell, does: string): object {
  const button = /^button (\d+)$/i.exec(text)?.[1]
  return button ? { kind: 'button', button: Number(button), does } : { kind: 'key', code: text, does }
}

function valuesOf(parameters: Parameters, cell: Cell): object {
  const names = Object.keys(parameters)
  const [first] = Object.values(parameters)
  switch (first?.kind) {
    case 'number':
    case 'layer': {
      const numbers = cell.numbers(names.length)
      return Object.fromEntries(names.map((name, index) => [name, numbers[index]]))
    }
    case 'text':
      return { [itemAt(names, 0)]: cell.written }
    case 'macro':
      return { [itemAt(names, 0)]: cell.idOf(cell.written) ?? cell.idOf(cell.text) ?? cell.text }
    default:
      return { [itemAt(names, 0)]: cell.text }
  }
}

/** Verbs of table rows. */
export const ROW_VERBS: readonly string[] = [...BY_ROW.keys()]

/** A command by its ids, its key and its name. */
const commandRow = ({ program, command, name, key }: Extract<EventContent, { kind: 'command' }>): Row => ({
  does: 'command',
  what: [program, command, key ? commandKeyId(key) : '-', name].join(' '),
})

/** `brinewatch vent-tanks KeyV Vent tanks`: the ids of the program and the command, its key or `-`, and its name. */
function readCommandRow({ text }: Cell): object {
  const [program, command, id = '', ...name] = text.split(' ')
  const key = parseCommandKeyId(id)
  return { program, command, name: name.join(' '), ...(key && { key }) }
}

/** The reverse of {@link commandKeyId}; undefined for any other text. */
function parseCommandKeyId(id: string): CommandKey | undefined {
  const button = /^button-([1-8])$/.exec(id)?.[1]
  if (button) return { kind: 'button', button: Number(button), clicks: 1 }
  const direction = SCROLL_DIRECTIONS.find((each) => id === `wheel-${each}`)
  if (direction) return { kind: 'scroll', direction, amount: 1 }
  const codes = id.split('+')
  const code = codes.pop() ?? ''
  return keyByCode(code) && codes.every(isModifierCode) ? { kind: 'key', code, modifiers: codes } : undefined
}
