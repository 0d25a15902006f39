import { array, boolean, number, object, string, ValidationError, type InferType, type Schema } from 'yup'
import type { DebounceStrategy } from '../motion/debounce'
import type { DeviceSettings } from '../motion/settings'
import { LAYOUT_IDS, type LayoutId } from '../hid/layouts'
import { actionSchema, LONE_SURROGATE, MOST_UPPER_LAYERS, wholeText, type Action } from './action-schema'
import { migrated } from './migrations'
import { colour, kindOf, literal, mapOf, whole } from './schema-parts'
import { OPERATING_SYSTEMS, type ComputerSetUp, type OperatingSystem } from './shortcuts'

export type { Action, SingleAction, TapHold } from './action-schema'

/** The gate for profiles, wherever they come from: types are inferred from it, errors say path and remedy. */

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

/** The colour of the step in use. */
const stepEffect = object({ kind: literal('step'), brightness: brightness() }).noUnknown()

/** What a zone shows. */
export type Effect =
  | InferType<typeof offEffect>
  | InferType<typeof solidEffect>
  | InferType<typeof breathingEffect>
  | InferType<typeof cycleEffect>
  | InferType<typeof stepEffect>

const effectSchemas: Record<Effect['kind'], Schema> = {
  off: offEffect,
  solid: solidEffect,
  breathing: breathingEffect,
  cycle: cycleEffect,
  step: stepEffect,
}

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

/** Bytes a layer's name, a binding's in-game name and its note may take in UTF-8. */
export const MOST_LAYER_NAME_BYTES = 24
export const MOST_BINDING_NAME_BYTES = 32
export const MOST_NOTE = 300

export interface Binding {
  action: Action
  /** What it does in the game. */
  name?: string
  /** For the person; it stays in the library. */
  note?: string
}

/** Shades of the family of bindings, told apart by hue and by the mark that goes with each. */
export const LAYER_COLOURS = ['indigo', 'sky', 'violet', 'slate', 'ultramarine', 'lavender', 'steel'] as const
export type LayerColour = (typeof LAYER_COLOURS)[number]

/** Signals that devices on one receiver can share a layer by. */
export const MOST_SIGNAL = 7

/**
 * One full set of bindings. On the base layer (the first) an input without a binding does what the factory set;
 * on any other it does what the layer below says.
 */
export interface Layer {
  name: string
  colour: LayerColour
  /** Layers of devices on one receiver that have the same signal are on together. */
  signal?: number
  bindings: Record<string, Binding>
}

/** The side a mouse with buttons on both flanks is held at by the thumb of the right or the left hand. */
export type Hand = 'right' | 'left'

export interface Profile {
  format: 'unisera-profile'
  version: 3
  name: string
  /** Id of the device model it is for. */
  model: string
  computer: ComputerSetUp
  hand: Hand
  /** Base first; a later one lies over those before it. */
  layers: Layer[]
  /** Empty on a device without a sensor. */
  steps: Step[]
  defaultStep: number
  /** Polling rate in Hz by connection id. */
  polling: Record<string, number>
  /** Finer settings that are not as the factory set them. */
  settings: DeviceSettings
  /** Effect by zone id. */
  light: Record<string, Effect>
}

const bindingSchema = () =>
  object({
    action: actionSchema(),
    name: bindingNameSchema.optional(),
    note: noteSchema.optional(),
  }).noUnknown()

function named(what: string, most: number) {
  return wholeText(MOST_NOTE)
    .test('blank', `\${path}: ${what} is more than spaces`, (value) => value?.trim() !== '')
    .test(
      'bytes',
      `\${path}: ${what} takes ${most} bytes at most`,
      (value) => value === undefined || new TextEncoder().encode(value).length <= most,
    )
}

/** One sensitivity setting, in counts per inch. */
export interface Step {
  dpi: number
  /** Along, where it is not as across. */
  dpiY?: number
  colour: string
  name?: string
}

/** Bytes a step's name may take in UTF-8. */
export const MOST_STEP_NAME_BYTES = 24

export const stepNameSchema = named('the name of a step', MOST_STEP_NAME_BYTES)

const dpi = () => whole('DPI').min(1).max(65_535)
const step = object({
  ...{ dpi: dpi(), dpiY: dpi().optional(), colour: colour() },
  name: stepNameSchema.optional(),
}).noUnknown()

const settings = object({
  liftOffMm: number().strict().min(0.1).max(25).optional(),
  angleSnapping: boolean().strict().optional(),
  debounceMs: whole('debounce in ms').min(0).max(255).optional(),
  debounce: string<DebounceStrategy>()
    .strict()
    .oneOf(['eager', 'deferred'], '${path} is eager or deferred')
    .optional(),
  sleepMinutes: whole('minutes').min(1).max(255).optional(),
  noticePercent: whole('a charge in percent').min(0).max(100).optional(),
})
  .strict()
  .required('${path} is missing')
  .noUnknown()

export const bindingNameSchema = named('an in-game name', MOST_BINDING_NAME_BYTES)
export const noteSchema = wholeText(MOST_NOTE)
export const layerNameSchema = named('the name of a layer', MOST_LAYER_NAME_BYTES)

const layerSchema = object({
  name: layerNameSchema,
  colour: string<LayerColour>()
    .strict()
    .required('${path} is missing')
    .oneOf(LAYER_COLOURS, `\${path} is one of ${LAYER_COLOURS.join(', ')}`),
  signal: whole('a signal').min(1).max(MOST_SIGNAL).optional(),
  bindings: mapOf('an input', bindingSchema),
}).noUnknown()

const computerSchema = object({
  system: string<OperatingSystem>()
    .strict()
    .oneOf(OPERATING_SYSTEMS, `\${path} is one of ${OPERATING_SYSTEMS.join(', ')}`)
    .optional(),
  layout: string<LayoutId>()
    .strict()
    .required('${path} is missing')
    .oneOf(LAYOUT_IDS, `\${path} is one of ${LAYOUT_IDS.join(', ')}`),
})
  .strict()
  .required('${path} is missing: the system and the layout it is made for')
  .noUnknown()

const profileShape = object({
  format: literal('unisera-profile'),
  version: number<3>()
    .strict()
    .required()
    .oneOf([3], 'version ${value} is later than this Unisera reads (3)'),
  name: profileNameSchema,
  model: string().strict().required(),
  computer: computerSchema,
  hand: string<Hand>()
    .strict()
    .required('${path} is missing')
    .oneOf(['right', 'left'], '${path} is right or left'),
  layers: array(layerSchema)
    .strict()
    .required()
    .min(1, '${path}: the base layer is missing')
    .max(1 + MOST_UPPER_LAYERS, `\${path}: at most ${MOST_UPPER_LAYERS} layers over the base layer`),
  steps: array(step).strict().required().max(16),
  defaultStep: whole('the default step').min(0),
  polling: mapOf('a connection', () => whole('a rate in Hz').min(1)),
  settings,
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
    const profile: Profile = profileShape.validateSync(migrated(value), {
      strict: true,
      abortEarly: false,
    }) as Profile
    return profile
  } catch (error) {
    if (error instanceof ValidationError) throw new ProfileError([...new Set(error.errors)])
    throw error
  }
}
