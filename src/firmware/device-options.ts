import type { FirmwareVersion } from '../core/base/versions'
import type { Connection, DeviceModel } from '../core/device/model'
import type { Surface } from '../core/motion/surface'
import type { Clock } from './clock'
import type { GaugeState } from './gauge'
import type { ActiveState } from './active-state'
import type { StoredPairing } from './stored-pairing'
import type { Plugs } from './plugs'
import type { Receiver } from './radio'
import type { SensorErrors } from './sensor'
import type { SignatureCheck } from './signature'

export interface DeviceOptions {
  model: DeviceModel
  clock: Clock
  serial?: number
  flash?: Uint8Array
  chargeMah?: number
  /** Counters of its battery gauge; those of a new battery if omitted. */
  gauge?: GaugeState
  /** The receiver nearby, with its other devices. */
  receiver?: Receiver
  /** Its pairings; that receiver and a computer if omitted. */
  factoryPairing?: StoredPairing
  /** Error of its clock in ppm; such crystals are within 20. */
  clockPpm?: number
  /** Manufacturing errors of this sensor; none if omitted. */
  traits?: SensorErrors
  /** The surface under it; cloth if omitted. */
  surface?: Surface
  /** Contents of its firmware banks; empty in one that was never updated. */
  banks?: Uint8Array
  /** The factory firmware; the first one by default. */
  factoryFirmware?: Required<FirmwareVersion>
  /** Its function for verifying signatures; undefined until it is loaded. */
  signatureCheck?: () => SignatureCheck | undefined
  events?: Partial<DeviceEvents>
}

export interface DeviceEvents {
  /** A report polled by the computer, with its id first. */
  report(report: Uint8Array, atUs: number): void
  /** The active connection changed. */
  connection(connection: Connection | undefined): void
  /** A sector of flash changed. */
  sector(sector: number): void
  /** A sector of the firmware banks changed. */
  bankSector(sector: number): void
  /** Its name or a pairing changed. */
  ownChanged(): void
}

export interface DeviceState extends Plugs, ActiveState {
  chargeMah: number
  on: boolean
  surface: string
  heightMm: number
}
