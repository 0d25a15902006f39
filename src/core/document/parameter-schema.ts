import { array, boolean, lazy, number, object, string, type Lazy, type Schema } from 'yup'
import type { Bounds, DocumentParameter, Flatten, Parameter, Parameters, Target } from '../base/parameters'
import { TARGET_BOUNDS, stepOf } from '../base/parameters'
import { SHORTCUT_IDS } from '../computer/shortcuts'
import { consumerById } from '../hid/consumer-page'
import { commandKeySchema, keyCodeSchema, modifiersSchema, type CommandKey } from './command-key'
import {
  colourSchema,
  hexBytesSchema,
  idSchema,
  literalSchema,
  integerSchema,
  wellFormedText,
  type LazyMeta,
  oneOfSchema,
  problem,
} from './schema-parts'
import { message } from '../message/message'

/** Parameters in documents: the type of each value, and its schema. */

/**
 * Documents refer to keys, colours, macros, connections and inputs by ids and codes. `Action` is the type of a nested
 * action.
 */
export type DocumentValue<P extends Parameter, Action = never> = P extends {
  kind: 'choice'
  of: readonly (infer C)[]
}
  ? C
  : P extends { kind: 'flag' }
    ? boolean
    : P extends { kind: 'colours' | 'inputs' | 'modifiers' }
      ? string[]
      : P extends { kind: 'command-key' }
        ? CommandKey
        : P extends { kind: 'colour' | 'macro' | 'connection' | DocumentParameter['kind'] }
          ? string
          : P extends { kind: 'target' }
            ? Target
            : P extends { kind: 'action' }
              ? Action
              : number

/** Optional values: those with a default on the device, and a macro that may be missing. */
type Spare<Ps extends Parameters> = {
  [K in keyof Ps]: Ps[K] extends { optional: true } | { kind: 'macro'; zero: 'none' } ? K : never
}[keyof Ps]

export type DocumentValues<Ps extends Parameters, Action = never> = Flatten<
  { -readonly [K in Exclude<keyof Ps, Spare<Ps>>]: DocumentValue<Ps[K], Action> } & {
    -readonly [K in Spare<Ps>]?: DocumentValue<Ps[K], Action>
  }
>

export const isOptional = (parameter: Parameter): boolean =>
  parameter.optional === true || (parameter.kind === 'macro' && parameter.zero === 'none')

/** The schema of each parameter by its name. @param action the schema of a nested action */
export const parameterSchemas = (
  parameters: Parameters,
  action?: () => Schema | Lazy<unknown>,
): Record<string, Schema | Lazy<unknown>> =>
  Object.fromEntries(
    Object.entries(parameters).map(([name, parameter]) => {
      const schema = parameterSchema(name, parameter, action)
      return [name, isOptional(parameter) ? schema.optional() : schema]
    }),
  )

/** The schema of a kind: its name and its parameters, and no other fields. */
export const kindSchema = (kind: string, parameters: Parameters, action?: () => Schema | Lazy<unknown>) =>
  object({ kind: literalSchema(kind), ...parameterSchemas(parameters, action) }).noUnknown()

/** Whether a value of the right type is within the bounds of its parameter. */
export function isWithinBounds(parameter: Parameter, value: unknown): boolean {
  switch (parameter.kind) {
    case 'number':
    case 'layer':
      return Number(value) >= parameter.min && Number(value) <= parameter.max
    case 'text':
      return value !== '' && String(value).length <= parameter.max
    default:
      return true
  }
}

/** The schema of one parameter. @param name the name used in problems */
export function parameterSchema(
  name: string,
  parameter: Parameter,
  action?: () => Schema | Lazy<unknown>,
): Schema | Lazy<unknown> {
  switch (parameter.kind) {
    case 'number':
    case 'layer':
      return numberSchema(parameter)
    case 'flag':
      return boolean().strict().required()
    case 'choice':
      return oneOfSchema(parameter.of)
    case 'colour':
      return colourSchema()
    case 'colours':
      return array(colourSchema()).strict().required().min(parameter.min).max(parameter.max)
    case 'inputs':
      return array(string().strict().required()).strict().required().max(255)
    case 'macro':
    case 'connection':
      return string()
        .strict()
        .required(problem(message('problems.missingId')))
    case 'target':
      return target()
    case 'key':
      return keyCodeSchema()
    case 'modifiers':
      return modifiersSchema()
    case 'id':
      return idSchema()
    case 'command-key':
      return commandKeySchema(parameter.optional)
    case 'control':
      return known((id) => consumerById(id) !== undefined)
    case 'shortcut':
      return known((id) => SHORTCUT_IDS.has(id))
    case 'text': {
      const text = wellFormedText(parameter.max)
      return parameter.oneLine
        ? text.test('line', problem(message('problems.oneLine')), (value) => !/[\n\r\t]/.test(value))
        : text
    }
    case 'bytes':
      return hexBytesSchema()
    case 'action':
      if (action) return action()
      throw new TypeError(`${name}: only an action contains an action`)
    case 'strokes':
      throw new TypeError(`${name}: a document has no strokes`)
  }
}

function numberSchema(parameter: Parameter & Bounds): Schema {
  const { min, max } = parameter
  const step = stepOf(parameter)
  if (step < 1) return number().strict().required().min(min).max(max)
  const bounded = integerSchema().min(min).max(max)
  return step === 1
    ? bounded
    : bounded.test(
        'multiple',
        problem(message('problems.notMultiple', { step })),
        (value) => value % step === 0,
      )
}

const known = (isKnown: (id: string) => boolean) =>
  string()
    .strict()
    .required()
    .test(
      'known',
      problem(({ value }) => message('problems.unknownValue', { value: String(value) })),
      isKnown,
    )

const targetNumber = number().strict().required().integer().min(TARGET_BOUNDS.min).max(TARGET_BOUNDS.max)
const targetWord = string<'next' | 'previous'>()
  .strict()
  .required()
  .oneOf(['next', 'previous'], problem(message('problems.target')))
const target = () =>
  lazy((value: unknown) => (typeof value === 'number' ? targetNumber : targetWord)).meta({
    oneOf: [targetNumber, targetWord],
  } satisfies LazyMeta)
