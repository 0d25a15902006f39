import { array, mixed, object, string, ValidationError } from 'yup'
import { fromHexBytes } from '../base/bytes'
import { MAX_MACRO_NAME_BYTES } from '../base/name-lengths'
import { cleanName, nameProblem } from '../base/names'
import { MAX_PROBLEMS, ProfileError } from '../base/errors'
import { memoizeByObject } from '../base/memoize'
import { EVENT_NAMES, eventSchema, type EventContent } from './event-kinds'
import {
  idSchema,
  isName,
  kindSchemaOf,
  literalSchema,
  MAX_TAG_CHARACTERS,
  tagsSchema,
  integerSchema,
  isNotBlank,
  isShort,
  problem,
  problemsOf,
} from './schema-parts'
import { message, type Message } from '../message/message'

export { MAX_DELAY_MS, type EventContent } from './event-kinds'
/**
 * A macro: events in sequence, each with a delay after the previous one. It belongs to the library, and bindings of any
 * profile can use it.
 */
export interface Macro {
  format: 'unisera-macro'
  version: 3
  /** Identifies it in profiles, regardless of its name. */
  id: string
  name: string
  tags: string[]
  events: MacroEvent[]
}

export type MacroEvent = EventContent & { afterMs: number }

export const MAX_EVENTS = 20_000
export { MAX_MACRO_NAME_BYTES }

/** The schemas of all kinds of events. */
const eventSchemas = Object.fromEntries(EVENT_NAMES.map((name) => [name, eventSchema(name)]))

export const macroNameSchema = string()
  .strict()
  .required(problem(message('problems.noMacroName')))
  .test(isNotBlank)
  .test(isName)
  .test(isShort(MAX_MACRO_NAME_BYTES))

/** Number of events validated at a time; progress is reported in between. */
const CHUNK = 200
/** The events of a macro, and its other fields: together its schema. Use {@link parseMacro} to validate. */
export const eventsSchema = object({ events: array(kindSchemaOf(eventSchemas)).strict().required() })
export const macroShape = object({
  format: literalSchema('unisera-macro'),
  version: integerSchema().oneOf(
    [3],
    problem(({ value }) => message('problems.laterVersion', { max: 3, version: String(value) })),
  ),
  id: idSchema(),
  name: macroNameSchema,
  tags: tagsSchema(),
  events: array(mixed())
    .strict()
    .required(problem(message('problems.missingList')))
    .max(MAX_EVENTS, problem(message('problems.maxEvents', { max: MAX_EVENTS })))
    .test(
      'code',
      problem(message('problems.ownCode')),
      (events: readonly unknown[]) => events.length < 2 || !events.some(isCode),
    ),
}).noUnknown()

const isCode = (event: unknown): boolean =>
  typeof event === 'object' && event !== null && 'kind' in event && event.kind === 'code'

/** The device code that a macro consists of, or undefined for one with events. */
export function deviceCode({ events: [event] }: Pick<Macro, 'events'>): Uint8Array | undefined {
  return event?.kind === 'code' ? fromHexBytes(event.bytes) : undefined
}

/** Version 1 allowed any character in names, and had no device code. Version 2 knew no commands of programs. */
function migratedMacro(value: object): object {
  if ('version' in value && value.version === 2) return { ...value, version: 3 }
  if (!('version' in value) || value.version !== 1) return value
  const { name, tags }: { version: unknown; name?: unknown; tags?: unknown } = value
  const clean = (text: unknown, maxBytes: number, defaultValue: string): unknown =>
    typeof text === 'string' && nameProblem(text) !== undefined
      ? cleanName(text, maxBytes, defaultValue)
      : text
  return {
    ...value,
    version: 3,
    name: clean(name, MAX_MACRO_NAME_BYTES, 'Unnamed'),
    tags: Array.isArray(tags) ? tags.map((tag: unknown) => clean(tag, MAX_TAG_CHARACTERS, 'tag')) : tags,
  }
}

/**
 * Validates any value as a macro, or reports all problems up to a hundred.
 *
 * @param onProgress receives the number of events validated so far
 * @throws ProfileError
 */
export function parseMacro(value: unknown, onProgress: (events: number) => void = () => {}): Macro {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new ProfileError([message('problems.notMacro')])
  const macro = migratedMacro(value)
  const problems = problemsIn(() => macroShape.validateSync(macro, VALIDATE_ALL))
  const events: unknown[] = 'events' in macro && Array.isArray(macro.events) ? macro.events : []
  const max = Math.min(events.length, MAX_EVENTS)
  for (let from = 0; from < max && problems.length < MAX_PROBLEMS; from += CHUNK) {
    const chunk = { events: events.slice(from, Math.min(from + CHUNK, max)) }
    const found = problemsIn(() => eventsSchema.validateSync(chunk, VALIDATE_ALL))
    problems.push(...found.map((each) => shiftEvents(each, from)))
    onProgress(Math.min(from + CHUNK, max))
  }
  if (problems.length > 0) throw new ProfileError(problems)
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the schemas above have accepted all of it
  return macro as Macro
}

const VALIDATE_ALL = { strict: true, abortEarly: false } as const

function problemsIn(validate: () => unknown): Message[] {
  try {
    validate()
    return []
  } catch (error) {
    if (error instanceof ValidationError) return problemsOf(error)
    throw error
  }
}

/** A problem of a chunk of events, with the places of the whole list. */
function shiftEvents(found: Message, from: number): Message {
  const { place, problem: what } = found.facts ?? {}
  if (found.key !== 'problems.at' || typeof place !== 'string' || what === undefined) return found
  return message('problems.at', {
    place: place.replaceAll(/events\[(\d+)\]/g, (_, at: string) => `events[${from + Number(at)}]`),
    problem: what,
  })
}

/** A macro without events. */
export const emptyMacro = (id: string, name: string): Macro => ({
  format: 'unisera-macro',
  version: 3,
  id,
  name,
  tags: [],
  events: [],
})

/** Macros by their ids. */
export type MacroShelf = ReadonlyMap<string, Macro>
export const EMPTY_SHELF: MacroShelf = new Map()

export const shelfOf = (macros: readonly Macro[]): MacroShelf =>
  new Map(macros.map((macro) => [macro.id, macro]))

/**
 * Ids of the macros that a macro plays directly or through others; a macro that would play itself is reported as a
 * circle. Each is visited once, however often it is played.
 */
export function macrosWithin(id: string, shelf: MacroShelf): { ids: Set<string>; circle?: string[] } {
  const ids = new Set<string>()
  const circle = circleFrom(id, shelf, new Set(), (inner) => ids.add(inner))
  return circle ? { ids, circle } : { ids }
}

/** The macros that a macro plays, directly or through others: the part of a shelf that a worker needs. */
export function shelfWithin({ id }: Macro, shelf: MacroShelf): MacroShelf {
  const { ids } = macrosWithin(id, shelf)
  return shelfOf([...ids].flatMap((inner) => shelf.get(inner) ?? []))
}

/** A circle of macros, by their ids, or undefined if there is none; each macro is visited once. */
export function findCycle(ids: Iterable<string>, shelf: MacroShelf): string[] | undefined {
  const done = new Set<string>()
  for (const id of ids) {
    const circle = circleFrom(id, shelf, done, () => {})
    if (circle) return circle
  }
  return undefined
}

function circleFrom(
  id: string,
  shelf: MacroShelf,
  done: Set<string>,
  met: (inner: string) => void,
): string[] | undefined {
  const path: string[] = []
  const visit = (each: string): string[] | undefined => {
    if (path.includes(each)) return [...path.slice(path.indexOf(each)), each]
    if (done.has(each)) return undefined
    path.push(each)
    for (const inner of playedBy(shelf.get(each))) {
      met(inner)
      const circle = visit(inner)
      if (circle) return circle
    }
    path.pop()
    done.add(each)
    return undefined
  }
  return visit(id)
}

const NO_MACROS: ReadonlySet<string> = new Set()
const playedBy = (macro: Macro | undefined): ReadonlySet<string> => (macro ? playedIn(macro) : NO_MACROS)

/** Ids of the macros that a macro plays directly, each once. */
export const playedIn = memoizeByObject(
  (macro: Macro): ReadonlySet<string> =>
    new Set(macro.events.flatMap((event) => (event.kind === 'macro' ? [event.macro] : []))),
)
