import { array, object, string, ValidationError, type InferType, type Schema } from 'yup'
import { BUTTON_COUNT } from '../hid/button-page'
import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { LONE_SURROGATE, MOST_TEXT, MOST_UPPER_LAYERS, wholeText } from '../profile/action-schema'
import { ProfileError } from '../profile/schema'
import { colour, kindOf, literal, oneOf, whole } from '../profile/schema-parts'

/**
 * A macro: what happens, one event after the other, each so long after the one before it. It belongs to the
 * library and is used by bindings of any profile.
 */
export interface Macro {
  format: 'unisera-macro'
  version: 1
  /** Names it in profiles; stays the same under any name. */
  id: string
  name: string
  tags: string[]
  events: MacroEvent[]
}

export type MacroEvent = EventDoes & { afterMs: number }

export const MOST_EVENTS = 20_000
export const MOST_AFTER_MS = 600_000
export const MOST_MACRO_NAME_BYTES = 32

const afterMs = () => whole('a time in ms').min(0).max(MOST_AFTER_MS)
const keyEvent = object({
  ...{ kind: literal('key'), afterMs: afterMs() },
  code: string()
    .strict()
    .required('${path} is missing: the `code` of a key')
    .test(
      'key',
      '${path}: "${value}" is not the code of a key that can be sent',
      (value) => !!keyByCode(value),
    ),
  does: oneOf('press', 'release'),
}).noUnknown()
const buttonEvent = object({
  ...{ kind: literal('button'), afterMs: afterMs(), does: oneOf('press', 'release') },
  button: whole('a mouse button').min(1).max(BUTTON_COUNT),
}).noUnknown()
const controlEvent = object({
  ...{ kind: literal('control'), afterMs: afterMs() },
  control: string()
    .strict()
    .required('${path} is missing')
    .test(
      'control',
      '${path}: "${value}" is not a control that can be sent',
      (value) => !!consumerById(value),
    ),
}).noUnknown()
const wheelEvent = object({
  ...{ kind: literal('wheel'), afterMs: afterMs() },
  detents: whole('an amount of detents').min(-100).max(100),
  sideways: whole('an amount of detents').min(-100).max(100),
}).noUnknown()
const moveEvent = object({
  ...{ kind: literal('move'), afterMs: afterMs() },
  x: whole('counts').min(-32_767).max(32_767),
  y: whole('counts').min(-32_767).max(32_767),
}).noUnknown()
const textEvent = object({
  kind: literal('text'),
  afterMs: afterMs(),
  text: wholeText(MOST_TEXT),
}).noUnknown()
const pauseEvent = object({
  ...{ kind: literal('pause'), afterMs: afterMs() },
  fromMs: afterMs(),
  toMs: afterMs(),
})
  .noUnknown()
  .test('order', '${path} ends before it begins', ({ fromMs, toMs }) => fromMs <= toMs)
const macroEvent = object({
  ...{ kind: literal('macro'), afterMs: afterMs(), macro: string().strict().required('${path} is missing') },
}).noUnknown()
const signalEvent = object({ kind: literal('signal'), afterMs: afterMs(), colour: colour() }).noUnknown()
const stepEvent = object({
  ...{ kind: literal('step'), afterMs: afterMs(), to: oneOf('next', 'previous') },
}).noUnknown()
const layerEvent = object({
  ...{ kind: literal('layer'), afterMs: afterMs(), layer: whole('a layer').min(1).max(MOST_UPPER_LAYERS) },
}).noUnknown()

type EventDoes = Without<
  | InferType<typeof keyEvent>
  | InferType<typeof buttonEvent>
  | InferType<typeof controlEvent>
  | InferType<typeof wheelEvent>
  | InferType<typeof moveEvent>
  | InferType<typeof textEvent>
  | InferType<typeof pauseEvent>
  | InferType<typeof macroEvent>
  | InferType<typeof signalEvent>
  | InferType<typeof stepEvent>
  | InferType<typeof layerEvent>
>
type Without<Event> = Event extends unknown ? Omit<Event, 'afterMs'> : never

const eventSchemas: Record<MacroEvent['kind'], Schema> = {
  ...{ key: keyEvent, button: buttonEvent, control: controlEvent, wheel: wheelEvent, move: moveEvent },
  ...{ text: textEvent, pause: pauseEvent, macro: macroEvent, signal: signalEvent, step: stepEvent },
  layer: layerEvent,
}

export const macroNameSchema = string()
  .strict()
  .required('a macro needs a name')
  .test('unicode', 'the name holds half a character; type it again', (value) => !LONE_SURROGATE.test(value))
  .test('blank', 'a macro needs a name that is more than spaces', (value) => value.trim() !== '')
  .test(
    'bytes',
    `the name is too long: ${MOST_MACRO_NAME_BYTES} bytes at most`,
    (value) => new TextEncoder().encode(value).length <= MOST_MACRO_NAME_BYTES,
  )

const macroShape = object({
  format: literal('unisera-macro'),
  version: whole('a version').oneOf([1], 'version ${value} is later than this Unisera reads (1)'),
  id: string()
    .strict()
    .required('${path} is missing')
    .matches(/^[\w-]{1,64}$/, '${path}: "${value}" is not an id of letters, digits and hyphens'),
  name: macroNameSchema,
  tags: array(wholeText(40)).strict().required('${path} is missing: a list, empty for none').max(20),
  events: array(kindOf('event', eventSchemas))
    .strict()
    .required('${path} is missing: a list, empty for none')
    .max(MOST_EVENTS, `\${path} has more than ${MOST_EVENTS} events`),
}).noUnknown('${path} holds ${unknown}, which a macro does not have')

/** Takes anything and returns a macro, or says all that is wrong with it. @throws ProfileError */
export function parseMacro(value: unknown): Macro {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new ProfileError(['this is no macro: a JSON object is due'])
  try {
    const macro: Macro = macroShape.validateSync(value, { strict: true, abortEarly: false }) as Macro
    return macro
  } catch (error) {
    if (error instanceof ValidationError) throw new ProfileError([...new Set(error.errors)])
    throw error
  }
}

/** A macro in which nothing happens yet. */
export const emptyMacro = (id: string, name: string): Macro => ({
  ...{ format: 'unisera-macro', version: 1, id, name, tags: [], events: [] },
})

/** Macros by their ids. */
export type MacroShelf = ReadonlyMap<string, Macro>
export const EMPTY_SHELF: MacroShelf = new Map()

export const shelfOf = (macros: readonly Macro[]): MacroShelf =>
  new Map(macros.map((macro) => [macro.id, macro]))

/** Ids of the macros that one plays, and they in turn; a macro that would play itself is told as a circle. */
export function macrosWithin(
  id: string,
  shelf: MacroShelf,
  path: readonly string[] = [],
): { ids: Set<string>; circle?: string[] } {
  if (path.includes(id)) return { ids: new Set(), circle: [...path.slice(path.indexOf(id)), id] }
  const ids = new Set<string>()
  for (const event of shelf.get(id)?.events ?? []) {
    if (event.kind !== 'macro') continue
    ids.add(event.macro)
    const inner = macrosWithin(event.macro, shelf, [...path, id])
    if (inner.circle) return inner
    for (const each of inner.ids) ids.add(each)
  }
  return { ids }
}
