import type { Connection, DeviceModel } from '../core/device/model'
import type { FirmwareVersion } from '../core/base/versions'
import type { Abilities } from '../core/onboard/abilities'
import type { FirmwareBanks } from './banks'
import type { Air } from './air'
import type { Battery } from './battery'
import type { PoweredAlarms } from './clock'
import type { NorFlash } from './flash'
import type { SensorTraits } from './sensor'
import type { SignatureCheck } from './signature'

/** The hardware around the running firmware, and the computer it reports to. */
export interface Surroundings {
  model: DeviceModel
  serial: number
  flash: NorFlash
  alarms: PoweredAlarms
  battery: Battery | undefined
  traits: SensorTraits
  connection(): Connection | undefined
  charging(): boolean
  /** The receiver's time in µs, where the device is on one. */
  sharedUs(): number | undefined
  /** How far the device's own clock is from true, in millionths. */
  clockPpm: number
  report(report: Uint8Array): void
  /** Signals of shared layers that are on by this device's own keys, for the others on the receiver. */
  signals(mask: number): void
  /** The battery is empty. */
  empty(): void
  air: Air
  /** Its name or what it is paired with is another: others see it so, and its connection is looked at again. */
  ownChanged(): void
  /** What it runs: which version, and what that can do. */
  version: Required<FirmwareVersion>
  abilities: Abilities
  /** The banks for firmware, and the one it runs from. */
  banks: FirmwareBanks
  bankInUse: number | undefined
  signatureCheck(): SignatureCheck | undefined
  restart(): void
}
