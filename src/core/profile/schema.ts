import {
  array,
  lazy,
  number,
  object,
  string,
  ValidationError,
  type InferType,
  type ISchema,
  type Schema,
} from 'yup'
import { BUTTON_COUNT } from '../hid/button-page'
import { consumerById } from '../hid/consumer-page'
import { keyByCode } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import { HEX_COLOUR } from '../light/colour'

/** The gate for profiles, wherever they come from: types are inferred from it, errors say path and remedy. */

const whole = (what: string) =>
  number().strict().required('${path} is missing').integer(`\${path}: ${what} is a whole number`)
const literal = <T extends string>(value: T) => string<T>().strict().required().oneOf([value])

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

const target = () =>
  lazy((value: unknown) =>
    typeof value === 'number'
      ? number().strict().required().integer().min(1).max(250)
      : string<'next' | 'previous'>()
          .strict()
          .required('${path} is missing')
          .oneOf(['next', 'previous'], '${path} is next, previous or a number from 1'),
  )

const keyAction = object({
  kind: literal('key'),
  code: code(),
  modifiers: array(modifierCode()).strict().required('${path} is missing: a list, empty for none'),
}).noUnknown()
const buttonAction = object({
  kind: literal('button'),
  button: whole('a mouse button').min(1).max(BUTTON_COUNT),
  clicks: whole('a number of clicks').min(1).max(2),
}).noUnknown()
const scrollAction = object({
  kind: literal('scroll'),
  direction: string<'up' | 'down' | 'left' | 'right'>()
    .strict()
    .required()
    .oneOf(['up', 'down', 'left', 'right']),
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
const stepAction = object({ kind: literal('step'), to: target() }).noUnknown()
const slotAction = object({ kind: literal('slot'), to: target() }).noUnknown()
const offAction = object({ kind: literal('off') }).noUnknown()

/** What an input can do, as a person's profile says it. */
export type Action =
  | InferType<typeof keyAction>
  | InferType<typeof buttonAction>
  | InferType<typeof scrollAction>
  | InferType<typeof controlAction>
  | InferType<typeof stepAction>
  | InferType<typeof slotAction>
  | InferType<typeof offAction>

const actionSchemas: Record<Action['kind'], Schema<Action>> = {
  key: keyAction,
  button: buttonAction,
  scroll: scrollAction,
  control: controlAction,
  step: stepAction,
  slot: slotAction,
  off: offAction,
}

const colour = () =>
  string()
    .strict()
    .required('${path} is missing: a colour as #rrggbb')
    .matches(HEX_COLOUR, '${path}: "${value}" is not a colour as #rrggbb')
const brightness = () => whole('brightness in percent').min(1).max(100)
const periodMs = () =>
  whole('a period in ms')
    .min(500)
    .max(10_000)
    .test('grid', '${path}: periods go by 50 ms', (value) => value % 50 === 0)

const offEffect = object({ kind: literal('off') }).noUnknown()
const solidEffect = object({ kind: literal('solid'), colour: colour(), brightness: brightness() }).noUnknown()
const breathingEffect = object({
  ...{ kind: literal('breathing'), colour: colour(), brightness: brightness(), periodMs: periodMs() },
}).noUnknown()
const cycleEffect = object({
  kind: literal('cycle'),
  brightness: brightness(),
  periodMs: periodMs(),
}).noUnknown()

/** What a zone shows. */
export type Effect =
  | InferType<typeof offEffect>
  | InferType<typeof solidEffect>
  | InferType<typeof breathingEffect>
  | InferType<typeof cycleEffect>

const effectSchemas: Record<Effect['kind'], Schema<Effect>> = {
  off: offEffect,
  solid: solidEffect,
  breathing: breathingEffect,
  cycle: cycleEffect,
}

const step = object({ dpi: whole('DPI').min(1).max(65_535), colour: colour() }).noUnknown()

/** Bytes a name may take in UTF-8. */
export const MOST_NAME_BYTES = 60

export const profileNameSchema = string()
  .strict()
  .required('a profile needs a name')
  .test('blank', 'a profile needs a name that is more than spaces', (value) => value.trim() !== '')
  // A lone surrogate has no UTF-8 and would come back as something else.
  .test('unicode', 'the name holds half a character; type it again', (value) => !LONE_SURROGATE.test(value))
  .test(
    'bytes',
    `the name is too long: ${MOST_NAME_BYTES} bytes at most`,
    (value) => new TextEncoder().encode(value).length <= MOST_NAME_BYTES,
  )

const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

export interface Binding {
  action: Action
}

/** Bindings that differ from the factory's, by input id. */
export interface Layer {
  bindings: Record<string, Binding>
}

export interface Profile {
  format: 'unisera-profile'
  version: 1
  name: string
  /** Id of the device model it is for. */
  model: string
  layers: Layer[]
  steps: InferType<typeof step>[]
  defaultStep: number
  /** Polling rate in Hz by connection id. */
  polling: Record<string, number>
  /** Effect by zone id. */
  light: Record<string, Effect>
}

const profileShape = object({
  format: literal('unisera-profile'),
  version: number<1>()
    .strict()
    .required()
    .oneOf([1], 'version ${value} is later than this Unisera reads (1)'),
  name: profileNameSchema,
  model: string().strict().required(),
  layers: array(
    object({
      bindings: mapOf('an input', () => object({ action: kindOf('action', actionSchemas) }).noUnknown()),
    }).noUnknown(),
  )
    .strict()
    .required()
    .length(1, '${path}: this version keeps one layer'),
  steps: array(step).strict().required().min(1, '${path}: at least one step').max(16),
  defaultStep: whole('the default step').min(0),
  polling: mapOf('a connection', () => whole('a rate in Hz').min(1)),
  light: mapOf('a zone', () => kindOf('effect', effectSchemas)),
}).noUnknown('${path} holds ${unknown}, which a profile does not have')

/** A profile that was refused. `problems` has a line each: where, and what would be right. */
export class ProfileError extends Error {
  override name = 'ProfileError'
  constructor(readonly problems: string[]) {
    super(problems.join('; '))
  }
}

/**
 * Takes anything and returns a profile, or says all that is wrong with it.
 *
 * @throws ProfileError with a line for each problem
 */
export function parseProfile(value: unknown): Profile {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw new ProfileError(['this is no profile: a JSON object is due'])
  }
  try {
    // Yup infers records as unions of undefined; the checks above are the same as the interface.
    const profile: Profile = profileShape.validateSync(value, { strict: true, abortEarly: false }) as Profile
    return profile
  } catch (error) {
    if (error instanceof ValidationError) throw new ProfileError([...new Set(error.errors)])
    throw error
  }
}

/** A record whose every value passes one schema, whatever its keys. */
function mapOf(what: string, valueSchema: () => ISchema<unknown>) {
  return lazy((value: unknown) => {
    const keys =
      typeof value === 'object' && value !== null && !Array.isArray(value) ? Object.keys(value) : []
    return object(Object.fromEntries(keys.map((key) => [key, valueSchema()])))
      .strict()
      .required(`\${path} is missing: an object with ${what} a key`)
  })
}

/** A schema chosen by the `kind` of the value. */
function kindOf<T extends { kind: string }>(what: string, schemas: Record<T['kind'], Schema<T>>) {
  const kinds = Object.keys(schemas)
  return lazy((value: unknown) => {
    const kind = typeof value === 'object' && value !== null && 'kind' in value ? String(value.kind) : ''
    const found = Object.entries<Schema<T>>(schemas).find(([name]) => name === kind)
    return found
      ? found[1].required()
      : object()
          .required(`\${path} is missing: an ${what}`)
          .test(
            'kind',
            `\${path}: "${kind}" is not a kind of ${what}; there are ${kinds.join(', ')}`,
            () => false,
          )
  })
}
