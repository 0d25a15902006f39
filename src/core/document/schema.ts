import { array, number, object, string } from 'yup'
import { settingKinds, type DeviceSettings } from '../onboard/settings'
import { LAYOUT_IDS } from '../computer/layouts'
import { MUST_UNDERSTAND } from '../onboard/format'
import { MAX_SIGNAL, MAX_UPPER_LAYERS } from '../onboard/image'
import { KNOWN_SECTIONS } from '../onboard/sections'
import { MAX_MACROS } from '../onboard/macro-section'
import { actionSchema, type Action } from './action-schema'
import { lightSchema, type StackItem } from './light'
import { migrate } from './migrations'
import {
  MAX_BINDING_NAME_BYTES,
  MAX_LAYER_NAME_BYTES,
  MAX_NAME_BYTES,
  MAX_STEP_NAME_BYTES,
} from '../base/name-lengths'
import { ProfileError } from '../base/errors'
import { parameterSchema } from './parameter-schema'
import {
  colourSchema,
  hexBytesSchema,
  idSchema,
  isName,
  isNotBlank,
  isShort,
  literalSchema,
  mapSchema,
  oneOfSchema,
  problem,
  tagsSchema,
  integerSchema,
  wellFormedText,
  validate,
} from './schema-parts'
import { OPERATING_SYSTEMS, type TargetComputer, type OperatingSystem } from '../computer/shortcuts'
import { factList, message } from '../message/message'

export type { StackedEffect, StackItem } from './light'
export type { Action, SingleAction, TapHold } from './action-schema'
export * from '../base/name-lengths'
export { ProfileError } from '../base/errors'

/** The schema of profiles: types are inferred from it, and problems name the path and the expected value. */

export const profileNameSchema = string()
  .strict()
  .required(problem(message('problems.noProfileName')))
  .test(isNotBlank)
  .test(isName)
  .test(isShort(MAX_NAME_BYTES))

/** Maximum number of characters of a note. */
export const MAX_NOTE_CHARACTERS = 300

export interface Binding {
  action: Action
  /** Its in-game name. */
  name?: string
  /** The person's note, which stays in the library. */
  note?: string
}

/** Shades of the binding colours, which differ in hue and in the mark next to them. */
export const LAYER_COLOURS = ['indigo', 'sky', 'violet', 'slate', 'ultramarine', 'lavender', 'steel'] as const
export type LayerColour = (typeof LAYER_COLOURS)[number]

/**
 * One full set of bindings. On the base layer (the first), inputs without a binding have factory settings; on others,
 * they inherit from the layer below.
 */
export interface Layer {
  name: string
  colour: LayerColour
  /** Devices on one receiver activate layers with the same signal together. */
  signal?: number
  bindings: Record<string, Binding>
}

/** No macro that repeats by itself; no press that performs several actions. */
export const PLAY_RULES = ['no-repeats', 'one-action'] as const
export type PlayRule = (typeof PLAY_RULES)[number]

/** The hand that holds a mouse with thumb buttons on both sides. */
export type Hand = 'right' | 'left'

export interface Profile {
  format: 'unisera-profile'
  version: 7
  name: string
  /** Search words, such as a game, a season or a person. They stay in the library. */
  tags: string[]
  /** Rules of a game or tournament that the checks enforce. */
  rules: PlayRule[]
  /** Id of the device model. */
  model: string
  computer: TargetComputer
  /** Id of the program whose commands its cells offer. It stays in the library. */
  program?: string
  hand: Hand
  /** Base first; later layers are above earlier ones. */
  layers: Layer[]
  /** Empty on a device without a sensor. */
  steps: Step[]
  defaultStep: number
  /** Polling rate in Hz by connection id. */
  polling: Record<string, number>
  /** Device settings that differ from factory settings. */
  settings: DeviceSettings
  /** The effect stack, from top to bottom. */
  light: StackItem[]
  /** Parts of an image that this version does not know. */
  later?: UnknownContent
}

/** Kept byte for byte, so that a profile read from a device with a later version can be written back. */
export interface UnknownContent {
  /** Minor version of the image format. */
  minor?: number
  /** Whole sections and settings, with their contents in hexadecimal. */
  sections?: UnknownBytes[]
  settings?: UnknownBytes[]
  /** Numbers of macros in the image by their ids, if they differ from those of a new image. */
  macros?: Record<string, number>
}

export interface UnknownBytes {
  code: number
  bytes: string
}

const bindingSchema = () =>
  object({
    action: actionSchema(),
    name: bindingNameSchema.optional(),
    note: noteSchema.optional(),
  }).noUnknown()

const nameSchema = (maxBytes: number) =>
  wellFormedText(MAX_NOTE_CHARACTERS).test(isNotBlank).test(isName).test(isShort(maxBytes))

/** One DPI step, in counts per inch. */
export interface Step {
  dpi: number
  /** On the Y axis, if it differs from X. */
  dpiY?: number
  colour: string
  name?: string
}

export const stepNameSchema = nameSchema(MAX_STEP_NAME_BYTES)

const dpi = () => integerSchema().min(1).max(65_535)
const step = object({
  dpi: dpi(),
  dpiY: dpi().optional(),
  colour: colourSchema(),
  name: stepNameSchema.optional(),
}).noUnknown()

const settings = object(
  Object.fromEntries(
    settingKinds().map(([key, { parameter }]) => [key, parameterSchema(key, parameter).optional()]),
  ),
)
  .strict()
  .required()
  .noUnknown()

export const bindingNameSchema = nameSchema(MAX_BINDING_NAME_BYTES)
export const noteSchema = wellFormedText(MAX_NOTE_CHARACTERS)
export const layerNameSchema = nameSchema(MAX_LAYER_NAME_BYTES)

const layerSchema = object({
  name: layerNameSchema,
  colour: oneOfSchema(LAYER_COLOURS),
  signal: integerSchema().min(1).max(MAX_SIGNAL).optional(),
  bindings: mapSchema(bindingSchema),
}).noUnknown()

const computerSchema = object({
  system: string<OperatingSystem>()
    .strict()
    .oneOf(
      OPERATING_SYSTEMS,
      problem(message('problems.notOneOf', { values: factList(OPERATING_SYSTEMS, 'comma') })),
    )
    .optional(),
  layout: oneOfSchema(LAYOUT_IDS),
})
  .strict()
  .required(problem(message('problems.missingComputer')))
  .noUnknown()

const laterBytes = (min: number, max: number) =>
  array(object({ code: integerSchema().min(min).max(max), bytes: hexBytesSchema() }).noUnknown())
    .strict()
    .max(64)
    .optional()

const laterSchema = object({
  minor: integerSchema().min(1).max(255).optional(),
  sections: laterBytes(0, MUST_UNDERSTAND - 1).test(
    'unknown',
    problem(message('problems.knownSection')),
    (value) => value?.every(({ code }) => !KNOWN_SECTIONS.has(code)) ?? true,
  ),
  settings: laterBytes(0, 31),
  macros: mapSchema(() => integerSchema().min(1).max(MAX_MACROS))
    .optional()
    .meta({ optional: true }),
}).noUnknown()

/** The schema of a profile in this version; use {@link parseProfile} to validate. */
export const profileShape = object({
  format: literalSchema('unisera-profile'),
  version: number<7>()
    .strict()
    .required(problem(message('problems.noVersion')))
    .oneOf([7], ({ value }: { value: unknown }) =>
      message('problems.laterVersion', { max: 7, version: String(value) }),
    ),
  name: profileNameSchema,
  tags: tagsSchema(),
  rules: array(oneOfSchema(PLAY_RULES))
    .strict()
    .required(problem(message('problems.missingList'))),
  model: string().strict().required(),
  computer: computerSchema,
  program: idSchema().optional(),
  hand: oneOfSchema<Hand>(['right', 'left']),
  layers: array(layerSchema)
    .strict()
    .required()
    .min(1, problem(message('problems.baseLayerMissing')))
    .max(1 + MAX_UPPER_LAYERS, problem(message('problems.maxLayers', { max: MAX_UPPER_LAYERS }))),
  steps: array(step).strict().required().max(16),
  defaultStep: integerSchema().min(0),
  polling: mapSchema(() => integerSchema().min(1)),
  settings,
  light: lightSchema,
  later: laterSchema.optional().default(undefined),
}).noUnknown()

/**
 * Validates any value as a profile, or reports all problems.
 *
 * @throws ProfileError with a line for each problem
 */
export function parseProfile(value: unknown): Profile {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw new ProfileError([message('problems.notProfile')])
  }
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Yup infers records as unions of undefined; the schema is as strict as the type
  return validate(profileShape, migrate(value)) as Profile
}
