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

/** What a setting may be: a number by a unit, one of a few, or on and off. Each is kept in one byte. */
type SettingKind =
  | { code: number; kind: 'number'; least: number; most: number; unit: number }
  | { code: number; kind: 'choice'; of: readonly string[] }
  | { code: number; kind: 'flag' }

/** Every finer setting there is, as data: its bytes and its schema are derived from it. A new one is a line here. */
export const SETTING_KINDS = {
  liftOffMm: { code: 1, kind: 'number', least: 0.1, most: 25, unit: 0.1 },
  angleSnapping: { code: 2, kind: 'flag' },
  debounceMs: { code: 3, kind: 'number', least: 0, most: 255, unit: 1 },
  debounce: { code: 4, kind: 'choice', of: ['eager', 'deferred'] },
  /** Idle time over the air after which the device sleeps. */
  sleepMinutes: { code: 5, kind: 'number', least: 1, most: 255, unit: 1 },
  /** Charge in percent at which the device gives notice. */
  noticePercent: { code: 6, kind: 'number', least: 0, most: 100, unit: 1 },
  /** Brightness of all lights on the cable, and from the battery. */
  lightCablePercent: { code: 7, kind: 'number', least: 1, most: 100, unit: 1 },
  lightBatteryPercent: { code: 8, kind: 'number', least: 1, most: 100, unit: 1 },
  /** Idle time after which the lights go out; 0 for never. */
  lightsOffMinutes: { code: 9, kind: 'number', least: 0, most: 255, unit: 1 },
  /** Numbers of two inputs that go to the next slot while they are held together; 0 for none. */
  slotKeyOne: { code: 10, kind: 'number', least: 0, most: 255, unit: 1 },
  slotKeyTwo: { code: 11, kind: 'number', least: 0, most: 255, unit: 1 },
  /** How long a press lasts that the device makes by itself: of a tap, a turn, a stroke of a text. */
  pressMs: { code: 12, kind: 'number', least: 1, most: 255, unit: 1 },
} as const satisfies Record<string, SettingKind>

/** As long as a frame of a game that draws 100 a second; every device has it so from the factory. */
export const FACTORY_PRESS_MS = 10

type ValueOfSetting<K extends SettingKind> = K extends { kind: 'flag' }
  ? boolean
  : K extends { kind: 'choice'; of: readonly (infer C)[] }
    ? C
    : number

/** Finer settings of a device that a profile may keep; what is left out is as the factory set it. */
export type DeviceSettings = {
  -readonly [Key in keyof typeof SETTING_KINDS]?: ValueOfSetting<(typeof SETTING_KINDS)[Key]>
}

export type SettingKey = keyof DeviceSettings

/** In the order of their codes. */
export const settingKinds = (): [key: SettingKey, kind: SettingKind][] =>
  Object.entries(SETTING_KINDS) as [SettingKey, SettingKind][]
