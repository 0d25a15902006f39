import {
  array,
  lazy,
  number,
  object,
  string,
  type InferType,
  type Lazy,
  type ObjectSchema,
  type Schema,
} from 'yup'
import { CHOSEN, type ActionParameter, type ActionParameters, type ValueOf } from '../actions/parameters'
import { ACTIONS } from '../actions/registry'
import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import { SHORTCUT_IDS } from '../computer/shortcuts'
import { colour, hexBytes, kindOf, literal, oneOf, whole, wholeText, type LazyMeta } from './schema-parts'

/**
 * What an input can do, as a profile's file says it: one schema a kind. Those of kinds that say what the device says are
 * derived from its definitions in core/actions; only what has words of its own in a document is written here.
 */

/** Characters a typed text or the target of an opening may have. */
export const MOST_TEXT = 500

const code = () =>
  string()
    .strict()
    .required('${path} is missing: the `code` of a key')
    .test(
      'key',
      '${path}: "${value}" is not the code of a key that can be bound',
      (value) => !!keyByCode(value),
    )

const modifierCode = () =>
  code().test('modifier', '${path}: "${value}" is not a modifier key', (value) =>
    isModifierUsage(keyByCode(value)?.usage ?? 0),
  )

const targetNumber = number().strict().required().integer().min(CHOSEN.least).max(CHOSEN.most)
const targetWord = string<'next' | 'previous'>()
  .strict()
  .required('${path} is missing')
  .oneOf(['next', 'previous'], '${path} is next, previous or a number from 1')
const target = () =>
  lazy((value: unknown) => (typeof value === 'number' ? targetNumber : targetWord)).meta({
    oneOf: [targetNumber, targetWord],
  } satisfies LazyMeta)

const keyAction = object({
  kind: literal('key'),
  code: code(),
  modifiers: array(modifierCode()).strict().required('${path} is missing: a list, empty for none'),
}).noUnknown()
const shortcutAction = object({
  kind: literal('shortcut'),
  shortcut: string()
    .strict()
    .required('${path} is missing')
    .test('shortcut', '${path}: "${value}" is not a shortcut that is known', (value) =>
      SHORTCUT_IDS.has(value),
    ),
}).noUnknown()
const scrollAction = object({
  kind: literal('scroll'),
  direction: oneOf('up', 'down', 'left', 'right'),
  amount: whole('an amount of detents').min(1).max(100),
}).noUnknown()
const controlAction = object({
  kind: literal('control'),
  control: string()
    .strict()
    .required('${path} is missing')
    .test(
      'control',
      '${path}: "${value}" is not a control that can be bound',
      (value) => !!consumerById(value),
    ),
}).noUnknown()
const textAction = object({ kind: literal('text'), text: wholeText(MOST_TEXT) }).noUnknown()
const openAction = object({
  kind: literal('open'),
  what: oneOf('program', 'file', 'folder', 'address'),
  target: wholeText(MOST_TEXT).test('line', '${path} is one line', (value) => !/[\n\r\t]/.test(value)),
}).noUnknown()
/** An action record that no profile of this version can say: kept byte for byte, and shown as what it is. */
const laterAction = object({
  kind: literal('later'),
  code: whole('the code of an action').min(0).max(31),
  bytes: hexBytes(),
}).noUnknown()

// ---- derived from the device's own ----

/** Kinds that say in a document what they say in a device, but for colours, and macros by their ids. */
const ALIKE = [
  'off',
  'button',
  'step',
  'hold-step',
  'slot',
  'layer',
  'countdown',
  'light',
  'macro',
  'macro-parts',
  'stop-macros',
] as const
type Alike = (typeof ALIKE)[number]

type Flat<T> = { [K in keyof T]: T[K] }
/** What may be left out: what the device may do without, and a macro that may be none. */
type Spare<Ps extends ActionParameters> = {
  [K in keyof Ps]: Ps[K] extends { optional: true } | { kind: 'macro'; least: 0 } ? K : never
}[keyof Ps]
type InDocument<P extends ActionParameter> = P extends { kind: 'colour' | 'macro' } ? string : ValueOf<P>
type DocumentOf<Ps extends ActionParameters> = Flat<
  { -readonly [K in Exclude<keyof Ps, Spare<Ps>>]: InDocument<Ps[K]> } & {
    -readonly [K in Spare<Ps>]?: InDocument<Ps[K]>
  }
>
/** The device's own action in a document's terms. */
type ActionOf<Name extends Alike> = { kind: Name } & (Name extends 'hold-step'
  ? { step: number } | { dpi: number }
  : DocumentOf<(typeof ACTIONS)[Name]['parameters']>)

export type MacroAction = Flat<ActionOf<'macro'>>
export type MacroPartsAction = Flat<ActionOf<'macro-parts'>>

export const mayBeMissing = (parameter: ActionParameter): boolean =>
  parameter.optional === true || (parameter.kind === 'macro' && parameter.least === 0)

function parameterSchema(name: string, parameter: ActionParameter): Schema | Lazy<unknown> {
  switch (parameter.kind) {
    case 'byte':
    case 'signed':
    case 'short':
    case 'whole':
    case 'layer': {
      const { least, most } = parameter
      const bounded = whole(parameter.kind === 'layer' ? 'a layer' : name)
        .min(least)
        .max(most)
      const { grid = 1 } = 'grid' in parameter ? parameter : {}
      return grid === 1
        ? bounded
        : bounded.test('grid', `\${path}: ${name} goes by ${grid}`, (value) => value % grid === 0)
    }
    case 'macro':
      return string().strict().required('${path} is missing: the id of a macro')
    case 'choice':
      return oneOf(...parameter.of)
    case 'colour':
      return colour()
    case 'target':
      return target()
    case 'action':
      return kindOf('action', singleSchemas)
    case 'strokes':
      throw new TypeError(`${name}: a document has no strokes`)
  }
}

const derived = (kind: keyof typeof ACTIONS): ObjectSchema<object> =>
  object({
    kind: literal(kind),
    ...Object.fromEntries(
      Object.entries<ActionParameter>(ACTIONS[kind].parameters).map(([name, parameter]) => {
        const schema = parameterSchema(name, parameter)
        return [name, mayBeMissing(parameter) ? schema.optional() : schema]
      }),
    ),
  }).noUnknown()

/** What the parameters of a kind are to each other, and what is said behind the path where they are not. */
const TOGETHER: {
  [Name in Alike]?: [
    what: string,
    holds: (action: Partial<DocumentOf<(typeof ACTIONS)[Name]['parameters']>>) => boolean,
  ]
} = {
  'hold-step': [
    ' has either a step or a dpi',
    ({ step, dpi }) => (step === undefined) !== (dpi === undefined),
  ],
  macro: [
    ': times goes with playing so many times',
    ({ play, times }) => (play === 'times') === (times !== undefined),
  ],
  'macro-parts': [' has no part at all', ({ press, held, release }) => !!(press ?? held ?? release)],
}

function alikeSchema(kind: Alike): Schema {
  const [what, holds] = (TOGETHER[kind] ?? []) as [string?, ((action: object) => boolean)?]
  return holds ? derived(kind).test('together', `\${path}${what}`, holds) : derived(kind)
}

export interface LaterAction {
  kind: 'later'
  code: number
  /** Its payload, in hexadecimal. */
  bytes: string
}

/** One thing an input does, whether it is tapped or held. */
export type SingleAction =
  | { [Name in Alike]: ActionOf<Name> }[Alike]
  | InferType<typeof keyAction>
  | InferType<typeof shortcutAction>
  | InferType<typeof scrollAction>
  | InferType<typeof controlAction>
  | InferType<typeof textAction>
  | InferType<typeof openAction>
  | LaterAction

/** One action when the input is let go before the threshold, another when it is not. */
export interface TapHold {
  kind: 'tap-hold'
  tap: SingleAction
  hold: SingleAction
  thresholdMs: number
  /** `time`: only the threshold decides; `press`: another input pressed before it makes it a hold as well. */
  decide: 'time' | 'press'
}

export type Action = SingleAction | TapHold

const singleSchemas: Record<string, Schema> = {
  key: keyAction,
  shortcut: shortcutAction,
  scroll: scrollAction,
  control: controlAction,
  text: textAction,
  open: openAction,
  ...Object.fromEntries(ALIKE.map((kind) => [kind, alikeSchema(kind)])),
  later: laterAction,
} satisfies Partial<Record<SingleAction['kind'], Schema>>

/** The gate for one action. */
export const actionSchema = () => kindOf('action', { ...singleSchemas, 'tap-hold': derived('tap-hold') })

/** The threshold of tap and hold, and what it is where none is said. */
export const TAP_HOLD_MS = { ...ACTIONS['tap-hold'].parameters.thresholdMs, standard: 200 } as const

/** A macro as it is played unless something else is said. */
export const playedOnce = (macro: string): MacroAction => ({
  kind: 'macro',
  macro,
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
})
