import type { Rgb } from '../core/light/effects'
import type { Plugs } from '../firmware/device'

export type { Plugs } from '../firmware/device'

/** What the worker that holds the simulated devices offers, and what it tells everybody. Wire types only. */
export interface SimulatorFace {
  devices(): Promise<DeviceEntry[]>
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
  /** What can be seen of a device from outside. */
  look(id: string): Promise<DeviceSight>
  /** Virtual seconds that pass in one real second. */
  setPace(pace: number): Promise<void>
  pace(): Promise<number>
  /** Plays an image on a device of its own as fast as it can be computed; the devices on the desk stay as they are. */
  dryRun(request: DryRunRequest): Promise<DryRun>
}

export interface DryRunRequest {
  modelId: string
  connectionId: 'cable' | 'receiver' | 'bluetooth'
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
}

export interface DeviceSight extends Plugs {
  lights: Rgb[]
  on: boolean
  connectionId: string | undefined
}

/** Told on the broadcast channel to every page. */
export type SimulatorEvent =
  | { kind: 'report'; deviceId: string; atUs: number; report: Uint8Array }
  | { kind: 'connection'; deviceId: string; connectionId: string | undefined }
  | { kind: 'storage failed'; message: string }

export const CHANNEL_NAME = 'unisera-simulator'
