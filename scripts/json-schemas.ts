import { valueOf } from '../src/core/base/items'
import { mkdirSync, writeFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import type { ISchema, Schema } from 'yup'
import { appRulesSchema } from '../src/core/files/app-rules-file'
import { eventsSchema, macroShape } from '../src/core/document/macro'
import { paletteShape } from '../src/core/document/palette'
import { programShape } from '../src/core/document/program-schema'
import { profileShape } from '../src/core/document/schema'
import type { LazyMeta } from '../src/core/document/schema-parts'
import { sessionShape } from '../src/core/document/session-log'

/**
 * npm run schemas: writes docs/schemas, JSON Schemas (draft 2020-12) of all documents, from the schemas used for
 * validation. They describe shapes; docs/file-formats.md has the other rules.
 */
export type JsonSchema = Record<string, unknown>

const DIALECT = 'https://json-schema.org/draft/2020-12/schema'

interface Description {
  type: string
  optional?: boolean
  meta?: LazyMeta
  oneOf?: unknown[]
  tests?: { name?: string; params?: Record<string, unknown> }[]
  fields?: Record<string, Description>
  innerType?: Description
}

const described = (schema: ISchema<unknown> | Schema): Description =>
  (schema as Schema).describe() as unknown as Description

/** Converts a Yup schema to a JSON Schema. Tests written as code are not included. */
function shapeOf(description: Description): JsonSchema {
  const { type, meta, oneOf = [] } = description
  if (type === 'lazy') return lazyShape(meta)
  const choices = oneOf.length > 0 ? { enum: oneOf } : {}
  switch (type) {
    case 'object':
      return objectShape(description)
    case 'array':
      return {
        type: 'array',
        items: shapeOf(description.innerType ?? { type: 'mixed' }),
        ...bounds(description, 'Items'),
      }
    case 'string':
      return oneOf.length > 0
        ? { type: 'string', ...choices }
        : { type: 'string', ...bounds(description, 'Length'), ...patternOf(description) }
    case 'number':
      return { type: has(description, 'integer') ? 'integer' : 'number', ...choices, ...range(description) }
    case 'boolean':
      return { type: 'boolean' }
    default:
      return {}
  }
}

function lazyShape({ oneOf, values }: LazyMeta = {}): JsonSchema {
  if (values) return { type: 'object', additionalProperties: shapeOf(described(values())) }
  if (!oneOf) throw new Error('a schema depends on its value and does not say what it may be')
  return { anyOf: oneOf.map((each) => shapeOf(described(each))) }
}

function objectShape(description: Description): JsonSchema {
  const fields = Object.entries(description.fields ?? {})
  return {
    type: 'object',
    properties: Object.fromEntries(fields.map(([name, field]) => [name, shapeOf(field)])),
    required: fields.filter(([, field]) => isDue(field)).map(([name]) => name),
    ...(has(description, 'noUnknown') && { additionalProperties: false }),
  }
}

/** A lazy schema is required unless it is marked as optional; it only shows this for its alternatives. */
const isDue = ({ type, optional, meta }: Description): boolean =>
  type === 'lazy' ? meta?.optional !== true : optional !== true

const paramOf = ({ tests = [] }: Description, name: string): Record<string, unknown> | undefined =>
  tests.find((test) => test.name === name)?.params
const has = ({ tests = [] }: Description, name: string): boolean => tests.some((test) => test.name === name)

function bounds(description: Description, what: 'Items' | 'Length'): JsonSchema {
  const min =
    paramOf(description, 'min')?.min ?? (has(description, 'required') && what === 'Length' ? 1 : undefined)
  const max = paramOf(description, 'max')?.max
  return {
    ...(min !== undefined && { [`min${what}`]: min }),
    ...(max !== undefined && { [`max${what}`]: max }),
  }
}

function range(description: Description): JsonSchema {
  const [min, max] = [paramOf(description, 'min')?.min, paramOf(description, 'max')?.max]
  return { ...(min !== undefined && { minimum: min }), ...(max !== undefined && { maximum: max }) }
}

function patternOf(description: Description): JsonSchema {
  const regex = paramOf(description, 'matches')?.regex
  return regex instanceof RegExp ? { pattern: regex.source } : {}
}

/** Long parts that occur more than once are defined once, with a name. */
const LONG = 150
function withDefinitions(schema: JsonSchema): JsonSchema {
  const times = new Map<string, number>()
  const count = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return
    const text = JSON.stringify(value)
    if (!Array.isArray(value) && ('type' in value || 'anyOf' in value) && text.length > LONG) {
      times.set(text, (times.get(text) ?? 0) + 1)
      if ((times.get(text) ?? 0) > 1) return
    }
    Object.values(value).forEach(count)
  }
  count(schema)
  const names = new Map<string, string>()
  for (const [text, often] of times) if (often > 1) names.set(text, definitionName(text, [...names.values()]))
  const replaced = (value: unknown, own?: string): unknown => {
    if (typeof value !== 'object' || value === null) return value
    const text = JSON.stringify(value)
    const name = names.get(text)
    if (name !== undefined && text !== own) return { $ref: `#/$defs/${name}` }
    if (Array.isArray(value)) return value.map((each) => replaced(each))
    return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, replaced(each)]))
  }
  const definitions = Object.fromEntries(
    [...names].map(([text, name]) => [name, replaced(JSON.parse(text) as unknown, text)]),
  )
  const main = replaced(schema) as JsonSchema
  return names.size > 0 ? { ...main, $defs: definitions } : main
}

/** Named after its kind, if there is one; a number distinguishes equal names. */
function definitionName(text: string, taken: readonly string[]): string {
  const [kind = 'part'] = /"kind":\{"type":"string","enum":\["([\w-]+)"\]/.exec(text)?.slice(1) ?? []
  const own = text.startsWith('{"type":"object"') ? kind : 'choice'
  for (let number = 1; ; number++) {
    const name = number === 1 ? own : `${own}-${number}`
    if (!taken.includes(name)) return name
  }
}

/** The JSON Schemas of all documents, by the names of their files in docs/schemas. */
export function jsonSchemas(): Record<string, JsonSchema> {
  const macro = (): JsonSchema => {
    const shape = shapeOf(described(macroShape))
    const events = shapeOf(described(eventsSchema)).properties as JsonSchema
    const own = valueOf(shape.properties as Record<string, JsonSchema>, 'events')
    return {
      ...shape,
      properties: {
        ...(shape.properties as JsonSchema),
        events: { ...own, ...(events.events as JsonSchema), maxItems: own.maxItems },
      },
    }
  }
  const profile = (): JsonSchema => shapeOf(described(profileShape))
  const listed = (of: JsonSchema): JsonSchema => ({ type: 'array', items: of })
  const document = (title: string, schema: JsonSchema): JsonSchema => ({
    $schema: DIALECT,
    title,
    ...withDefinitions(schema),
  })
  const profileFile = profile()
  const whole: JsonSchema = {
    type: 'object',
    properties: {
      format: { type: 'string', enum: ['unisera-library'] },
      version: { type: 'integer', enum: [1] },
      profiles: listed({
        type: 'object',
        properties: { slot: { type: 'integer', minimum: 0, maximum: 15 }, profile: profile() },
        required: ['slot', 'profile'],
      }),
      macros: listed(macro()),
      sessions: listed(shapeOf(described(sessionShape))),
      palettes: listed(shapeOf(described(paletteShape))),
      programs: listed(shapeOf(described(programShape))),
      rules: shapeOf(described(appRulesSchema)),
    },
    required: ['format', 'version', 'profiles', 'macros', 'sessions'],
  }
  return {
    // A profile in a file, with the macros it plays.
    'profile.schema.json': document('Unisera profile', {
      ...profileFile,
      properties: { ...(profileFile.properties as JsonSchema), macros: listed(macro()) },
    }),
    'macro.schema.json': document('Unisera macro', macro()),
    'macros.schema.json': document('Unisera macros', {
      type: 'object',
      properties: {
        format: { type: 'string', enum: ['unisera-macros'] },
        version: { type: 'integer', enum: [1] },
        macros: listed(macro()),
      },
      required: ['format', 'version', 'macros'],
    }),
    'program.schema.json': document('Unisera program', shapeOf(described(programShape))),
    'palette.schema.json': document('Unisera palette', shapeOf(described(paletteShape))),
    'session.schema.json': document('Unisera session', shapeOf(described(sessionShape))),
    'rules.schema.json': document('Unisera app rules', shapeOf(described(appRulesSchema))),
    'library.schema.json': document('Unisera library', whole),
  }
}

export const schemaText = (schema: JsonSchema): string => `${JSON.stringify(schema, null, 1)}\n`

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  mkdirSync('docs/schemas', { recursive: true })
  for (const [name, schema] of Object.entries(jsonSchemas()))
    writeFileSync(`docs/schemas/${name}`, schemaText(schema))
}
