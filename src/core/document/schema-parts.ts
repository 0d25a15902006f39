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
import { ProfileError } from '../base/refusal'

/** Pieces the schemas of profiles are made of, and what the gate says where a piece has no words of its own. */

setLocale({
  mixed: {
    default: '${path} is not what is due there',
    required: '${path} is missing',
    defined: '${path} is missing',
    notNull: '${path} is missing',
    notType: ({ path, type, value }: { path: string; type: string; value: unknown }) =>
      `${path}: ${shown(value)} is no ${TYPE_WORDS[type] ?? type}`,
    oneOf: '${path} is not ${values}',
  },
  string: { max: '${path} has more than ${max} characters', matches: '${path} is not as it has to be' },
  number: {
    min: '${path} is less than ${min}',
    max: '${path} is more than ${max}',
    integer: '${path} is not a whole number',
  },
  array: { min: '${path} has fewer than ${min} entries', max: '${path} has more than ${max} entries' },
  object: { noUnknown: '${path} holds ${unknown}, which is not known there' },
})

const TYPE_WORDS: Record<string, string | undefined> = {
  object: 'object',
  array: 'list',
  string: 'text',
  number: 'number',
  boolean: 'true or false',
}

const MOST_SHOWN = 40

/** A value as a message can have it. */
function shown(value: unknown): string {
  const text = value === undefined ? 'nothing' : JSON.stringify(value)
  return text.length > MOST_SHOWN ? `${text.slice(0, MOST_SHOWN)}…` : text
}

export const whole = (what: string) =>
  number().strict().required('${path} is missing').integer(`\${path}: ${what} is a whole number`)

const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

/** Text of whole characters: half a surrogate pair has no UTF-8 and no key. */
export const wholeText = (most: number) =>
  string()
    .strict()
    .required('${path} is missing or empty')
    .max(most, `\${path} has more than ${most} characters`)
    .test('unicode', '${path} holds half a character; type it again', (value) => !LONE_SURROGATE.test(value))

/** Characters a tag may have, and tags a document. */
export const MOST_TAG = 40
export const MOST_TAGS = 20

export const tagsSchema = () =>
  array(wholeText(MOST_TAG).test(isName('${path}: a tag')))
    .strict()
    .required('${path} is missing: a list, empty for none')
    .max(MOST_TAGS)

/** Tags as they are kept: each once, without spaces around. */
export const cleanTags = (tags: readonly string[]): string[] => [
  ...new Set(tags.map((tag) => tag.trim()).filter((tag) => tag !== '')),
]

/** Bytes as hexadecimal digits, two a byte. */
export const hexBytes = () =>
  string()
    .strict()
    .defined('${path} is missing: bytes as hexadecimal digits')
    .matches(/^([0-9a-f]{2})*$/, '${path} is not bytes as hexadecimal digits, two a byte')
    .max(2 * 0xffff, '${path} is longer than any image')

/** What a value is once it has passed a schema. @throws ProfileError with a line for each problem */
export function passed<Value>(schema: Schema<Value>, value: unknown): Value {
  try {
    return schema.validateSync(value, { strict: true, abortEarly: false })
  } catch (error) {
    if (error instanceof ValidationError) throw new ProfileError([...new Set(error.errors)])
    throw error
  }
}

/** A test that a text can be a name; `what` begins the sentence where it cannot. */
export const isName = (what: string) =>
  ({
    name: 'name',
    test: (value: string | undefined, { createError }: TestContext) => {
      const problem = value === undefined ? undefined : nameProblem(value)
      return problem === undefined || createError({ message: `${what} ${problem}` })
    },
  }) as const

export const literal = <T extends string>(value: T) => string<T>().strict().required().oneOf([value])

export const oneOf = <T extends string>(...values: T[]) =>
  string<T>()
    .strict()
    .required('${path} is missing')
    .oneOf(values, `\${path} is one of ${values.join(', ')}`)

export const colour = () =>
  string()
    .strict()
    .required('${path} is missing: a colour as #rrggbb')
    .matches(HEX_COLOUR, '${path}: "${value}" is not a colour as #rrggbb')

/** What a schema that depends on its value may turn out to be: for who writes it down (scripts/json-schemas.ts). */
export interface LazyMeta {
  oneOf?: readonly Schema[]
  values?: () => ISchema<unknown>
  /** It may be left out, which it does not say itself. */
  optional?: boolean
}

/** A record whose every value passes one schema, whatever its keys. */
export function mapOf(what: string, valueSchema: () => ISchema<unknown>) {
  const found = lazy((value: unknown) => {
    const keys =
      typeof value === 'object' && value !== null && !Array.isArray(value) ? Object.keys(value) : []
    return object(Object.fromEntries(keys.map((key) => [key, valueSchema()])))
      .strict()
      .required(`\${path} is missing: an object with ${what} a key`)
  })
  return found.meta({ values: valueSchema } satisfies LazyMeta)
}

/** A schema chosen by the `kind` of the value. */
export function kindOf(what: string, schemas: Record<string, Schema>) {
  const found = lazy((value: unknown) => {
    const kind = typeof value === 'object' && value !== null && 'kind' in value ? String(value.kind) : ''
    const own = Object.entries(schemas).find(([name]) => name === kind)
    return own
      ? own[1].required()
      : object()
          .required(`\${path} is missing: an ${what}`)
          .test(
            'kind',
            `\${path}: "${kind}" is not a kind of ${what}; there are ${Object.keys(schemas).join(', ')}`,
            () => false,
          )
  })
  return found.meta({ oneOf: Object.values(schemas) } satisfies LazyMeta)
}
