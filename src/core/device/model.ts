import type { ImageAction } from '../actions/registry'
import type { ImageStep } from '../onboard/steps-section'
import type { EffectName } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'
import type { DebounceStrategy } from '../onboard/settings'
import type { Message, MessageFact } from '../message/message'

/**
 * A device model: the data that all devices of its kind share. A new device is a new file in models/; no code refers to
 * a model by name. Lengths are in millimetres, currents in milliamperes.
 */
export interface DeviceModel {
  id: string
  /** Identifies the model in images and on the link. */
  number: number
  /** The revision of the model; 0, the first, if omitted. Later ones may have more inputs or zones. */
  revision?: number
  maker: string
  name: string
  kind: 'mouse' | 'keyboard'
  summary: Message
  sheet: Sheet
  inputs: DeviceInput[]
  zones: LightZone[]
  /** Id of the zone that briefly shows steps, slots and signals. */
  indicatorZone: string
  /** Missing for a device that does not move. */
  sensor?: SensorData
  connections: Connection[]
  memory: MemoryGeometry
  debounce: DebounceData
  electrical: ElectricalData
  factory: FactorySettings
  standIn: SimulatedDefaults
  /** Missing for a device without a radio. */
  pairing?: PairingData
  /** Ed25519 public key of its maker in hex, which verifies its firmware. */
  firmwareKey: string
}

/** The simulated device of a model that comes with Unisera, in its initial state. */
export interface SimulatedDefaults {
  serial: number
  /** Charge of the battery, 0 to 1; 0 without a battery. */
  charge: number
  /** Its connection: the receiver it is paired with, or its cable. */
  over: 'receiver' | 'cable'
}

/** How to pair a wireless device by hand. */
export interface PairingData {
  /** Id of the input to hold, and how long. */
  input: string
  holdMs: number
}

/** The drawing sheet: views aligned as on a technical drawing, all at the same scale. */
export interface Sheet {
  widthMm: number
  heightMm: number
  views: SheetView[]
}

export interface SheetView {
  id: string
  title: Message
  /** Position of the view's origin on the sheet. */
  at: Point
  widthMm: number
  heightMm: number
  body: Shape
  /** Lines on the body: joints, grips, feet. */
  lines: Shape[]
}

export type Point = readonly [x: number, y: number]

/** Outlines in the view's own millimetres; `d` is SVG path data. */
export type Shape =
  | { kind: 'path'; d: string }
  | { kind: 'line'; d: string; width: number }
  | { kind: 'rect'; x: number; y: number; width: number; height: number; radius: number }
  | { kind: 'circle'; x: number; y: number; radius: number }

export interface PlacedShape {
  view: string
  shape: Shape
  /** The side it is on, for a mouse that suits either hand. */
  flank?: 'left' | 'right'
}

export interface DeviceInput {
  id: string
  /** Its label on the drawing, and its number in an image. */
  number: number
  name: MessageFact
  /** Pressed and released, or turned one detent at a time. */
  kind: 'press' | 'turn'
  /** The button of a person's own mouse that presses this input in the try-out. */
  role?: InputRole
  /** The corresponding input for the other hand; each of the two refers to the other. */
  mirror?: string
  shapes: PlacedShape[]
  /** The end of the leader line, and the side of the sheet for its label. */
  leader: LeaderLine
  /** The same for the left hand, if the input has a button on the other side for it. */
  leftHandLeader?: LeaderLine
  /** The key of a keyboard: its printed legend, and its group in the binding sheet. */
  key?: { code?: string; legend?: string }
  group?: Message
  factory: ImageAction
}

export interface LeaderLine {
  view: string
  at: Point
  side: 'left' | 'right' | 'top'
}

/**
 * The purpose of an input on any model, by which profiles are moved to another model. The first of them also match the
 * buttons of a person's own mouse.
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
  name: Message
  lights: LightPosition[]
  /** The only effects that the zone can show; any if omitted. */
  effects?: EffectName[]
}

/** One light: its position in the top view, and where it is visible on the sheet. */
export interface LightPosition {
  /** In millimetres of the top view; the sides are unfolded next to it, so that lower lights are further out. */
  at: Point
  shapes: PlacedShape[]
  /** The input that it lights, if there is one. */
  input?: string
}

export interface Connection {
  id: 'cable' | 'receiver' | 'bluetooth'
  name: Message
  ratesHz: number[]
  /** Whether it carries configuration reports. */
  configurable: boolean
  charges: boolean
  factoryRateHz: number
  /** Inputs with a fixed function of the device over this connection, regardless of their bindings. */
  without?: { inputs: string[]; because: Message }
}

export interface MemoryGeometry {
  slots: number
  sectors: number
  sectorBytes: number
  /** Number of sectors that the log of slots erases together; a record lies within one such block. */
  blockSectors: number
  pageBytes: number
  programUs: number
  eraseUs: number
}

export interface SensorData extends SensorRange {
  /** Whether a step can have different X and Y values. */
  splitAxes?: boolean
  /** Available lift-off distances in mm, the factory setting first. Without them it is 1 mm. */
  liftOffMm?: number[]
  angleSnapping?: boolean
  /** Whether it can be calibrated for its surface. */
  calibration?: boolean
}

/** The factory debounce, and whether people can change it. */
export interface DebounceData {
  ms: number
  strategy: DebounceStrategy
  /** The maximum; fixed if omitted. */
  maxMs?: number
}

export interface ElectricalData {
  /** Missing for a device that is only powered by its cable. */
  battery?: BatteryData
  controllerMa: number
  sensorActiveMa: number
  sensorRestMa: number
  /** One channel of one light at full level. */
  lightMa: number
  /** Maximum current of all lights together; the device dims them to stay below it. */
  limitMa: number
}

export interface BatteryData {
  capacityMah: number
  chargeMa: number
  /** Charge for one wireless report, in microampere-seconds. */
  reportMicroampereSeconds: number
  /** Current of the radio while idle, for keeping the connection. */
  radioRestMa: number
  /** Total current of the sleeping device, and the time without input until it sleeps. */
  sleepMa: number
  /** From waking up to the first report that a receiver gets. */
  wakeMs: number
  sleepMinutes: number
  /** The factory level of the low-battery warning. */
  noticePercent: number
}

export interface FactorySettings {
  /** Missing for a device without a sensor. */
  steps?: ImageStep[]
  defaultStep?: number
  /** Layers above the base layer, by input id. */
  layers?: { name: string; bindings: Record<string, ImageAction> }[]
  /** The stack, from top to bottom. */
  light: LightEntry[]
}

/** The ranges of a sensor. `dpi` is counts per inch. */
export interface SensorRange {
  minDpi: number
  maxDpi: number
  resolutionDpi: number
  maxSteps: number
}
