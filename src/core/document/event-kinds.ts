import { definitionIn, keysOf, ofKind } from '../base/tables'
import { object, type Schema } from 'yup'
import { itemAt } from '../base/items'
import { fromHex, toHex } from '../base/colour'
import type { NumberParameter, Parameters } from '../base/parameters'
import { FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import type { ComputerSetUp } from '../computer/shortcuts'
import { typedBy, typeText } from '../computer/typing'
import { BUTTON_COUNT } from '../hid/button-page'
import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { keyByCode, keyByUsage } from '../hid/keyboard-page'
import { MOST_UPPER_LAYERS } from '../onboard/image'
import type { MacroOp } from '../onboard/macro-ops'
import { fits, parameterSchemas, type DocumentValues } from './parameter-schema'
import { literal, whole } from './schema-parts'
import { MOST_TEXT } from './worded-actions'

export const MOST_AFTER_MS = 600_000
export const MOST_DETENTS = 100
export const MOST_COUNTS = 32_767

/** What is down in a macro so far: keys and buttons toggle in byte code. */
export type Down = Set<string>

/** The last cell of a row of a table, and what it may be read as. */
export interface Cell {
  /** Without spaces around. */
  text: string
  /** As it was written, before a spreadsheet could take it for a formula. */
  written: string
  /** Whole numbers parted by spaces; the last stands for those that are missing. @throws ProfileError */
  numbers(count: number): number[]
  /** The id of a macro by its name. */
  idOf(name: string): string | undefined
}

/** What a table shows of an event. */
export interface Row {
  does: string
  what: string
  /** It is a person's own text, which a spreadsheet must not take for a formula. */
  free?: true
}

/**
 * A kind of event of a macro, in one place but for its words (text/event-text.ts). From its parameters are derived its
 * schema, its row in a table, its control, and what the gate lets through of what a device's code was raised to.
 */
export interface EventKind<Ps extends Parameters = Parameters> {
  /** The first firmware that performs what it becomes. */
  since: FirmwareVersion
  /** What it says beside when. */
  parameters: Ps
  /** Why its values do not go together, though each is within its bounds. */
  refuses?(values: DocumentValues<Ps>): string | undefined
  /** What a row of a table says it does, in small letters; its values follow. */
  rowWord?: string
  /** A row, where it is not its word and its values. */
  row?(event: DocumentValues<Ps>): Row
  /** The reverse: each word its rows may begin with, and the event such a row is; the gate judges it. */
  rowsRead?: { words: readonly string[]; read(cell: Cell, does: string): object }
  /** In the device's terms. @throws LoweringError for a text the layout cannot type */
  lower?(event: DocumentValues<Ps>, on: ComputerSetUp, down: Down): MacroOp[]
  raise?: Raise<DocumentValues<Ps>>
}

interface Raise<E> {
  from: MacroOp['kind']
  /** Nothing for what no event says. */
  as(op: MacroOp, down: Down, on: ComputerSetUp): E | undefined
}

const event = <const Ps extends Parameters>(kind: EventKind<Ps>): EventKind<Ps> => kind

/** The operation it comes from, with its own type. */
const from = <K extends MacroOp['kind'], E>(
  kind: K,
  as: (op: Extract<MacroOp, { kind: K }>, down: Down, on: ComputerSetUp) => E | undefined,
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the registry looks it up by the kind of the operation
): Raise<E> => ({ from: kind, as: (op, down, on) => as(op as Extract<MacroOp, { kind: K }>, down, on) })

/** A time of an event, in ms. */
export const timeInMs = () => whole('a time in ms').min(0).max(MOST_AFTER_MS)
const TIME = { kind: 'number', least: 0, most: MOST_AFTER_MS, unit: 'ms' } as const satisfies NumberParameter
const DETENTS = {
  kind: 'number',
  least: -MOST_DETENTS,
  most: MOST_DETENTS,
} as const satisfies NumberParameter
const COUNTS = { kind: 'number', least: -MOST_COUNTS, most: MOST_COUNTS } as const satisfies NumberParameter
const PRESS_OR_RELEASE = { kind: 'choice', of: ['press', 'release'] } as const

/** Every event there is. A new one is an entry here, its operation if it has one of its own, and its words. */
export const EVENTS = {
  key: event({
    since: FIRST_FIRMWARE,
    parameters: { code: { kind: 'key' }, does: PRESS_OR_RELEASE },
    row: ({ does, code }) => ({ does, what: code }),
    lower: ({ code, does }, _, down) =>
      changes(code, does, down) ? [{ kind: 'key', usage: keyByCode(code)?.usage ?? 0 }] : [],
    raise: from('key', ({ usage }, down) => {
      const code = keyByUsage(usage)?.code
      return code === undefined ? undefined : { code, does: toggled(code, down) }
    }),
  }),
  button: event({
    since: FIRST_FIRMWARE,
    parameters: {
      does: PRESS_OR_RELEASE,
      button: { kind: 'number', least: 1, most: BUTTON_COUNT },
    },
    row: ({ does, button }) => ({ does, what: `button ${button}` }),
    // Of keys as well: a table parts them by what is pressed.
    rowsRead: {
      words: ['press', 'release'],
      read({ text }, does) {
        const button = /^button (\d+)$/i.exec(text)?.[1]
        return button ? { button: Number(button), does } : { kind: 'key', code: text, does }
      },
    },
    lower: ({ button, does }, _, down) =>
      changes(`button ${button}`, does, down) ? [{ kind: 'button', button }] : [],
    raise: from('button', ({ button }, down) => ({ button, does: toggled(`button ${button}`, down) })),
  }),
  control: event({
    since: FIRST_FIRMWARE,
    parameters: { control: { kind: 'control' } },
    rowWord: 'control',
    lower({ control }) {
      const op: MacroOp = { kind: 'consumer', usage: consumerById(control)?.usage ?? 0 }
      return [op, op]
    },
    // A control is pressed and let go at once; only the press is an event.
    raise: from('consumer', ({ usage }, down) => {
      const control = consumerByUsage(usage)?.id
      const does = toggled(`control ${usage}`, down)
      return control && does === 'press' ? { control } : undefined
    }),
  }),
  wheel: event({
    since: FIRST_FIRMWARE,
    parameters: { detents: DETENTS, sideways: DETENTS },
    rowWord: 'turn',
    lower: ({ detents, sideways }) => [{ kind: 'wheel', wheel: detents, pan: sideways }],
    raise: from('wheel', ({ wheel, pan }) => ({ detents: wheel, sideways: pan })),
  }),
  move: event({
    since: FIRST_FIRMWARE,
    parameters: { x: COUNTS, y: COUNTS },
    rowWord: 'move',
    lower: ({ x, y }) => [{ kind: 'move', x, y }],
    raise: from('move', ({ x, y }) => ({ x, y })),
  }),
  text: event({
    since: FIRST_FIRMWARE,
    parameters: { text: { kind: 'text', most: MOST_TEXT } },
    rowWord: 'type',
    lower: ({ text }, on) => [{ kind: 'strokes', strokes: typeText(text, on) }],
    raise: from('strokes', ({ strokes }, _, on) => ({ text: typedBy(strokes, on) })),
  }),
  pause: event({
    since: FIRST_FIRMWARE,
    parameters: { fromMs: TIME, toMs: TIME },
    refuses: ({ fromMs, toMs }) => (fromMs > toMs ? 'ends before it begins' : undefined),
    rowWord: 'wait',
    lower: ({ fromMs, toMs }) =>
      fromMs === toMs ? [{ kind: 'wait', ms: fromMs }] : [{ kind: 'random-wait', fromMs, toMs }],
    raise: from('random-wait', ({ fromMs, toMs }) => ({ fromMs, toMs })),
  }),
  /** Another macro of the library, written out in it. */
  macro: event({
    since: FIRST_FIRMWARE,
    parameters: { macro: { kind: 'macro', least: 1, most: 255 } },
    rowWord: 'play',
  }),
  signal: event({
    since: FIRST_FIRMWARE,
    parameters: { colour: { kind: 'colour' } },
    rowWord: 'signal',
    lower: ({ colour }) => [{ kind: 'signal', colour: fromHex(colour) }],
    raise: from('signal', ({ colour }) => ({ colour: toHex(colour) })),
  }),
  step: event({
    since: FIRST_FIRMWARE,
    parameters: { to: { kind: 'choice', of: ['next', 'previous'] } },
    rowWord: 'step',
    lower: ({ to }) => [{ kind: 'step', to }],
    raise: from('step', ({ to }) => (to === 'next' || to === 'previous' ? { to } : undefined)),
  }),
  layer: event({
    since: FIRST_FIRMWARE,
    parameters: { layer: { kind: 'layer', least: 1, most: MOST_UPPER_LAYERS } },
    rowWord: 'layer',
    lower: ({ layer }) => [{ kind: 'layer', layer }],
    raise: from('layer', ({ layer }) => ({ layer })),
  }),
  /** The device's own code, where no events say the same: alone in its macro, kept byte for byte. */
  code: event({
    since: FIRST_FIRMWARE,
    parameters: { bytes: { kind: 'bytes' } },
    rowWord: 'code',
  }),
} as const

export type EventName = keyof typeof EVENTS
/** What an event does, whenever it happens. */
export type EventDoes = {
  [Name in EventName]: { kind: Name } & DocumentValues<(typeof EVENTS)[Name]['parameters']>
}[EventName]

/** An event's definition by its name. */
export const eventKind = (name: EventName): EventKind => definitionIn(EVENTS, name)

export const EVENT_NAMES = keysOf(EVENTS)
const RAISED = new Map(EVENT_NAMES.map((name) => [eventKind(name).raise?.from, name] as const))
const BY_ROW = new Map(
  EVENT_NAMES.flatMap((name) => {
    const { rowWord, rowsRead } = eventKind(name)
    return [...(rowsRead?.words ?? []), ...(rowWord === undefined ? [] : [rowWord])].map(
      (does) => [does, name] as const,
    )
  }),
)

/** The gate for an event, with when it happens. */
export function eventSchema(name: EventName): Schema {
  const { parameters, refuses } = eventKind(name)
  const schema = object({
    ...parameterSchemas(parameters),
    kind: literal(name),
    afterMs: timeInMs(),
  }).noUnknown()
  return refuses
    ? schema.test('together', (value, { createError }) => {
        const values: DocumentValues<Parameters> = Object(value)
        const why = refuses(values)
        return why === undefined || createError({ message: `\${path} ${why}` })
      })
    : schema
}

/** Whether the gate lets an event through that a device's code was raised to: the device may do more. */
export const isInBounds = (event: EventDoes): boolean =>
  Object.entries(eventKind(event.kind).parameters).every(([name, parameter]) =>
    fits(parameter, Reflect.get(event, name)),
  )

/** The event an operation comes from; nothing for a wait, a repeat, and what no event says. */
export function raisedEvent(op: MacroOp, down: Down, on: ComputerSetUp): EventDoes | undefined {
  const kind = RAISED.get(op.kind)
  const says = kind && eventKind(kind).raise?.as(op, down, on)
  return says && ofKind<EventDoes>(kind, says)
}

/** An event as a row of a table; a macro goes by its name. */
export function eventRow(event: EventDoes, nameOf: (id: string) => string | undefined): Row {
  const { parameters, rowWord = event.kind, row } = eventKind(event.kind)
  if (row) return row(event)
  const values = Object.entries(parameters).map(([name, { kind }]) => {
    const value = String(Reflect.get(event, name))
    return kind === 'macro' ? (nameOf(value) ?? value) : value
  })
  const free = Object.values(parameters).some(({ kind }) => kind === 'text' || kind === 'macro')
  return { does: rowWord, what: values.join(' '), ...(free && { free }) }
}

/** The event of a row that does this, or undefined where no row does. */
export function readEvent(does: string, cell: Cell): object | undefined {
  const kind = BY_ROW.get(does)
  if (!kind) return undefined
  const { parameters, rowsRead } = eventKind(kind)
  return {
    kind,
    ...(rowsRead?.words.includes(does) ? rowsRead.read(cell, does) : valuesOf(parameters, cell)),
  }
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

/** What rows of a table may do. */
export const ROW_WORDS: readonly string[] = [...BY_ROW.keys()]

/** A press of what is down, or a release of what is up, says nothing. */
function changes(what: string, does: 'press' | 'release', down: Down): boolean {
  if ((does === 'press') === down.has(what)) return false
  if (does === 'press') down.add(what)
  else down.delete(what)
  return true
}

function toggled(what: string, down: Down): 'press' | 'release' {
  if (down.delete(what)) return 'release'
  down.add(what)
  return 'press'
}
