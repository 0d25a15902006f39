import type { DeviceSettings } from './settings'
import type { ImageAction } from '../actions/registry'
import type { StackEntry } from './light-stack'
import type { ImageMacro } from './macro-section'
import type { UnknownRecord } from './settings-section'
import type { ImageStep } from './steps-section'

/** An image in a device's terms: the contents of its bytes (docs/onboard-format.md). */
export interface OnboardImage {
  /** Number of the device model, and its revision; 0 is the first. */
  model: number
  revision: number
  /** Minor version of the format that its writer used. */
  minor: number
  name: string
  layers: ImageLayer[]
  steps: ImageStep[]
  /** Names of steps, by their index. */
  stepNames: { step: number; name: string }[]
  /** Index into `steps` of the active one when the slot becomes active. */
  defaultStep: number
  polling: { connection: number; rateHz: number }[]
  /** The stack of its lights, from top to bottom; undefined for factory settings. */
  light: StackEntry[] | undefined
  /** Names of effects, by their index. */
  lightNames: { entry: number; name: string }[]
  /** Device settings that differ from factory settings. */
  settings: DeviceSettings
  /** Settings from a later version. */
  settingsKept: UnknownRecord[]
  /** Whether the image lists the layers above the base layer; if not, they are the factory layers. */
  layersListed: boolean
  /** In-game names of bindings, by layer and input number. */
  names: { layer: number; input: number; name: string }[]
  /** Byte code and names of macros, by number. */
  macros: ImageMacro[]
  /** The computer of the profile; only for readers, the device ignores it. */
  made: TargetNumbers
  /** Sections from a later version, kept byte for byte. */
  unknown: { type: number; payload: Uint8Array }[]
}

/**
 * Bindings of one layer by input number. A missing input has factory settings on the base layer, and inherits from the
 * layer below on others.
 */
export interface ImageLayer {
  bindings: Map<number, ImageAction>
  name: string
  /** Number of its colour, which the device does not use. */
  colour: number
  /** The signal for sharing with other devices on one receiver, or 0 for this device only. */
  signal: number
}

/** Numbers into lists that only grow: operating systems from 1 (0: not set), layouts and hands from 0. */
export interface TargetNumbers {
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

/** Maximum number of layers above the base layer, and of signals for sharing them. */
export const MAX_UPPER_LAYERS = 7
export const MAX_SIGNAL = 7

/** An empty image: everything has factory settings. */
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

/** An empty layer. */
export const emptyLayer = (): ImageLayer => ({ bindings: new Map(), name: '', colour: 0, signal: 0 })
