import type { FirmwareVersion } from '../core/base/versions'
import type { Connection, DeviceModel } from '../core/device/model'
import type { Surface } from '../core/motion/surface'
import type { Clock } from './clock'
import type { GaugeState } from './gauge'
import type { InForce } from './in-force'
import type { Paired } from './paired'
import type { Plugs } from './plugs'
import type { Receiver } from './radio'
import type { SensorTraits } from './sensor'
import type { SignatureCheck } from './signature'

export interface DeviceOptions {
  model: DeviceModel
  clock: Clock
  serial?: number
  flash?: Uint8Array
  chargeMah?: number
  /** What the gauge beside its battery has counted; that of a new one if left out. */
  gauge?: GaugeState
  /** The receiver near it, with whatever else is. */
  receiver?: Receiver
  /** With what it left the factory paired; with that receiver and a computer if left out. */
  factoryPairing?: Paired
  /** How far its clock is from true, in millionths; crystals of this kind keep to 20. */
  clockPpm?: number
  /** What this one has from its making; a true one if left out. */
  traits?: SensorTraits
  /** What it lies on; cloth if left out. */
  surface?: Surface
  /** What its banks for firmware hold; nothing in one that was never updated. */
  banks?: Uint8Array
  /** The firmware from the factory; the first one by default. */
  factoryFirmware?: Required<FirmwareVersion>
  /** How it looks at signatures; undefined until that is there. */
  signatureCheck?: () => SignatureCheck | undefined
  events?: Partial<DeviceEvents>
}

export interface DeviceEvents {
  /** A report the computer polled: id first. */
  report(report: Uint8Array, atUs: number): void
  /** Another connection is in use, or none. */
  connection(connection: Connection | undefined): void
  /** A sector of flash is different from before. */
  sector(sector: number): void
  /** The same in the banks for firmware. */
  bankSector(sector: number): void
  /** Its name, or what it is paired with, is another. */
  ownChanged(): void
}

export interface DeviceState extends Plugs, InForce {
  chargeMah: number
  on: boolean
  surface: string
  heightMm: number
}
