/**
 * Contacts bounce: metal closes and opens for a moment before it rests. How a series of edges becomes presses.
 *
 * - `eager`: the first edge counts at once, and for the debounce time after it the contact may bounce as it likes;
 *   if it then rests the other way, that counts too. A press is never late; a contact that opens for longer than
 *   the time in the middle of a press is a second press.
 * - `deferred`: an edge counts once the contact has rested for the debounce time. Short openings are never seen;
 *   every press and release comes that much later.
 */
export type DebounceStrategy = 'eager' | 'deferred'

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
