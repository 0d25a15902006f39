import {
  array,
  lazy,
  mixed,
  number,
  object,
  setLocale,
  string,
  ValidationError,
  type ISchema,
  type Schema,
  type TestContext,
} from 'yup'
import { HEX_COLOUR } from '../base/colour'
import { nameProblem, utf8Length } from '../base/names'
import { factList, isMessage, message, type Message } from '../message/message'
import { ProfileError } from '../base/errors'

/** Parts of the schemas of profiles, and the default messages of their problems. */

/** What Yup reports about a value, as far as messages use it. */
interface YupFacts {
  /** Empty for a value that is validated by itself. */
  originalPath?: string
  value?: unknown
  min?: number
  max?: number
  type?: string
  unknown?: string | readonly string[]
  values?: string
}

/** A message of Yup: the problem, after the path of the value in its document. */
export const problem =
  (problemOf: Message | ((facts: YupFacts) => Message)) =>
  (facts: YupFacts): Message => {
    const found = typeof problemOf === 'function' ? problemOf(facts) : problemOf
    return facts.originalPath ? message('problems.at', { place: facts.originalPath, problem: found }) : found
  }

setLocale({
  mixed: {
    default: problem(message('problems.wrongType')),
    required: problem(message('problems.missing')),
    defined: problem(message('problems.missing')),
    notNull: problem(message('problems.missing')),
    notType: problem(({ type = '', value }) =>
      message('problems.notType', { value: shown(value), type: TYPE_NAMES[type] ?? type }),
    ),
    oneOf: problem(({ values = '' }) => message('problems.notOneOf', { values })),
  },
  string: {
    max: problem(({ max = 0 }) => message('problems.maxCharacters', { max })),
    matches: problem(message('problems.wrongForm')),
  },
  number: {
    min: problem(({ min = 0 }) => message('problems.minNumber', { min })),
    max: problem(({ max = 0 }) => message('problems.maxNumber', { max })),
    integer: problem(message('problems.notInteger')),
  },
  array: {
    min: problem(({ min = 0 }) => message('problems.minEntries', { min })),
    max: problem(({ max = 0 }) => message('problems.maxEntries', { max })),
  },
  object: {
    noUnknown: problem(({ unknown = [] }) =>
      message('problems.unknownField', { field: listed([unknown].flat()) }),
    ),
  },
})

const TYPE_NAMES: Record<string, Message | undefined> = {
  object: message('problems.typeObject'),
  array: message('problems.typeList'),
  string: message('problems.typeText'),
  number: message('problems.typeNumber'),
  boolean: message('problems.typeFlag'),
}

const MAX_SHOWN = 40

/** A value as shown in a message. */
function shown(value: unknown): string {
  const text = value === undefined ? 'nothing' : JSON.stringify(value)
  return text.length > MAX_SHOWN ? `${text.slice(0, MAX_SHOWN)}…` : text
}

export const integerSchema = () => number().strict().required().integer()

const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

/** Text of complete characters: half a surrogate pair has no UTF-8 form and no key. */
export const wellFormedText = (max: number) =>
  string()
    .strict()
    .required(problem(message('problems.missingOrEmpty')))
    .max(max)
    .test('unicode', problem(message('problems.halfCharacter')), (value) => !LONE_SURROGATE.test(value))

/** Maximum number of characters of a tag, and of tags of a document. */
export const MAX_TAG_CHARACTERS = 40
export const MAX_TAGS = 20

export const tagsSchema = () =>
  array(wellFormedText(MAX_TAG_CHARACTERS).test(isName))
    .strict()
    .required(problem(message('problems.missingList')))
    .max(MAX_TAGS)

/** Normalises tags: each once, without surrounding spaces. */
export const normaliseTags = (tags: readonly string[]): string[] => [
  ...new Set(tags.map((tag) => tag.trim()).filter((tag) => tag !== '')),
]

/** Bytes as hexadecimal digits, two per byte. */
export const hexBytesSchema = () =>
  string()
    .strict()
    .defined(problem(message('problems.missingBytes')))
    .matches(/^([0-9a-f]{2})*$/, problem(message('problems.notHex')))
    .max(2 * 0xffff, problem(message('problems.imageLength')))

/** Validates a value with a schema. @throws ProfileError with a line for each problem */
export function validate<Value>(schema: Schema<Value>, value: unknown): Value {
  try {
    return schema.validateSync(value, { strict: true, abortEarly: false })
  } catch (error) {
    if (error instanceof ValidationError) throw new ProfileError(problemsOf(error))
    throw error
  }
}

/** The problems of a value, each with its path. Yup types its messages as texts; all of ours are {@link Message}s. */
export const problemsOf = ({ errors }: ValidationError): Message[] => {
  const reported: readonly unknown[] = errors
  return reported.map((each) => {
    if (!isMessage(each)) throw new TypeError(`not a message: ${String(each)}`)
    return each
  })
}

/** Test: a valid name. */
export const isName = {
  name: 'name',
  test: (value: string | undefined, { createError }: TestContext) => {
    const found = value === undefined ? undefined : nameProblem(value)
    return found === undefined || createError({ message: problem(found) })
  },
} as const

/** Test: a name that fits into a number of UTF-8 bytes. */
export const isShort = (max: number) =>
  ({
    name: 'bytes',
    message: problem(message('problems.nameBytes', { max })),
    skipAbsent: true,
    test: (value: string | undefined) => value === undefined || utf8Length(value) <= max,
  }) as const

/** Test: a name with other characters than spaces. */
export const isNotBlank = {
  name: 'blank',
  message: problem(message('problems.onlySpaces')),
  skipAbsent: true,
  test: (value: string | undefined) => value === undefined || value.trim() !== '',
} as const

/** Values of a list in a message. */
const listed = (values: readonly string[]) => factList(values, 'comma')

/** One of some texts, which must be there. */
export const oneOfSchema = <T extends string>(values: readonly T[]) =>
  string<T>()
    .strict()
    .required()
    .oneOf(values, problem(message('problems.notOneOf', { values: listed(values) })))

/** A text that must be there. @param missing the message if it is not */
export const textSchema = (missing: Parameters<ReturnType<typeof string>['required']>[0]) =>
  string().strict().required(missing)

/** The id of a document or of a part of one. */
export const idSchema = () =>
  textSchema(problem(message('problems.missingId'))).matches(
    /^[\w-]{1,64}$/,
    problem(({ value }) => message('problems.notId', { value: String(value) })),
  )

export const literalSchema = <T extends string>(value: T) => string<T>().strict().required().oneOf([value])

export const colourSchema = () =>
  string()
    .strict()
    .required(problem(message('problems.missingColour')))
    .matches(
      HEX_COLOUR,
      problem(({ value }) => message('problems.notColour', { value: String(value) })),
    )

/** Alternatives of a schema that depends on its value, for code that documents it (scripts/json-schemas.ts). */
export interface LazyMeta {
  oneOf?: readonly Schema[]
  values?: () => ISchema<unknown>
  /** Optional, which the schema itself does not state. */
  optional?: boolean
}

/** A record whose values all match one schema, whatever its keys. */
export function mapSchema(valueSchema: () => ISchema<unknown>) {
  const found = lazy((value: unknown) => {
    const keys =
      typeof value === 'object' && value !== null && !Array.isArray(value) ? Object.keys(value) : []
    return object(Object.fromEntries(keys.map((key) => [key, valueSchema()])))
      .strict()
      .required(problem(message('problems.missingObject')))
  })
  return found.meta({ values: valueSchema } satisfies LazyMeta)
}

/** A schema selected by the `kind` of the value. @param optional whether the value may be missing */
export function kindSchemaOf(schemas: Record<string, Schema>, optional = false) {
  const found = lazy((value: unknown) => {
    if (optional && value === undefined) return mixed()
    const kind = typeof value === 'object' && value !== null && 'kind' in value ? String(value.kind) : ''
    const own = Object.entries(schemas).find(([name]) => name === kind)
    return own
      ? own[1].required()
      : object()
          .required(problem(message('problems.missingObject')))
          .test(
            'kind',
            problem(message('problems.unknownKind', { kind, kinds: listed(Object.keys(schemas)) })),
            () => false,
          )
  })
  return found.meta({ oneOf: Object.values(schemas), ...(optional && { optional }) } satisfies LazyMeta)
}
