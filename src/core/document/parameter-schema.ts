import { array, boolean, lazy, number, object, string, type Lazy, type Schema } from 'yup'
import type { DocumentParameter, Flat, Parameter, Parameters, Target } from '../base/parameters'
import { CHOSEN, gridOf } from '../base/parameters'
import { SHORTCUT_IDS } from '../computer/shortcuts'
import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import { colour, hexBytes, literal, oneOf, whole, wholeText, type LazyMeta } from './schema-parts'

/** Parameters in a document: the type of each value, and the schema that lets it through. */

/** Keys, colours, macros, connections and inputs go by ids and codes. `Action` is what an action within one is. */
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

/** What may be left out: what the device may do without, and a macro that may be none. */
type Spare<Ps extends Parameters> = {
  [K in keyof Ps]: Ps[K] extends { optional: true } | { kind: 'macro'; zero: 'none' } ? K : never
}[keyof Ps]

export type DocumentValues<Ps extends Parameters, Action = never> = Flat<
  { -readonly [K in Exclude<keyof Ps, Spare<Ps>>]: DocumentValue<Ps[K], Action> } & {
    -readonly [K in Spare<Ps>]?: DocumentValue<Ps[K], Action>
  }
>

export const mayBeMissing = (parameter: Parameter): boolean =>
  parameter.optional === true || (parameter.kind === 'macro' && parameter.zero === 'none')

/** The schema of each parameter by its name. @param action the schema of an action within an action */
export const parameterSchemas = (
  parameters: Parameters,
  action?: () => Schema | Lazy<unknown>,
): Record<string, Schema | Lazy<unknown>> =>
  Object.fromEntries(
    Object.entries(parameters).map(([name, parameter]) => {
      const schema = parameterSchema(name, parameter, action)
      return [name, mayBeMissing(parameter) ? schema.optional() : schema]
    }),
  )

/** The schema of a kind: its name and its parameters, and nothing beside them. */
export const kindSchema = (kind: string, parameters: Parameters, action?: () => Schema | Lazy<unknown>) =>
  object({ kind: literal(kind), ...parameterSchemas(parameters, action) }).noUnknown()

/** Whether a value is within the bounds of its parameter; of the right type it is already. */
export function fits(parameter: Parameter, value: unknown): boolean {
  switch (parameter.kind) {
    case 'number':
    case 'layer':
      return Number(value) >= parameter.least && Number(value) <= parameter.most
    case 'text':
      return value !== '' && String(value).length <= parameter.most
    default:
      return true
  }
}

/** The schema of one parameter. @param name said where its value is refused */
export function parameterSchema(
  name: string,
  parameter: Parameter,
  action?: () => Schema | Lazy<unknown>,
): Schema | Lazy<unknown> {
  switch (parameter.kind) {
    case 'number':
    case 'layer': {
      const { least, most } = parameter
      const grid = gridOf(parameter)
      if (grid < 1) return number().strict().required().min(least).max(most)
      const bounded = whole(name).min(least).max(most)
      return grid === 1
        ? bounded
        : bounded.test('grid', `\${path} goes by ${grid}`, (value) => value % grid === 0)
    }
    case 'flag':
      return boolean().strict().required()
    case 'choice':
      return oneOf(...parameter.of)
    case 'colour':
      return colour()
    case 'colours':
      return array(colour()).strict().required().min(parameter.least).max(parameter.most)
    case 'inputs':
      return array(string().strict().required()).strict().required().max(255)
    case 'macro':
    case 'connection':
      return string().strict().required(`\${path} is missing: the id of a ${parameter.kind}`)
    case 'target':
      return target()
    case 'key':
      return keyCode()
    case 'modifiers':
      return array(modifierCode()).strict().required('${path} is missing: a list, empty for none')
    case 'control':
      return known('control', (id) => consumerById(id) !== undefined)
    case 'shortcut':
      return known('shortcut', (id) => SHORTCUT_IDS.has(id))
    case 'text': {
      const text = wholeText(parameter.most)
      return parameter.oneLine
        ? text.test('line', '${path} is one line', (value) => !/[\n\r\t]/.test(value))
        : text
    }
    case 'bytes':
      return hexBytes()
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
    .required('${path} is missing: the `code` of a key')
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

const targetNumber = number().strict().required().integer().min(CHOSEN.least).max(CHOSEN.most)
const targetWord = string<'next' | 'previous'>()
  .strict()
  .required('${path} is missing')
  .oneOf(['next', 'previous'], '${path} is next, previous or a number from 1')
const target = () =>
  lazy((value: unknown) => (typeof value === 'number' ? targetNumber : targetWord)).meta({
    oneOf: [targetNumber, targetWord],
  } satisfies LazyMeta)
