import {
  array,
  lazy,
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
import { nameProblem } from '../base/names'
import { ProfileError } from '../base/errors'

/** Parts of the schemas of profiles, and the default texts of their problems. */

setLocale({
  mixed: {
    default: '${path} has the wrong type',
    required: '${path} is missing',
    defined: '${path} is missing',
    notNull: '${path} is missing',
    notType: ({ path, type, value }: { path: string; type: string; value: unknown }) =>
      `${path}: ${shown(value)} is no ${TYPE_WORDS[type] ?? type}`,
    oneOf: '${path} is not ${values}',
  },
  string: { max: '${path} has more than ${max} characters', matches: '${path} has the wrong form' },
  number: {
    min: '${path} is less than ${min}',
    max: '${path} is more than ${max}',
    integer: '${path} is not an integer',
  },
  array: { min: '${path} has fewer than ${min} entries', max: '${path} has more than ${max} entries' },
  object: { noUnknown: '${path} has the unknown field ${unknown}' },
})

const TYPE_WORDS: Record<string, string | undefined> = {
  object: 'object',
  array: 'list',
  string: 'text',
  number: 'number',
  boolean: 'true or false',
}

const MAX_SHOWN = 40

/** A value as shown in a message. */
function shown(value: unknown): string {
  const text = value === undefined ? 'nothing' : JSON.stringify(value)
  return text.length > MAX_SHOWN ? `${text.slice(0, MAX_SHOWN)}…` : text
}

export const integerSchema = (what: string) =>
  number().strict().required('${path} is missing').integer(`\${path}: ${what} must be an integer`)

const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

/** Text of complete characters: half a surrogate pair has no UTF-8 form and no key. */
export const wellFormedText = (max: number) =>
  string()
    .strict()
    .required('${path} is missing or empty')
    .max(max, `\${path} has more than ${max} characters`)
    .test('unicode', '${path} holds half a character; type it again', (value) => !LONE_SURROGATE.test(value))

/** Maximum number of characters of a tag, and of tags of a document. */
export const MAX_TAG_CHARACTERS = 40
export const MAX_TAGS = 20

export const tagsSchema = () =>
  array(wellFormedText(MAX_TAG_CHARACTERS).test(isName('${path}: a tag')))
    .strict()
    .required('${path} is missing; expected a list, which may be empty')
    .max(MAX_TAGS)

/** Normalises tags: each once, without surrounding spaces. */
export const normaliseTags = (tags: readonly string[]): string[] => [
  ...new Set(tags.map((tag) => tag.trim()).filter((tag) => tag !== '')),
]

/** Bytes as hexadecimal digits, two per byte. */
export const hexBytesSchema = () =>
  string()
    .strict()
    .defined('${path} is missing; expected bytes as hexadecimal digits')
    .matches(/^([0-9a-f]{2})*$/, '${path} is not bytes as hexadecimal digits, two a byte')
    .max(2 * 0xffff, '${path} is longer than any slot image')

/** Validates a value with a schema. @throws ProfileError with a line for each problem */
export function validate<Value>(schema: Schema<Value>, value: unknown): Value {
  try {
    return schema.validateSync(value, { strict: true, abortEarly: false })
  } catch (error) {
    if (error instanceof ValidationError) throw new ProfileError([...new Set(error.errors)])
    throw error
  }
}

/** A test for valid names; `what` starts the problem text. */
export const isName = (what: string) =>
  ({
    name: 'name',
    test: (value: string | undefined, { createError }: TestContext) => {
      const problem = value === undefined ? undefined : nameProblem(value)
      return problem === undefined || createError({ message: `${what} ${problem}` })
    },
  }) as const

export const literalSchema = <T extends string>(value: T) => string<T>().strict().required().oneOf([value])

export const enumSchema = <T extends string>(...values: T[]) =>
  string<T>()
    .strict()
    .required('${path} is missing')
    .oneOf(values, `\${path} must be one of ${values.join(', ')}`)

export const colourSchema = () =>
  string()
    .strict()
    .required('${path} is missing; expected a colour as #rrggbb')
    .matches(HEX_COLOUR, '${path}: "${value}" is not a colour as #rrggbb')

/** Alternatives of a schema that depends on its value, for code that documents it (scripts/json-schemas.ts). */
export interface LazyMeta {
  oneOf?: readonly Schema[]
  values?: () => ISchema<unknown>
  /** Optional, which the schema itself does not state. */
  optional?: boolean
}

/** A record whose values all match one schema, whatever its keys. */
export function mapSchema(what: string, valueSchema: () => ISchema<unknown>) {
  const found = lazy((value: unknown) => {
    const keys =
      typeof value === 'object' && value !== null && !Array.isArray(value) ? Object.keys(value) : []
    return object(Object.fromEntries(keys.map((key) => [key, valueSchema()])))
      .strict()
      .required(`\${path} is missing; expected an object with ${what} a key`)
  })
  return found.meta({ values: valueSchema } satisfies LazyMeta)
}

/** A schema selected by the `kind` of the value. */
export function kindSchemaOf(what: string, schemas: Record<string, Schema>) {
  const found = lazy((value: unknown) => {
    const kind = typeof value === 'object' && value !== null && 'kind' in value ? String(value.kind) : ''
    const own = Object.entries(schemas).find(([name]) => name === kind)
    return own
      ? own[1].required()
      : object()
          .required(`\${path} is missing; expected an ${what}`)
          .test(
            'kind',
            `\${path}: "${kind}" is not a kind of ${what}; there are ${Object.keys(schemas).join(', ')}`,
            () => false,
          )
  })
  return found.meta({ oneOf: Object.values(schemas) } satisfies LazyMeta)
}
