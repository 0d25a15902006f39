import type { Plugs } from '../firmware/plugs'
import type { InForce } from '../firmware/in-force'

export type { Plugs } from '../firmware/plugs'

/** What the worker that holds the simulated devices offers, and what it tells everybody. Wire types only. */
export interface SimulatorFace {
  devices(): Promise<DeviceEntry[]>
  /** Puts another device of a model on the desk, as it comes from the factory. @returns its id */
  addDevice(modelId: string): Promise<string>
  /** Takes a device from the desk, with all that it held. */
  removeDevice(id: string): Promise<void>
  /** The receiver of the desk, and the devices that are paired with it. */
  receiverOf(): Promise<ReceiverSight>
  /** The receiver forgets a device: it has to be paired anew. */
  forgetPaired(id: string): Promise<void>
  /** All devices and all they hold go; the desk is as it ships. */
  forgetAll(): Promise<void>
  /** A configuration report; false when the device is not connected by the time it arrives. */
  sendFeatureReport(id: string, data: Uint8Array): Promise<boolean>
  /** The reply; undefined when the device is not connected. It comes when what it says is also in storage. */
  receiveFeatureReport(id: string): Promise<Uint8Array | undefined>
  /** A receiver is one for all devices that are paired to it: putting it in or out is for each of them. */
  setPlugs(id: string, change: Partial<Plugs>): Promise<void>
  press(id: string, inputId: string): Promise<void>
  release(id: string, inputId: string): Promise<void>
  turn(id: string, inputId: string, detents: number): Promise<void>
  move(id: string, dxMm: number, dyMm: number): Promise<void>
  /** Slides it a distance as a hand does, over so much of its time: a report comes at every poll in which it counted. */
  slide(id: string, dxMm: number, dyMm: number, ms: number): Promise<void>
  /** Holds it so many mm over what it lies on; 0 sets it down. */
  lift(id: string, heightMm: number): Promise<void>
  /** Lays it on something else, by the surface's id. */
  layOn(id: string, surfaceId: string): Promise<void>
  /**
   * A device as it comes from the factory, connected, that keeps nothing and is not on the desk: to try things out on.
   * It is used by its id as any other.
   */
  borrow(modelId: string, connectionId: ConnectionId): Promise<string>
  giveBack(id: string): Promise<void>
  /** Makes a borrowed device lie on what another one lies on, measured in as that one is. */
  resemble(id: string, otherId: string): Promise<void>
  /** Why the memory of the devices is not stored in this browser; undefined when all of it is. */
  memoryTrouble(): Promise<string | undefined>
  /** What can be seen of a device from outside. */
  look(id: string): Promise<DeviceSight | undefined>
  /** Virtual seconds that pass in one real second. */
  setPace(pace: number): Promise<void>
  pace(): Promise<number>
  /** Plays an image on a device of its own as fast as it can be computed; the devices on the desk stay as they are. */
  dryRun(request: DryRunRequest): Promise<DryRun>
  /** Uses a device with known faults, for instruments to measure. */
  specimen(request: SpecimenRequest): Promise<Specimen>
  /** Runs a full battery down with days of use, as fast as it can be computed. */
  powerRun(request: PowerRunRequest): Promise<PowerRun>
}

export interface ReceiverSight {
  serial: number
  /** Ids of devices it knows. */
  paired: readonly string[]
  /** Whether it is in the computer. */
  plugged: boolean
}

export type ConnectionId = 'cable' | 'receiver' | 'bluetooth'

export interface PowerRunRequest {
  modelId: string
  connectionId: ConnectionId
  image: Uint8Array
  hoursADay: number
  /** Share of the time in hand in which it moves or is pressed. */
  activeShare: number
}

export interface PowerRun {
  /** Charge in percent by hours since it was full. */
  samples: { hour: number; percent: number }[]
  /** Hours in hand until it was empty, or until it was looked at no more. */
  inHandHours: number
  /** Hours since it was full at which the device gave notice. */
  noticeHour?: number
  /** Hours on a charging cable until it was full again. */
  chargeHours: number
}

/** What a specimen is really like: an instrument that is pointed at it has something known to find. */
export interface SpecimenTruth {
  seed: number
  /** How far its counts are from what they should be. */
  errorPercent: number
  /** How far its sensor is turned, clockwise. */
  turnedDegrees: number
  /** Clicks in which the switch opens for 6 ms. */
  chatterShare: number
}

export interface SpecimenRequest {
  modelId: string
  connectionId: ConnectionId
  image: Uint8Array
  truth: SpecimenTruth
  /**
   * Circling for so many ms, passes over a distance, straight strokes, clicks, chords of up to so many keys, or rounds of
   * play: a stroke and two clicks a second.
   */
  use: 'swirl' | 'passes' | 'strokes' | 'clicks' | 'chords' | 'play'
  times: number
  distanceMm: number
}

export type Specimen = DryRun

export interface DryRunRequest {
  modelId: string
  connectionId: ConnectionId
  image: Uint8Array
  /** The input that is pressed once. */
  inputId: string
  /** Virtual time from the press to where the run is looked at no more. */
  forUs: number
}

export interface DryRun {
  descriptor: Uint8Array
  /** With the time since the press. */
  reports: { atUs: number; report: Uint8Array }[]
}

export interface DeviceEntry {
  id: string
  modelId: string
  descriptor: Uint8Array
  connectionId: string | undefined
  /** What its person calls it; empty where it has no name, or no power to say it. */
  name: string
}

export interface DeviceSight extends Plugs, InForce {
  lights: Uint8Array
  on: boolean
  /** Id of what it lies on, and how high over it it is held. */
  surface: string
  heightMm: number
  connectionId: string | undefined
}

/** As many devices as a desk, a receiver and a screen can take. */
export const MOST_DEVICES = 8

/** Id of the device of a model that ships with Unisera. */
export const standInId = (modelId: string): string => `${modelId} #1`

/** Told on the broadcast channel to every page. */
export type SimulatorEvent =
  | { kind: 'report'; deviceId: string; atUs: number; report: Uint8Array }
  | { kind: 'connection'; deviceId: string; connectionId: string | undefined }
  /** A device was put on the desk or taken from it, named, paired or forgotten. */
  | { kind: 'desk' }
  /** Why the memory of the devices is not stored; undefined once it is. */
  | { kind: 'memory'; trouble: string | undefined }

export const CHANNEL_NAME = 'unisera-simulator'

/** Held by the worker for as long as it lives (Web Locks). */
export const ALIVE_LOCK = 'unisera simulator alive'
