import type { DeviceSettings } from './settings'
import type { ImageAction } from '../actions/registry'
import type { StackEntry } from './light-stack'
import type { ImageMacro } from './macro-section'
import type { UnknownRecord } from './settings-section'
import type { ImageStep } from './steps-section'

/** An image in a device's terms: what its bytes say (docs/onboard-format.md). */
export interface OnboardImage {
  /** Number of the device model the image is for, and which revision of it; 0 is the first. */
  model: number
  revision: number
  /** Minor version of the format its writer used. */
  minor: number
  name: string
  layers: ImageLayer[]
  steps: ImageStep[]
  /** What steps are called, by their place from 0. */
  stepNames: { step: number; name: string }[]
  /** Index into `steps` of the one in force when the slot comes on. */
  defaultStep: number
  polling: { connection: number; rateHz: number }[]
  /** The stack of its lights, top first; undefined where they are as the factory set them. */
  light: StackEntry[] | undefined
  /** What effects are called, by their place from 0. */
  lightNames: { entry: number; name: string }[]
  /** Finer settings that are not as the factory set them. */
  settings: DeviceSettings
  /** Settings of a later version. */
  settingsKept: UnknownRecord[]
  /** Whether the image says which layers lie over the base layer; if not, they are the factory's. */
  layersListed: boolean
  /** What bindings are called in the game, by layer and input number. */
  names: { layer: number; input: number; name: string }[]
  /** Byte code of macros and what each is called, by number. */
  macros: ImageMacro[]
  /** What the profile was made for; for readers, the device does not look at it. */
  made: MadeFor
  /** Sections of a later version, kept byte for byte. */
  unknown: { type: number; payload: Uint8Array }[]
}

/**
 * Bindings of one layer by input number. An input that is not in it does what the factory set on the base layer,
 * and what the layer below says on any other.
 */
export interface ImageLayer {
  bindings: Map<number, ImageAction>
  name: string
  /** Number of its colour; the device has no use for it. */
  colour: number
  /** The signal by which devices on one receiver share it, or 0 for a layer of this device alone. */
  signal: number
}

/** Numbers into lists that only grow: operating systems from 1 (0 not said), layouts and hands from 0. */
export interface MadeFor {
  system: number
  layout: number
  hand: number
}

export const POLLING_UNIT_HZ = 125

export const SECTION = {
  name: 1,
  bindings: 2,
  steps: 3,
  polling: 4,
  zoneLight: 5,
  layers: 6,
  macros: 7,
  names: 8,
  light: 9,
  settings: 10,
  made: 11,
  macroNames: 12,
  stepNames: 13,
  revision: 14,
  lightNames: 15,
} as const

/** Layers an image may have over the base layer, and signals they may be shared by. */
export const MOST_UPPER_LAYERS = 7
export const MOST_SIGNAL = 7

/** An image that says nothing: all is as the factory set it. */
export const emptyImage = (model: number): OnboardImage => ({
  model,
  revision: 0,
  minor: 0,
  name: '',
  layers: [],
  steps: [],
  stepNames: [],
  defaultStep: 0,
  polling: [],
  light: undefined,
  lightNames: [],
  unknown: [],
  layersListed: false,
  names: [],
  macros: [],
  settings: {},
  settingsKept: [],
  made: { system: 0, layout: 0, hand: 0 },
})

/** A layer that says nothing. */
export const emptyLayer = (): ImageLayer => ({ bindings: new Map(), name: '', colour: 0, signal: 0 })
