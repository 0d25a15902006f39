import { array, number, object, string } from 'yup'
import { settingKinds, type DeviceSettings } from '../onboard/settings'
import { LAYOUT_IDS, type LayoutId } from '../computer/layouts'
import { MUST_UNDERSTAND } from '../onboard/format'
import { MOST_SIGNAL, MOST_UPPER_LAYERS } from '../onboard/image'
import { KNOWN_SECTIONS } from '../onboard/sections'
import { MOST_MACROS } from '../onboard/macro-section'
import { actionSchema, type Action } from './action-schema'
import { lightSchema, type StackItem } from './light'
import { migrated } from './migrations'
import {
  MOST_BINDING_NAME_BYTES,
  MOST_LAYER_NAME_BYTES,
  MOST_NAME_BYTES,
  MOST_STEP_NAME_BYTES,
} from '../base/name-lengths'
import { utf8Bytes } from '../base/names'
import { ProfileError } from '../base/refusal'
import { parameterSchema } from './parameter-schema'
import {
  colour,
  hexBytes,
  isName,
  literal,
  mapOf,
  tagsSchema,
  whole,
  wholeText,
  passed,
} from './schema-parts'
import { OPERATING_SYSTEMS, type ComputerSetUp, type OperatingSystem } from '../computer/shortcuts'

export type { StackedEffect, StackItem } from './light'
export type { Action, SingleAction, TapHold } from './action-schema'
export * from '../base/name-lengths'
export { ProfileError } from '../base/refusal'

/** The gate for profiles, wherever they come from: types are inferred from it, errors say path and remedy. */

export const profileNameSchema = string()
  .strict()
  .required('a profile needs a name')
  .test('blank', 'a profile needs a name that is more than spaces', (value) => value.trim() !== '')
  .test(isName('the name'))
  .test(
    'bytes',
    `the name is too long: ${MOST_NAME_BYTES} bytes at most`,
    (value) => utf8Bytes(value) <= MOST_NAME_BYTES,
  )

/** Characters a note may have. */
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

/** No macro that goes on by itself; no press that does several things in a row. */
export const PLAY_RULES = ['no-repeats', 'one-action'] as const
export type PlayRule = (typeof PLAY_RULES)[number]

/** The side a mouse with buttons on both flanks is held at by the thumb of the right or the left hand. */
export type Hand = 'right' | 'left'

export interface Profile {
  format: 'unisera-profile'
  version: 6
  name: string
  /** Words to find it by: a game, a season, a person. They stay in the library. */
  tags: string[]
  /** What a game or a tournament forbids, and the checks hold it to. */
  rules: PlayRule[]
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
  /** Effects over each other, top first. */
  light: StackItem[]
  /** What an image had that this version does not know. */
  later?: Later
}

/** Kept byte for byte, so that a profile read from a device of a later version can be written to it again. */
export interface Later {
  /** Minor version of the format it was written in. */
  minor?: number
  /** Whole sections and settings, their content in hexadecimal. */
  sections?: LaterBytes[]
  settings?: LaterBytes[]
  /** Numbers that macros have in the image, by their ids, where they are not those of a new image. */
  macros?: Record<string, number>
}

export interface LaterBytes {
  code: number
  bytes: string
}

const bindingSchema = () =>
  object({
    action: actionSchema(),
    name: bindingNameSchema.optional(),
    note: noteSchema.optional(),
  }).noUnknown()

function named(what: string, most: number) {
  return wholeText(MOST_NOTE)
    .test({
      name: 'blank',
      message: `\${path}: ${what} is more than spaces`,
      skipAbsent: true,
      test: (value) => value.trim() !== '',
    })
    .test(isName(`\${path}: ${what}`))
    .test({
      name: 'bytes',
      message: `\${path}: ${what} takes ${most} bytes at most`,
      skipAbsent: true,
      test: (value) => utf8Bytes(value) <= most,
    })
}

/** One sensitivity setting, in counts per inch. */
export interface Step {
  dpi: number
  /** Along, where it is not as across. */
  dpiY?: number
  colour: string
  name?: string
}

export const stepNameSchema = named('the name of a step', MOST_STEP_NAME_BYTES)

const dpi = () => whole('DPI').min(1).max(65_535)
const step = object({
  dpi: dpi(),
  dpiY: dpi().optional(),
  colour: colour(),
  name: stepNameSchema.optional(),
}).noUnknown()

const settings = object(
  Object.fromEntries(
    settingKinds().map(([key, { parameter }]) => [key, parameterSchema(key, parameter).optional()]),
  ),
)
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

const laterBytes = (least: number, most: number) =>
  array(object({ code: whole('a code').min(least).max(most), bytes: hexBytes() }).noUnknown())
    .strict()
    .max(64)
    .optional()

const laterSchema = object({
  minor: whole('a minor version').min(1).max(255).optional(),
  sections: laterBytes(0, MUST_UNDERSTAND - 1).test(
    'unknown',
    '${path} holds a section that this version knows',
    (value) => value?.every(({ code }) => !KNOWN_SECTIONS.has(code)) ?? true,
  ),
  settings: laterBytes(0, 31),
  macros: mapOf('the id of a macro', () => whole('the number of a macro').min(1).max(MOST_MACROS))
    .optional()
    .meta({ optional: true }),
}).noUnknown()

/** The shape of a profile in this version; {@link parseProfile} is the gate. */
export const profileShape = object({
  format: literal('unisera-profile'),
  version: number<6>()
    .strict()
    .required('a profile says its version')
    .oneOf([6], 'version ${value} is later than this Unisera reads (6)'),
  name: profileNameSchema,
  tags: tagsSchema(),
  rules: array(
    string<PlayRule>()
      .strict()
      .required()
      .oneOf(PLAY_RULES, `\${path} is one of ${PLAY_RULES.join(', ')}`),
  )
    .strict()
    .required('${path} is missing: a list, empty for none'),
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
  light: lightSchema,
  later: laterSchema.optional().default(undefined),
}).noUnknown('${path} holds ${unknown}, which a profile does not have')

/**
 * Takes anything and returns a profile, or says all that is wrong with it.
 *
 * @throws ProfileError with a line for each problem
 */
export function parseProfile(value: unknown): Profile {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    throw new ProfileError(['this is no profile: a JSON object is due'])
  }
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- Yup infers records as unions of undefined; the schema is as strict as the type
  return passed(profileShape, migrated(value)) as Profile
}
