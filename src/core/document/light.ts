import { array, lazy, object, string } from 'yup'
import type { Parameters } from '../base/parameters'
import { MAX_EFFECT_NAME_BYTES } from '../base/name-lengths'
import { CONDITIONS, type ConditionName } from '../effects/conditions'
import { EFFECTS, type EffectName } from '../effects/registry'
import { MAX_ENTRIES } from '../onboard/light-stack'
import { kindSchema, type DocumentValues } from './parameter-schema'
import {
  hexBytesSchema,
  isName,
  kindSchemaOf,
  literalSchema,
  integerSchema,
  type LazyMeta,
  isNotBlank,
  isShort,
  oneOfSchema,
  problem,
} from './schema-parts'
import { message } from '../message/message'

/**
 * Light in documents: effects and conditions by their names, colours as #rrggbb, and inputs, macros, connections, zones
 * and lights by their ids. Everything is derived from the definitions in core/effects.
 */

/** An effect and its settings. */
export type Effect = {
  [Name in EffectName]: { kind: Name } & DocumentValues<(typeof EFFECTS)[Name]['parameters']>
}[EffectName]

/** The condition of an effect. */
export type EffectCondition =
  | { kind: 'always' }
  | {
      [Name in ConditionName]: { kind: Name } & DocumentValues<(typeof CONDITIONS)[Name]['parameters']>
    }[ConditionName]

/** The lights of an effect: all, zones, or single lights by their ids. */
export type EffectTarget =
  { kind: 'all' } | { kind: 'zones'; zones: string[] } | { kind: 'lights'; lights: string[] }

/** One effect of a profile's stack. */
export interface StackedEffect {
  kind: 'effect'
  effect: Effect
  where: EffectTarget
  when: EffectCondition
  /** In percent, 1 to 100. */
  opacity: number
  /** Whether it covers the effects below or adds its light to them. */
  mix: 'covers' | 'adds'
  name?: string
}

/** An entry that profiles of this version cannot express, kept as its bytes in an image. */
export interface UnknownEntry {
  kind: 'later'
  code: number
  bytes: string
}

export type StackItem = StackedEffect | UnknownEntry

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
  .test(isNotBlank)
  .test(isName)
  .test(isShort(MAX_EFFECT_NAME_BYTES))

const stackedSchema = object({
  kind: literalSchema('effect'),
  effect: kindSchemaOf(schemasOf(EFFECTS)),
  where: kindSchemaOf({
    all: object({ kind: literalSchema('all') }).noUnknown(),
    zones: object({ kind: literalSchema('zones'), zones: ids() }).noUnknown(),
    lights: object({ kind: literalSchema('lights'), lights: ids() }).noUnknown(),
  }),
  when: kindSchemaOf({ always: kindSchema('always', {}), ...schemasOf(CONDITIONS) }),
  opacity: integerSchema().min(1).max(100),
  mix: oneOfSchema(['covers', 'adds']),
  name: effectNameSchema.optional(),
}).noUnknown()

const laterSchema = object({
  kind: literalSchema('later'),
  code: integerSchema().min(0).max(31),
  bytes: hexBytesSchema(),
}).noUnknown()

/** A profile's stack, from top to bottom. */
export const lightSchema = array(
  lazy((value: unknown) =>
    typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'later'
      ? laterSchema
      : stackedSchema,
  ).meta({ oneOf: [stackedSchema, laterSchema] } satisfies LazyMeta),
)
  .strict()
  .required(problem(message('problems.missingEffects')))
  .max(MAX_ENTRIES, problem(message('problems.maxEffects', { max: MAX_ENTRIES })))
