import { object, string, type AnyObjectSchema, type InferType } from 'yup'
import { fromHex, toHex } from '../base/colour'
import type { ComputerSetUp } from '../computer/shortcuts'
import { typedBy, typeText } from '../computer/typing'
import { BUTTON_COUNT } from '../hid/button-page'
import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { keyByCode, keyByUsage } from '../hid/keyboard-page'
import { MOST_UPPER_LAYERS } from '../onboard/image'
import type { MacroOp } from '../onboard/macro-ops'
import { MOST_TEXT } from './worded-actions'
import { colour, hexBytes, oneOf, whole, wholeText } from './schema-parts'

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

/** A kind of event of a macro, in one place but for its words (text/event-text.ts). */
interface EventKind<S extends AnyObjectSchema> {
  /** What it says beside when: the gate. */
  says: S
  row(event: InferType<S>, nameOf: (id: string) => string | undefined): Row
  /** What a table says it does, in small letters, and the event such a row is; the gate judges it. */
  rows?: readonly string[]
  read?(cell: Cell, does: string): object
  /** In the device's terms. @throws RangeError for a text the layout cannot type */
  lower?(event: InferType<S>, on: ComputerSetUp, down: Down): MacroOp[]
  raise?: Raise<InferType<S>>
  /** Whether the gate lets through what a device's code was raised to, where it does more than a person can say. */
  fits?(event: InferType<S>): boolean
}

interface Raise<E> {
  from: MacroOp['kind']
  /** Nothing for what no event says. */
  as(op: MacroOp, down: Down, on: ComputerSetUp): E | undefined
}

const event = <S extends AnyObjectSchema>(kind: EventKind<S>): EventKind<S> => kind

/** The operation it comes from, with its own type. */
const from = <K extends MacroOp['kind'], E>(
  kind: K,
  as: (op: Extract<MacroOp, { kind: K }>, down: Down, on: ComputerSetUp) => E | undefined,
): Raise<E> => ({ from: kind, as: (op, down, on) => as(op as Extract<MacroOp, { kind: K }>, down, on) })

/** A time of an event, in ms. */
export const timeInMs = () => whole('a time in ms').min(0).max(MOST_AFTER_MS)
const detents = () => whole('an amount of detents').min(-MOST_DETENTS).max(MOST_DETENTS)
const counts = () => whole('counts').min(-MOST_COUNTS).max(MOST_COUNTS)
const pressOrRelease = () => oneOf('press', 'release')

/** Every event there is. A new one is an entry here, its operation if it has one of its own, and its words. */
export const EVENTS = {
  key: event({
    says: object({
      code: string()
        .strict()
        .required('${path} is missing: the `code` of a key')
        .test(
          'key',
          '${path}: "${value}" is not the code of a key that can be sent',
          (value) => !!keyByCode(value),
        ),
      does: pressOrRelease(),
    }),
    row: ({ does, code }) => ({ does, what: code }),
    lower: ({ code, does }, _, down) =>
      changes(code, does, down) ? [{ kind: 'key', usage: keyByCode(code)?.usage ?? 0 }] : [],
    raise: from('key', ({ usage }, down) => {
      const code = keyByUsage(usage)?.code
      return code === undefined ? undefined : { code, does: toggled(code, down) }
    }),
  }),
  button: event({
    says: object({ does: pressOrRelease(), button: whole('a mouse button').min(1).max(BUTTON_COUNT) }),
    row: ({ does, button }) => ({ does, what: `button ${button}` }),
    // Of keys as well: a table parts them by what is pressed.
    rows: ['press', 'release'],
    read({ text }, does) {
      const button = /^button (\d+)$/i.exec(text)?.[1]
      return button ? { button: Number(button), does } : { kind: 'key', code: text, does }
    },
    lower: ({ button, does }, _, down) =>
      changes(`button ${button}`, does, down) ? [{ kind: 'button', button }] : [],
    raise: from('button', ({ button }, down) => ({ button, does: toggled(`button ${button}`, down) })),
  }),
  control: event({
    says: object({
      control: string()
        .strict()
        .required('${path} is missing')
        .test(
          'control',
          '${path}: "${value}" is not a control that can be sent',
          (value) => !!consumerById(value),
        ),
    }),
    row: ({ control }) => ({ does: 'control', what: control }),
    rows: ['control'],
    read: ({ text }) => ({ control: text }),
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
    says: object({ detents: detents(), sideways: detents() }),
    row: ({ detents, sideways }) => ({ does: 'turn', what: `${detents} ${sideways}` }),
    rows: ['turn'],
    read(cell) {
      const [detents, sideways] = cell.numbers(2)
      return { detents, sideways }
    },
    lower: ({ detents, sideways }) => [{ kind: 'wheel', wheel: detents, pan: sideways }],
    raise: from('wheel', ({ wheel, pan }) => ({ detents: wheel, sideways: pan })),
    fits: ({ detents, sideways }) => Math.max(Math.abs(detents), Math.abs(sideways)) <= MOST_DETENTS,
  }),
  move: event({
    says: object({ x: counts(), y: counts() }),
    row: ({ x, y }) => ({ does: 'move', what: `${x} ${y}` }),
    rows: ['move'],
    read(cell) {
      const [x, y] = cell.numbers(2)
      return { x, y }
    },
    lower: ({ x, y }) => [{ kind: 'move', x, y }],
    raise: from('move', ({ x, y }) => ({ x, y })),
    fits: ({ x, y }) => Math.max(Math.abs(x), Math.abs(y)) <= MOST_COUNTS,
  }),
  text: event({
    says: object({ text: wholeText(MOST_TEXT) }),
    row: ({ text }) => ({ does: 'type', what: text, free: true }),
    rows: ['type'],
    read: ({ written }) => ({ text: written }),
    lower: ({ text }, on) => [{ kind: 'strokes', strokes: typeText(text, on) }],
    raise: from('strokes', ({ strokes }, _, on) => ({ text: typedBy(strokes, on) })),
    fits: ({ text }) => text !== '' && text.length <= MOST_TEXT,
  }),
  pause: event({
    says: object({ fromMs: timeInMs(), toMs: timeInMs() }).test(
      'order',
      '${path} ends before it begins',
      ({ fromMs, toMs }) => fromMs <= toMs,
    ),
    row: ({ fromMs, toMs }) => ({ does: 'wait', what: `${fromMs} ${toMs}` }),
    rows: ['wait'],
    read(cell) {
      const [fromMs, toMs] = cell.numbers(2)
      return { fromMs, toMs }
    },
    lower: ({ fromMs, toMs }) =>
      fromMs === toMs ? [{ kind: 'wait', ms: fromMs }] : [{ kind: 'random-wait', fromMs, toMs }],
    raise: from('random-wait', ({ fromMs, toMs }) => ({ fromMs, toMs })),
    fits: ({ toMs }) => toMs <= MOST_AFTER_MS,
  }),
  /** Another macro of the library, written out in it. */
  macro: event({
    says: object({ macro: string().strict().required('${path} is missing') }),
    row: ({ macro }, nameOf) => ({ does: 'play', what: nameOf(macro) ?? macro, free: true }),
    rows: ['play'],
    read: ({ text, written, idOf }) => ({ macro: idOf(written) ?? idOf(text) ?? text }),
  }),
  signal: event({
    says: object({ colour: colour() }),
    row: ({ colour }) => ({ does: 'signal', what: colour }),
    rows: ['signal'],
    read: ({ text }) => ({ colour: text }),
    lower: ({ colour }) => [{ kind: 'signal', colour: fromHex(colour) }],
    raise: from('signal', ({ colour }) => ({ colour: toHex(colour) })),
  }),
  step: event({
    says: object({ to: oneOf('next', 'previous') }),
    row: ({ to }) => ({ does: 'step', what: to }),
    rows: ['step'],
    read: ({ text }) => ({ to: text }),
    lower: ({ to }) => [{ kind: 'step', to }],
    raise: from('step', ({ to }) => (to === 'next' || to === 'previous' ? { to } : undefined)),
  }),
  layer: event({
    says: object({ layer: whole('a layer').min(1).max(MOST_UPPER_LAYERS) }),
    row: ({ layer }) => ({ does: 'layer', what: String(layer) }),
    rows: ['layer'],
    read: (cell) => ({ layer: cell.numbers(1)[0] }),
    lower: ({ layer }) => [{ kind: 'layer', layer }],
    raise: from('layer', ({ layer }) => ({ layer })),
  }),
  /** The device's own code, where no events say the same: alone in its macro, kept byte for byte. */
  code: event({
    says: object({ bytes: hexBytes() }),
    row: ({ bytes }) => ({ does: 'code', what: bytes }),
    rows: ['code'],
    read: ({ text }) => ({ bytes: text }),
  }),
}

export type EventName = keyof typeof EVENTS
/** What an event does, whenever it happens. */
export type EventDoes = {
  [Name in EventName]: { kind: Name } & InferType<(typeof EVENTS)[Name]['says']>
}[EventName]

/** Name and values belong together by their type; the compiler cannot follow that through a table. */
export const eventKind = (name: EventName): EventKind<AnyObjectSchema> =>
  EVENTS[name] as unknown as EventKind<AnyObjectSchema>

const NAMES = Object.keys(EVENTS) as EventName[]
const RAISED = new Map(NAMES.map((name) => [eventKind(name).raise?.from, name] as const))
const BY_ROW = new Map(
  NAMES.flatMap((name) => (eventKind(name).rows ?? []).map((does) => [does, name] as const)),
)

/** The event an operation comes from; nothing for a wait, a repeat, and what no event says. */
export function raisedEvent(op: MacroOp, down: Down, on: ComputerSetUp): EventDoes | undefined {
  const kind = RAISED.get(op.kind)
  const says = kind && eventKind(kind).raise?.as(op, down, on)
  return says && ({ kind, ...says } as EventDoes)
}

/** The event of a row that does this, or undefined where no row does. */
export function readEvent(does: string, cell: Cell): object | undefined {
  const kind = BY_ROW.get(does)
  return kind && { kind, ...eventKind(kind).read?.(cell, does) }
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
