import { definitionIn, keysOf, ofKind } from '../base/tables'
import { object, type Schema } from 'yup'
import { fromHex, toHex } from '../base/colour'
import type { NumberParameter, Parameters } from '../base/parameters'
import { FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'
import type { TargetComputer } from '../computer/shortcuts'
import { textOfStrokes, typeText } from '../computer/typing'
import { BUTTON_COUNT } from '../hid/button-page'
import { consumerById, consumerByUsage } from '../hid/consumer-page'
import { keyByCode, keyByUsage } from '../hid/keyboard-page'
import { MAX_UPPER_LAYERS } from '../onboard/image'
import type { MacroOp } from '../onboard/macro-ops'
import { isWithinBounds, parameterSchemas, type DocumentValues } from './parameter-schema'
import { literalSchema, integerSchema, problem } from './schema-parts'
import { DOCUMENT_ACTIONS, lowerCommandKey, MAX_TEXT_CHARACTERS } from './document-actions'
import type { ImageAction } from '../actions/registry'
import { message, type Message } from '../message/message'

export const MAX_DELAY_MS = 600_000
export const MAX_DETENTS = 100
export const MAX_COUNTS = 32_767

/** Keys and buttons that are down at this point of a macro; byte code toggles them. */
export type PressedKeys = Set<string>

/**
 * Everything about a kind of macro event except its texts (text/event-text.ts). Its schema, its table row, its control,
 * and the validation of events raised from device code are derived from its parameters.
 */
export interface EventKind<Ps extends Parameters = Parameters> {
  /** The first firmware that supports its operation. */
  since: FirmwareVersion
  /** Its parameters besides the delay. */
  parameters: Ps
  /** Why its values conflict, although each is within its bounds. */
  refuses?(values: DocumentValues<Ps>): Message | undefined
  /** In the device's terms. @throws LoweringError for a text the layout cannot type */
  lower?(event: DocumentValues<Ps>, on: TargetComputer, down: PressedKeys): MacroOp[]
  raise?: Raise<DocumentValues<Ps>>
}

interface Raise<E> {
  from: MacroOp['kind']
  /** Missing if no event corresponds to the operation. */
  as(op: MacroOp, down: PressedKeys, on: TargetComputer): E | undefined
}

const event = <const Ps extends Parameters>(kind: EventKind<Ps>): EventKind<Ps> => kind

/** The operation it is raised from, with its own type. */
const from = <K extends MacroOp['kind'], E>(
  kind: K,
  as: (op: Extract<MacroOp, { kind: K }>, down: PressedKeys, on: TargetComputer) => E | undefined,
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the registry looks it up by the kind of the operation
): Raise<E> => ({ from: kind, as: (op, down, on) => as(op as Extract<MacroOp, { kind: K }>, down, on) })

/** A time of an event, in ms. */
export const timeInMs = () => integerSchema().min(0).max(MAX_DELAY_MS)
const TIME = { kind: 'number', min: 0, max: MAX_DELAY_MS, unit: 'ms' } as const satisfies NumberParameter
const DETENTS = {
  kind: 'number',
  min: -MAX_DETENTS,
  max: MAX_DETENTS,
} as const satisfies NumberParameter
const COUNTS = { kind: 'number', min: -MAX_COUNTS, max: MAX_COUNTS } as const satisfies NumberParameter
const PRESS_OR_RELEASE = { kind: 'choice', of: ['press', 'release'] } as const

/** All events. A new one is an entry here, its operation if it needs one, and its words. */
export const EVENTS = {
  key: event({
    since: FIRST_FIRMWARE,
    parameters: { code: { kind: 'key' }, does: PRESS_OR_RELEASE },
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
      button: { kind: 'number', min: 1, max: BUTTON_COUNT },
    },
    lower: ({ button, does }, _, down) =>
      changes(`button ${button}`, does, down) ? [{ kind: 'button', button }] : [],
    raise: from('button', ({ button }, down) => ({ button, does: toggled(`button ${button}`, down) })),
  }),
  control: event({
    since: FIRST_FIRMWARE,
    parameters: { control: { kind: 'control' } },
    lower({ control }) {
      const op: MacroOp = { kind: 'consumer', usage: consumerById(control)?.usage ?? 0 }
      return [op, op]
    },
    // A control is pressed and released at once; only the press is an event.
    raise: from('consumer', ({ usage }, down) => {
      const control = consumerByUsage(usage)?.id
      const does = toggled(`control ${usage}`, down)
      return control && does === 'press' ? { control } : undefined
    }),
  }),
  wheel: event({
    since: FIRST_FIRMWARE,
    parameters: { detents: DETENTS, sideways: DETENTS },
    lower: ({ detents, sideways }) => [{ kind: 'wheel', wheel: detents, pan: sideways }],
    raise: from('wheel', ({ wheel, pan }) => ({ detents: wheel, sideways: pan })),
  }),
  move: event({
    since: FIRST_FIRMWARE,
    parameters: { x: COUNTS, y: COUNTS },
    lower: ({ x, y }) => [{ kind: 'move', x, y }],
    raise: from('move', ({ x, y }) => ({ x, y })),
  }),
  text: event({
    since: FIRST_FIRMWARE,
    parameters: { text: { kind: 'text', max: MAX_TEXT_CHARACTERS } },
    lower: ({ text }, on) => [{ kind: 'strokes', strokes: typeText(text, on) }],
    raise: from('strokes', ({ strokes }, _, on) => ({ text: textOfStrokes(strokes, on) })),
  }),
  pause: event({
    since: FIRST_FIRMWARE,
    parameters: { fromMs: TIME, toMs: TIME },
    refuses: ({ fromMs, toMs }) => (fromMs > toMs ? message('problems.endsBeforeStart') : undefined),
    lower: ({ fromMs, toMs }) =>
      fromMs === toMs ? [{ kind: 'wait', ms: fromMs }] : [{ kind: 'random-wait', fromMs, toMs }],
    raise: from('random-wait', ({ fromMs, toMs }) => ({ fromMs, toMs })),
  }),
  /** A command of a program: its key is tapped. */
  command: event({
    since: FIRST_FIRMWARE,
    parameters: DOCUMENT_ACTIONS.command.parameters,
    // The checks report a command without a key.
    lower: ({ name, key }, on) => (key ? tapOperations(lowerCommandKey(name, key, on)) : []),
  }),
  /** Another macro of the library, expanded in place. */
  macro: event({
    since: FIRST_FIRMWARE,
    parameters: { macro: { kind: 'macro', min: 1, max: 255 } },
  }),
  signal: event({
    since: FIRST_FIRMWARE,
    parameters: { colour: { kind: 'colour' } },
    lower: ({ colour }) => [{ kind: 'signal', colour: fromHex(colour) }],
    raise: from('signal', ({ colour }) => ({ colour: toHex(colour) })),
  }),
  step: event({
    since: FIRST_FIRMWARE,
    parameters: { to: { kind: 'choice', of: ['next', 'previous'] } },
    lower: ({ to }) => [{ kind: 'step', to }],
    raise: from('step', ({ to }) => (to === 'next' || to === 'previous' ? { to } : undefined)),
  }),
  layer: event({
    since: FIRST_FIRMWARE,
    parameters: { layer: { kind: 'layer', min: 1, max: MAX_UPPER_LAYERS } },
    lower: ({ layer }) => [{ kind: 'layer', layer }],
    raise: from('layer', ({ layer }) => ({ layer })),
  }),
  /** Device code that no events can express: the only event of its macro, kept byte for byte. */
  code: event({
    since: FIRST_FIRMWARE,
    parameters: { bytes: { kind: 'bytes' } },
  }),
} as const

export type EventName = keyof typeof EVENTS
/** An event without its delay. */
export type EventContent = {
  [Name in EventName]: { kind: Name } & DocumentValues<(typeof EVENTS)[Name]['parameters']>
}[EventName]

/** The definition of an event by its name. */
export const eventKind = (name: EventName): EventKind => definitionIn(EVENTS, name)

export const EVENT_NAMES = keysOf(EVENTS)
const RAISED = new Map(EVENT_NAMES.map((name) => [eventKind(name).raise?.from, name] as const))
/** The schema of an event, including its delay. */
export function eventSchema(name: EventName): Schema {
  const { parameters, refuses } = eventKind(name)
  const schema = object({
    ...parameterSchemas(parameters),
    kind: literalSchema(name),
    afterMs: timeInMs(),
  }).noUnknown()
  return refuses
    ? schema.test('together', (value, { createError }) => {
        const values: DocumentValues<Parameters> = Object(value)
        const why = refuses(values)
        return why === undefined || createError({ message: problem(why) })
      })
    : schema
}

/** Whether an event raised from device code is valid: the device can do more than documents. */
export const isInBounds = (event: EventContent): boolean =>
  Object.entries(eventKind(event.kind).parameters).every(([name, parameter]) =>
    isWithinBounds(parameter, Reflect.get(event, name)),
  )

/** The event for an operation; none for a delay, a repeat, or an operation without an event. */
export function raiseEvent(op: MacroOp, down: PressedKeys, on: TargetComputer): EventContent | undefined {
  const kind = RAISED.get(op.kind)
  const says = kind && eventKind(kind).raise?.as(op, down, on)
  return says && ofKind<EventContent>(kind, says)
}

/** Presses and releases what an action does, for as long as a press of the device takes. */
function tapOperations(action: ImageAction): MacroOp[] {
  switch (action.kind) {
    case 'key':
      return [
        { kind: 'strokes', strokes: [{ kind: 'tap', usage: action.usage, modifiers: action.modifiers }] },
      ]
    case 'button':
      return [
        { kind: 'button', button: action.button },
        { kind: 'wait', ms: BUTTON_TAP_MS },
        { kind: 'button', button: action.button },
      ]
    case 'scroll':
      return [{ kind: 'wheel', wheel: action.wheel, pan: action.pan }]
    default:
      return []
  }
}

/** As long as the default key hold time, so that a game at 60 frames a second sees a tapped button. */
const BUTTON_TAP_MS = 20

/** Pressing a pressed key, or releasing a released one, is not an event. */
function changes(what: string, does: 'press' | 'release', down: PressedKeys): boolean {
  if ((does === 'press') === down.has(what)) return false
  if (does === 'press') down.add(what)
  else down.delete(what)
  return true
}

function toggled(what: string, down: PressedKeys): 'press' | 'release' {
  if (down.delete(what)) return 'release'
  down.add(what)
  return 'press'
}
