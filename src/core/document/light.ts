import { array, lazy, object, string } from 'yup'
import type { Parameters } from '../base/parameters'
import { MOST_EFFECT_NAME_BYTES } from '../base/name-lengths'
import { utf8Bytes } from '../base/names'
import { CONDITIONS, type ConditionName } from '../effects/conditions'
import { EFFECTS, type EffectName } from '../effects/registry'
import { MOST_ENTRIES } from '../onboard/light-stack'
import { kindSchema, type DocumentValues } from './parameter-schema'
import { hexBytes, isName, kindOf, literal, oneOf, whole, type LazyMeta } from './schema-parts'

/**
 * Light in a document's terms: effects and conditions by their names, colours as #rrggbb, inputs, macros, connections,
 * zones and lights by their ids. All of it is derived from the definitions in core/effects.
 */

/** What an effect is and what it is set to. */
export type Effect = {
  [Name in EffectName]: { kind: Name } & DocumentValues<(typeof EFFECTS)[Name]['parameters']>
}[EffectName]

/** When it shows. */
export type When =
  | { kind: 'always' }
  | {
      [Name in ConditionName]: { kind: Name } & DocumentValues<(typeof CONDITIONS)[Name]['parameters']>
    }[ConditionName]

/** Where it shows: on every light, on zones, or on single lights, by their ids. */
export type Where =
  { kind: 'all' } | { kind: 'zones'; zones: string[] } | { kind: 'lights'; lights: string[] }

/** One effect of a profile's stack. */
export interface StackedEffect {
  kind: 'effect'
  effect: Effect
  where: Where
  when: When
  /** In percent, 1 to 100. */
  opacity: number
  /** Whether it covers what is below or adds its light to it. */
  mix: 'covers' | 'adds'
  name?: string
}

/** An entry that no profile of this version can say, as its bytes in an image: kept as it is. */
export interface LaterEntry {
  kind: 'later'
  code: number
  bytes: string
}

export type StackItem = StackedEffect | LaterEntry

const schemasOf = <Name extends string>(kinds: Record<Name, { parameters: Parameters }>) =>
  Object.fromEntries(
    Object.entries<{ parameters: Parameters }>(kinds).map(([name, { parameters }]) => [
      name,
      kindSchema(name, parameters),
    ]),
  )

const ids = () => array(string().strict().required()).strict().required().max(255)

export const effectNameSchema = string()
  .strict()
  .test('blank', '${path}: the name of an effect is more than spaces', (value) => value?.trim() !== '')
  .test(isName('${path}: the name of an effect'))
  .test(
    'bytes',
    `\${path}: the name of an effect takes ${MOST_EFFECT_NAME_BYTES} bytes at most`,
    (value) => value === undefined || utf8Bytes(value) <= MOST_EFFECT_NAME_BYTES,
  )

const stackedSchema = object({
  kind: literal('effect'),
  effect: kindOf('effect', schemasOf(EFFECTS)),
  where: kindOf('place of light', {
    all: object({ kind: literal('all') }).noUnknown(),
    zones: object({ kind: literal('zones'), zones: ids() }).noUnknown(),
    lights: object({ kind: literal('lights'), lights: ids() }).noUnknown(),
  }),
  when: kindOf('condition', { always: kindSchema('always', {}), ...schemasOf(CONDITIONS) }),
  opacity: whole('opacity in percent').min(1).max(100),
  mix: oneOf('covers', 'adds'),
  name: effectNameSchema.optional(),
}).noUnknown()

const laterSchema = object({
  kind: literal('later'),
  code: whole('a code').min(0).max(31),
  bytes: hexBytes(),
}).noUnknown()

/** A profile's stack, top first. */
export const lightSchema = array(
  lazy((value: unknown) =>
    typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'later'
      ? laterSchema
      : stackedSchema,
  ).meta({ oneOf: [stackedSchema, laterSchema] } satisfies LazyMeta),
)
  .strict()
  .required('${path} is missing: a list of effects, top first')
  .max(MOST_ENTRIES, `\${path}: at most ${MOST_ENTRIES} effects over each other`)
