import type { Plugs } from '../firmware/plugs'
import type { ActiveState } from '../firmware/active-state'

export type { Plugs } from '../firmware/plugs'

/** The interface of the worker with the simulated devices, and its events. Wire types only. */
export interface SimulatorApi {
  devices(): Promise<DeviceEntry[]>
  /** Adds a new device of a model to the desk. @returns its id */
  addDevice(modelId: string): Promise<string>
  /** Removes a device from the desk, with all its contents. */
  removeDevice(id: string): Promise<void>
  /** The receiver of the desk, and its paired devices. */
  receiverOf(): Promise<ReceiverView>
  /** Removes a pairing from the receiver: the device must be paired again. */
  forgetPaired(id: string): Promise<void>
  /** Deletes all devices and their contents; the desk returns to its initial state. */
  forgetAll(): Promise<void>
  /** Sends a configuration report; false if the device is disconnected when it arrives. */
  sendFeatureReport(id: string, data: Uint8Array): Promise<boolean>
  /** Receives the reply; undefined if the device is disconnected. Changes it reports are already stored. */
  receiveFeatureReport(id: string): Promise<Uint8Array | undefined>
  /** All paired devices share the receiver, so plugging it in or out affects each of them. */
  setPlugs(id: string, change: Partial<Plugs>): Promise<void>
  press(id: string, inputId: string): Promise<void>
  release(id: string, inputId: string): Promise<void>
  turn(id: string, inputId: string, detents: number): Promise<void>
  move(id: string, dxMm: number, dyMm: number): Promise<void>
  /** Moves it by a distance like a hand, over some of its time: every poll with counts has a report. */
  slide(id: string, dxMm: number, dyMm: number, ms: number): Promise<void>
  /** Holds it this many mm above its surface; 0 sets it down. */
  lift(id: string, heightMm: number): Promise<void>
  /** Places it on another surface, by the surface's id. */
  layOn(id: string, surfaceId: string): Promise<void>
  /**
   * Borrows a new, connected device that stores nothing and is not on the desk, for trying things out. It is used by
   * its id like any other.
   */
  borrow(modelId: string, connectionId: ConnectionId): Promise<string>
  giveBack(id: string): Promise<void>
  /** Gives a borrowed device the surface and the calibration of another one. */
  resemble(id: string, otherId: string): Promise<void>
  /** Why the memory of the devices is not saved in this browser; undefined if all of it is. */
  memoryTrouble(): Promise<string | undefined>
  /** The visible state of a device. */
  look(id: string): Promise<DeviceView | undefined>
  /** Virtual seconds per real second. */
  setPace(pace: number): Promise<void>
  pace(): Promise<number>
  /** Plays an image on a separate device as fast as possible; the devices on the desk do not change. */
  dryRun(request: DryRunRequest): Promise<DryRun>
  /** Uses a device with known faults, for instruments to measure. */
  specimen(request: TestDeviceRequest): Promise<TestDeviceRun>
  /** Simulates days of use until a full battery is empty, as fast as possible. */
  powerRun(request: PowerRunRequest): Promise<PowerRun>
}

export interface ReceiverView {
  serial: number
  /** Ids of the paired devices. */
  paired: readonly string[]
  /** Whether it is plugged into the computer. */
  plugged: boolean
}

export type ConnectionId = 'cable' | 'receiver' | 'bluetooth'

export interface PowerRunRequest {
  modelId: string
  connectionId: ConnectionId
  image: Uint8Array
  hoursADay: number
  /** Share of its use in which it moves or is pressed. */
  activeShare: number
}

export interface PowerRun {
  /** Charge in percent by hours since it was full. */
  samples: { hour: number; percent: number }[]
  /** Hours of use until it was empty, or until the simulation ended. */
  inHandHours: number
  /** Hours since it was full at the low-battery warning. */
  noticeHour?: number
  /** Hours on a charging cable until it was full again. */
  chargeHours: number
}

/** Actual values of a test device, which an instrument should find. */
export interface ActualValues {
  seed: number
  /** Error of its counts. */
  errorPercent: number
  /** Clockwise rotation of its sensor. */
  turnedDegrees: number
  /** Clicks during which the switch opens for 6 ms. */
  chatterShare: number
}

export interface TestDeviceRequest {
  modelId: string
  connectionId: ConnectionId
  image: Uint8Array
  truth: ActualValues
  /**
   * Circles for some ms, passes over a distance, straight strokes, clicks, chords of up to so many keys, or rounds of
   * play: a stroke and two clicks per second.
   */
  use: 'swirl' | 'passes' | 'strokes' | 'clicks' | 'chords' | 'play'
  times: number
  distanceMm: number
}

export type TestDeviceRun = DryRun

export interface DryRunRequest {
  modelId: string
  connectionId: ConnectionId
  image: Uint8Array
  /** The input that is pressed once. */
  inputId: string
  /** Virtual time from the press to the end of the run. */
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
  /** Its name; empty without a name or power. */
  name: string
}

export interface DeviceView extends Plugs, ActiveState {
  lights: Uint8Array
  on: boolean
  /** Id of its surface, and its height above it. */
  surface: string
  heightMm: number
  connectionId: string | undefined
}

/** Maximum number of devices for a desk, a receiver and a screen. */
export const MAX_DEVICES = 8

/** Id of the included device of a model. */
export const includedDeviceId = (modelId: string): string => `${modelId} #1`

/** Events on the broadcast channel for all pages. */
export type SimulatorEvent =
  | { kind: 'report'; deviceId: string; atUs: number; report: Uint8Array }
  | { kind: 'connection'; deviceId: string; connectionId: string | undefined }
  /** A device was added, removed, renamed, paired or unpaired. */
  | { kind: 'desk' }
  /** Why the memory of the devices is not saved; undefined once it is. */
  | { kind: 'memory'; trouble: string | undefined }

export const CHANNEL_NAME = 'unisera-simulator'

/** Lock that the worker holds as long as it lives (Web Locks). */
export const ALIVE_LOCK = 'unisera simulator alive'
