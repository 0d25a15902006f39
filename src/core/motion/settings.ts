import type { DebounceStrategy } from './debounce'

/** Finer settings of a device that a profile may keep; what is left out is as the factory set it. */
export interface DeviceSettings {
  liftOffMm?: number
  angleSnapping?: boolean
  debounceMs?: number
  debounce?: DebounceStrategy
  /** Idle time over the air after which the device sleeps. */
  sleepMinutes?: number
  /** Charge in percent at which the device gives notice. */
  noticePercent?: number
}
