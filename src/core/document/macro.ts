import { array, mixed, object, string, ValidationError } from 'yup'
import { fromHexBytes } from '../base/bytes'
import { MOST_MACRO_NAME_BYTES } from '../base/name-lengths'
import { cleanName, nameProblem, utf8Bytes } from '../base/names'
import { MOST_PROBLEMS, ProfileError } from '../base/refusal'
import { rememberedFor } from '../base/remembered'
import { EVENT_NAMES, eventSchema, type EventDoes } from './event-kinds'
import { isName, kindOf, literal, MOST_TAG, tagsSchema, whole } from './schema-parts'

export { MOST_AFTER_MS, type EventDoes } from './event-kinds'
/**
 * A macro: what happens, one event after the other, each so long after the one before it. It belongs to the
 * library and is used by bindings of any profile.
 */
export interface Macro {
  format: 'unisera-macro'
  version: 2
  /** Names it in profiles; stays the same under any name. */
  id: string
  name: string
  tags: string[]
  events: MacroEvent[]
}

export type MacroEvent = EventDoes & { afterMs: number }

export const MOST_EVENTS = 20_000
export { MOST_MACRO_NAME_BYTES }

/** The gate for each kind of event. */
const eventSchemas = Object.fromEntries(EVENT_NAMES.map((name) => [name, eventSchema(name)]))

export const macroNameSchema = string()
  .strict()
  .required('a macro needs a name')
  .test('blank', 'a macro needs a name that is more than spaces', (value) => value.trim() !== '')
  .test(isName('the name'))
  .test(
    'bytes',
    `the name is too long: ${MOST_MACRO_NAME_BYTES} bytes at most`,
    (value) => utf8Bytes(value) <= MOST_MACRO_NAME_BYTES,
  )

/** Events are judged so many at a time: whoever waits is told how far it is. */
const CHUNK = 200
/** The events of a macro, and the rest of it: together its shape. {@link parseMacro} is the gate. */
export const eventsSchema = object({ events: array(kindOf('event', eventSchemas)).strict().required() })
export const macroShape = object({
  format: literal('unisera-macro'),
  version: whole('a version').oneOf([2], 'version ${value} is later than this Unisera reads (2)'),
  id: string()
    .strict()
    .required('${path} is missing')
    .matches(/^[\w-]{1,64}$/, '${path}: "${value}" is not an id of letters, digits and hyphens'),
  name: macroNameSchema,
  tags: tagsSchema(),
  events: array(mixed())
    .strict()
    .required('${path} is missing: a list, empty for none')
    .max(MOST_EVENTS, `\${path} has more than ${MOST_EVENTS} events`)
    .test(
      'code',
      "${path}: a device's own code is the only event of its macro",
      (events: readonly unknown[]) => events.length < 2 || !events.some(isCode),
    ),
}).noUnknown('${path} holds ${unknown}, which a macro does not have')

const isCode = (event: unknown): boolean =>
  typeof event === 'object' && event !== null && 'kind' in event && event.kind === 'code'

/** The device's own code that a macro is, or undefined for one made of events. */
export function ownCode({ events: [event] }: Pick<Macro, 'events'>): Uint8Array | undefined {
  return event?.kind === 'code' ? fromHexBytes(event.bytes) : undefined
}

/** Version 1 let any character into names, and knew no code of a device's own. */
function migratedMacro(value: object): object {
  if (!('version' in value) || value.version !== 1) return value
  const { name, tags }: { version: unknown; name?: unknown; tags?: unknown } = value
  const clean = (text: unknown, mostBytes: number, otherwise: string): unknown =>
    typeof text === 'string' && nameProblem(text) !== undefined ? cleanName(text, mostBytes, otherwise) : text
  return {
    ...value,
    version: 2,
    name: clean(name, MOST_MACRO_NAME_BYTES, 'Unnamed'),
    tags: Array.isArray(tags) ? tags.map((tag: unknown) => clean(tag, MOST_TAG, 'tag')) : tags,
  }
}

/**
 * Takes anything and returns a macro, or says all that is wrong with it, or the first hundred things.
 *
 * @param judged told after each so many events how many there have been
 * @throws ProfileError
 */
export function parseMacro(value: unknown, judged: (events: number) => void = () => {}): Macro {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new ProfileError(['this is no macro: a JSON object is due'])
  const macro = migratedMacro(value)
  const problems = problemsOf(() => macroShape.validateSync(macro, JUDGED_WHOLE))
  const events: unknown[] = 'events' in macro && Array.isArray(macro.events) ? macro.events : []
  const most = Math.min(events.length, MOST_EVENTS)
  for (let from = 0; from < most && problems.length < MOST_PROBLEMS; from += CHUNK) {
    const chunk = { events: events.slice(from, Math.min(from + CHUNK, most)) }
    const found = problemsOf(() => eventsSchema.validateSync(chunk, JUDGED_WHOLE))
    problems.push(
      ...found.map((problem) =>
        problem.replaceAll(/events\[(\d+)\]/g, (_, at: string) => `events[${from + Number(at)}]`),
      ),
    )
    judged(Math.min(from + CHUNK, most))
  }
  if (problems.length > 0) throw new ProfileError(problems)
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the schemas above have accepted all of it
  return macro as Macro
}

const JUDGED_WHOLE = { strict: true, abortEarly: false } as const

function problemsOf(judge: () => unknown): string[] {
  try {
    judge()
    return []
  } catch (error) {
    if (error instanceof ValidationError) return error.errors
    throw error
  }
}

/** A macro in which nothing happens yet. */
export const emptyMacro = (id: string, name: string): Macro => ({
  format: 'unisera-macro',
  version: 2,
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
 * Ids of the macros that one plays, and they in turn; a macro that would play itself is told as a circle. Each is looked
 * at once, however often it is played.
 */
export function macrosWithin(id: string, shelf: MacroShelf): { ids: Set<string>; circle?: string[] } {
  const ids = new Set<string>()
  const circle = circleFrom(id, shelf, new Set(), (inner) => ids.add(inner))
  return circle ? { ids, circle } : { ids }
}

/** Returns only the macros that one plays, directly or through others: the part of a shelf that a worker needs. */
export function shelfWithin({ id }: Macro, shelf: MacroShelf): MacroShelf {
  const { ids } = macrosWithin(id, shelf)
  return shelfOf([...ids].flatMap((inner) => shelf.get(inner) ?? []))
}

/** A circle among macros, by their ids, or undefined where none plays itself; each macro is looked at once. */
export function circleAmong(ids: Iterable<string>, shelf: MacroShelf): string[] | undefined {
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

/** Ids of the macros that a macro plays itself, each once. */
export const playedIn = rememberedFor(
  (macro: Macro): ReadonlySet<string> =>
    new Set(macro.events.flatMap((event) => (event.kind === 'macro' ? [event.macro] : []))),
)
