import { entriesOf } from '../base/tables'
import type { DeviceParameter, ValueOf } from '../base/parameters'
import { FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'

/**
 * Contacts bounce: the metal closes and opens several times before it settles. The strategy converts these edges into
 * presses.
 *
 * - `eager`: the first edge counts at once, and further edges are ignored for the debounce time; if the contact then
 *   settles in the other state, that counts too. A press is never late, but an interruption longer than the debounce
 *   time becomes a second press.
 * - `deferred`: an edge counts once the contact has been stable for the debounce time. Short interruptions are ignored;
 *   every press and release is delayed by that time.
 */
export type DebounceStrategy = 'eager' | 'deferred'

/** A device setting: one parameter, stored in one byte. */
interface SettingKind {
  /** In images. */
  code: number
  /** The first firmware that supports it. */
  since: FirmwareVersion
  parameter: DeviceParameter
}

/** A numeric setting, supported since the first firmware. */
const amount = (code: number, min: number, max: number, step = 1) =>
  ({ code, since: FIRST_FIRMWARE, parameter: { kind: 'number', as: 'byte', min, max, step } }) as const

/** All device settings, as data from which their bytes and schema are derived. A new one is a line here. */
export const SETTING_KINDS = {
  liftOffMm: amount(1, 0.1, 25, 0.1),
  angleSnapping: { code: 2, since: FIRST_FIRMWARE, parameter: { kind: 'flag' } },
  debounceMs: amount(3, 0, 255),
  debounce: { code: 4, since: FIRST_FIRMWARE, parameter: { kind: 'choice', of: ['eager', 'deferred'] } },
  /** Idle time on battery after which the device sleeps. */
  sleepMinutes: amount(5, 1, 255),
  /** Charge in percent for the low-battery warning. */
  noticePercent: amount(6, 0, 100),
  /** Brightness of all lights on the cable, and on battery. */
  lightCablePercent: amount(7, 1, 100),
  lightBatteryPercent: amount(8, 1, 100),
  /** Idle time after which the lights turn off; 0 for never. */
  lightsOffMinutes: amount(9, 0, 255),
  /** Numbers of two inputs that activate the next slot while both are held; 0 for none. */
  slotKeyOne: amount(10, 0, 255),
  slotKeyTwo: amount(11, 0, 255),
  /** Duration of a press that the device makes itself: for a tap, a turn, a stroke of a text. */
  pressMs: amount(12, 1, 255),
} as const satisfies Record<string, SettingKind>

/** One frame of a game at 100 fps; the factory setting of every device. */
export const FACTORY_PRESS_MS = 10

/** Device settings in a profile; missing ones have factory settings. */
export type DeviceSettings = {
  -readonly [Key in keyof typeof SETTING_KINDS]?: ValueOf<(typeof SETTING_KINDS)[Key]['parameter']>
}

export type SettingKey = keyof DeviceSettings

/** In the order of their codes. */
export const settingKinds = (): [key: SettingKey, kind: SettingKind][] =>
  entriesOf<SettingKey, SettingKind>(SETTING_KINDS)
