import type { ImageAction } from '../actions/registry'
import type { ImageStep } from '../onboard/steps-section'
import type { EffectName } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'
import type { DebounceStrategy } from '../onboard/settings'

/**
 * A device model: everything that is the same for each device of its kind, as data. A new device is a new file
 * in models/; no code asks for one by name. Lengths are millimetres, currents milliamperes.
 */
export interface DeviceModel {
  id: string
  /** Stands for the model in images and on the link. */
  number: number
  /** Which revision of the model this is; left out for the first, 0. A later one may have more inputs or zones. */
  revision?: number
  maker: string
  name: string
  kind: 'mouse' | 'keyboard'
  summary: string
  sheet: Sheet
  inputs: DeviceInput[]
  zones: LightZone[]
  /** Id of the zone that shows step, slot and signals for a moment. */
  indicatorZone: string
  /** None on a device that does not move. */
  sensor?: SensorData
  connections: Connection[]
  memory: MemoryGeometry
  debounce: DebounceData
  electrical: Electrical
  factory: FactorySettings
  standIn: StandIn
  /** None on a device without a radio. */
  pairing?: PairingData
  /** Ed25519 key of its maker, as hex: what its firmware is signed by. */
  firmwareKey: string
}

/** The simulated device of a model that ships with Unisera, as it is before anybody has touched it. */
export interface StandIn {
  serial: number
  /** Share of a full battery, 0 to 1; 0 where there is none. */
  charge: number
  /** How it is connected: by the receiver it is paired to, or by its cable. */
  over: 'receiver' | 'cable'
}

/** How a device with a radio is paired by hand. */
export interface PairingData {
  /** Id of the input that is held, and for how long. */
  input: string
  holdMs: number
}

/** The drawing sheet: views in place, lined up as on a technical drawing, all at one scale. */
export interface Sheet {
  widthMm: number
  heightMm: number
  views: SheetView[]
}

export interface SheetView {
  id: string
  title: string
  /** Where the view's own origin lies on the sheet. */
  at: Point
  widthMm: number
  heightMm: number
  body: Shape
  /** Ink lines on the body: joints, grips, feet. */
  lines: Shape[]
}

export type Point = readonly [x: number, y: number]

/** Outlines in a view's own millimetres; `d` is SVG path data. */
export type Shape =
  | { kind: 'path'; d: string }
  | { kind: 'line'; d: string; width: number }
  | { kind: 'rect'; x: number; y: number; width: number; height: number; radius: number }
  | { kind: 'circle'; x: number; y: number; radius: number }

export interface PlacedShape {
  view: string
  shape: Shape
  /** The flank it is on, for a mouse that can be held in either hand. */
  flank?: 'left' | 'right'
}

export interface DeviceInput {
  id: string
  /** What it is called by on the drawing, and its number in an image. */
  number: number
  name: string
  /** Pressed and let go, or turned a detent at a time. */
  kind: 'press' | 'turn'
  /** What a person's own mouse would press to mean this one: lets real hardware stand in for it. */
  role?: InputRole
  /** The input that the other hand has in its place; each of the two names the other. */
  mirror?: string
  shapes: PlacedShape[]
  /** Where the leader line ends, and the side of the sheet its label stands on. */
  leader: Leader
  /** The same for the left hand, where the input has a button on the other flank for it. */
  leftHandLeader?: Leader
  /** The key of a keyboard: what is printed on it, and the group of the sheet it is listed in. */
  key?: { code?: string; legend?: string }
  group?: string
  factory: ImageAction
}

export interface Leader {
  view: string
  at: Point
  side: 'left' | 'right' | 'top'
}

/**
 * What an input is for, whatever the model: a profile that moves to another model is matched by it. The first of
 * these are also what a person's own mouse would press.
 */
export type InputRole =
  | 'primary'
  | 'secondary'
  | 'middle'
  | 'back'
  | 'forward'
  | 'wheel-up'
  | 'wheel-down'
  | 'tilt-left'
  | 'tilt-right'
  | 'upper'
  | 'upper-2'
  | 'underside'
  | `thumb-${number}`
  | `key-${string}`
  | `knob-${string}`

export interface LightZone {
  id: string
  name: string
  lights: LightPlace[]
  /** The only effects the zone can show; any when it is left out. */
  effects?: EffectName[]
}

/** One light: where it is on the plan, and where it is seen on the sheet. */
export interface LightPlace {
  /** In the millimetres of the plan; a flank is unrolled beside it, so that what is further down lies further out. */
  at: Point
  shapes: PlacedShape[]
  /** The input it lights, if it is of one. */
  input?: string
}

export interface Connection {
  id: 'cable' | 'receiver' | 'bluetooth'
  name: string
  ratesHz: number[]
  /** Whether configuration reports travel over it. */
  configurable: boolean
  charges: boolean
  factoryRateHz: number
  /** Inputs that do something of the device's own over it, whatever is bound to them. */
  without?: { inputs: string[]; because: string }
}

export interface MemoryGeometry {
  slots: number
  sectors: number
  sectorBytes: number
  /** Sectors that the log of slots takes and erases together; a record lies within one such block. */
  blockSectors: number
  pageBytes: number
  programUs: number
  eraseUs: number
}

export interface SensorData extends SensorRange {
  /** Whether a step may differ across and along. */
  splitAxes?: boolean
  /** Lift-off distances it can be set to, in mm; the first is the factory's. Without them it has one of 1 mm. */
  liftOffMm?: number[]
  angleSnapping?: boolean
  /** Whether it can be measured in to the surface it is used on. */
  calibration?: boolean
}

/** How contacts become presses from the factory, and whether a person may set it. */
export interface DebounceData {
  ms: number
  strategy: DebounceStrategy
  /** The longest that can be set; fixed where it is left out. */
  mostMs?: number
}

export interface Electrical {
  /** None on a device that runs from its cable alone. */
  battery?: BatteryData
  controllerMa: number
  sensorActiveMa: number
  sensorRestMa: number
  /** One channel of one light at full drive. */
  lightMa: number
  /** The most all lights together may draw; the device dims them to stay under it. */
  limitMa: number
}

export interface BatteryData {
  capacityMah: number
  chargeMa: number
  /** Charge one wireless report takes, in microampere-seconds. */
  reportMicroampereSeconds: number
  /** What the radio draws to be found again, while nothing moves. */
  radioRestMa: number
  /** All that is drawn once the device sleeps, and after how long without an input it does. */
  sleepMa: number
  /** From waking to the first report that a receiver hears. */
  wakeMs: number
  sleepMinutes: number
  /** The charge at which the device gives notice, from the factory. */
  noticePercent: number
}

export interface FactorySettings {
  /** None on a device without a sensor. */
  steps?: ImageStep[]
  defaultStep?: number
  /** Layers over the base layer, by input id. */
  layers?: { name: string; bindings: Record<string, ImageAction> }[]
  /** The stack, top first. */
  light: LightEntry[]
}

/** What a sensor can be set to. `dpi` is counts per inch. */
export interface SensorRange {
  minDpi: number
  maxDpi: number
  resolutionDpi: number
  maxSteps: number
}
