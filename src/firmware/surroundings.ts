import type { Connection, DeviceModel } from '../core/device/model'
import type { FirmwareVersion } from '../core/base/versions'
import type { Capabilities } from '../core/onboard/capabilities'
import type { FirmwareBanks } from './banks'
import type { Air } from './air'
import type { Battery } from './battery'
import type { PoweredAlarms } from './clock'
import type { NorFlash } from './flash'
import type { SensorErrors } from './sensor'
import type { SignatureCheck } from './signature'

/** The hardware around the running firmware, and the computer it reports to. */
export interface Surroundings {
  model: DeviceModel
  serial: number
  flash: NorFlash
  alarms: PoweredAlarms
  battery: Battery | undefined
  traits: SensorErrors
  connection(): Connection | undefined
  charging(): boolean
  /** The receiver's time in µs, if connected to one. */
  sharedUs(): number | undefined
  /** Error of the device's own clock in ppm. */
  clockPpm: number
  report(report: Uint8Array): void
  /** Signals of shared layers activated by this device's own keys, for the other devices on the receiver. */
  signals(mask: number): void
  /** The battery is empty. */
  empty(): void
  air: Air
  /** Its name or pairing changed: others see it, and its connection is checked again. */
  ownChanged(): void
  /** The running version, and its features. */
  version: Required<FirmwareVersion>
  abilities: Capabilities
  /** The firmware banks, and the running one. */
  banks: FirmwareBanks
  bankInUse: number | undefined
  signatureCheck(): SignatureCheck | undefined
  restart(): void
}
