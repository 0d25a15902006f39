import { array, boolean, lazy, number, object, string, type Lazy, type Schema } from 'yup'
import type { DocumentParameter, Flatten, Parameter, Parameters, Target } from '../base/parameters'
import { TARGET_BOUNDS, stepOf } from '../base/parameters'
import { SHORTCUT_IDS } from '../computer/shortcuts'
import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import {
  colourSchema,
  hexBytesSchema,
  literalSchema,
  enumSchema,
  integerSchema,
  wellFormedText,
  type LazyMeta,
} from './schema-parts'

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
    case 'layer': {
      const { min, max } = parameter
      const step = stepOf(parameter)
      if (step < 1) return number().strict().required().min(min).max(max)
      const bounded = integerSchema(name).min(min).max(max)
      return step === 1
        ? bounded
        : bounded.test('grid', `\${path} goes by ${step}`, (value) => value % step === 0)
    }
    case 'flag':
      return boolean().strict().required()
    case 'choice':
      return enumSchema(...parameter.of)
    case 'colour':
      return colourSchema()
    case 'colours':
      return array(colourSchema()).strict().required().min(parameter.min).max(parameter.max)
    case 'inputs':
      return array(string().strict().required()).strict().required().max(255)
    case 'macro':
    case 'connection':
      return string().strict().required(`\${path} is missing; expected the id of a ${parameter.kind}`)
    case 'target':
      return target()
    case 'key':
      return keyCode()
    case 'modifiers':
      return array(modifierCode())
        .strict()
        .required('${path} is missing; expected a list, which may be empty')
    case 'control':
      return known('control', (id) => consumerById(id) !== undefined)
    case 'shortcut':
      return known('shortcut', (id) => SHORTCUT_IDS.has(id))
    case 'text': {
      const text = wellFormedText(parameter.max)
      return parameter.oneLine
        ? text.test('line', '${path} is one line', (value) => !/[\n\r\t]/.test(value))
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

const keyCode = () =>
  string()
    .strict()
    .required('${path} is missing; expected the `code` of a key')
    .test(
      'key',
      '${path}: "${value}" is not the code of a key that can be sent',
      (value) => !!keyByCode(value),
    )

const modifierCode = () =>
  keyCode().test('modifier', '${path}: "${value}" is not a modifier key', (value) =>
    isModifierUsage(keyByCode(value)?.usage ?? 0),
  )

const known = (what: string, isKnown: (id: string) => boolean) =>
  string()
    .strict()
    .required('${path} is missing')
    .test(what, `\${path}: "\${value}" is not a ${what} that is known`, isKnown)

const targetNumber = number().strict().required().integer().min(TARGET_BOUNDS.min).max(TARGET_BOUNDS.max)
const targetWord = string<'next' | 'previous'>()
  .strict()
  .required('${path} is missing')
  .oneOf(['next', 'previous'], '${path} must be next, previous or a number from 1')
const target = () =>
  lazy((value: unknown) => (typeof value === 'number' ? targetNumber : targetWord)).meta({
    oneOf: [targetNumber, targetWord],
  } satisfies LazyMeta)
