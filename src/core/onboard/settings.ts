import { entriesOf } from '../base/tables'
import type { DeviceParameter, ValueOf } from '../base/parameters'
import { FIRST_FIRMWARE, type FirmwareVersion } from '../base/versions'

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

/** A finer setting: one parameter, stored in one byte. */
interface SettingKind {
  /** In images. */
  code: number
  /** The first firmware that goes by it. */
  since: FirmwareVersion
  parameter: DeviceParameter
}

/** A setting that is a number, known since the first firmware. */
const amount = (code: number, least: number, most: number, grid = 1) =>
  ({ code, since: FIRST_FIRMWARE, parameter: { kind: 'number', as: 'byte', least, most, grid } }) as const

/** Every finer setting there is, as data: its bytes and its schema are derived from it. A new one is a line here. */
export const SETTING_KINDS = {
  liftOffMm: amount(1, 0.1, 25, 0.1),
  angleSnapping: { code: 2, since: FIRST_FIRMWARE, parameter: { kind: 'flag' } },
  debounceMs: amount(3, 0, 255),
  debounce: { code: 4, since: FIRST_FIRMWARE, parameter: { kind: 'choice', of: ['eager', 'deferred'] } },
  /** Idle time over the air after which the device sleeps. */
  sleepMinutes: amount(5, 1, 255),
  /** Charge in percent at which the device gives notice. */
  noticePercent: amount(6, 0, 100),
  /** Brightness of all lights on the cable, and from the battery. */
  lightCablePercent: amount(7, 1, 100),
  lightBatteryPercent: amount(8, 1, 100),
  /** Idle time after which the lights go out; 0 for never. */
  lightsOffMinutes: amount(9, 0, 255),
  /** Numbers of two inputs that go to the next slot while they are held together; 0 for none. */
  slotKeyOne: amount(10, 0, 255),
  slotKeyTwo: amount(11, 0, 255),
  /** How long a press lasts that the device makes by itself: of a tap, a turn, a stroke of a text. */
  pressMs: amount(12, 1, 255),
} as const satisfies Record<string, SettingKind>

/** As long as a frame of a game that draws 100 a second; every device has it so from the factory. */
export const FACTORY_PRESS_MS = 10

/** Finer settings of a device that a profile may keep; what is left out is as the factory set it. */
export type DeviceSettings = {
  -readonly [Key in keyof typeof SETTING_KINDS]?: ValueOf<(typeof SETTING_KINDS)[Key]['parameter']>
}

export type SettingKey = keyof DeviceSettings

/** In the order of their codes. */
export const settingKinds = (): [key: SettingKey, kind: SettingKind][] =>
  entriesOf<SettingKey, SettingKind>(SETTING_KINDS)
