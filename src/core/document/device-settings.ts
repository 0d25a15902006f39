import { keysOf } from '../base/tables'
import type { DeviceModel } from '../device/model'
import { FACTORY_PRESS_MS, type DeviceSettings } from '../onboard/settings'

type Key = keyof DeviceSettings

/** Why a setting cannot be as it is asked for; gate-words.ts says it. */
export type SettingProblem =
  | { key: 'setting-none'; facts: { setting: Key; model: string } }
  | { key: 'setting-range'; facts: { setting: Key; least: number; most: number } }
  | { key: 'setting-choice'; facts: { setting: Key; choices: readonly number[] } }
  | { key: 'setting-input'; facts: { setting: Key; input: unknown } }

/** Where a setting is set: a panel of a view, or the dialog of the inputs that change the slot. */
export type SettingPlace = 'sensor' | 'power' | 'light' | 'slot keys'

interface Setting {
  key: Key
  setIn: SettingPlace
  name: string
  /** What the factory set; undefined on a device that cannot be set. */
  factory(model: DeviceModel): DeviceSettings[Key]
  /** Whole numbers from and to, where it is one. */
  range?(model: DeviceModel): [least: number, most: number]
  /** Why a value cannot be for another reason, or undefined where it can. */
  problem?(value: unknown, model: DeviceModel): SettingProblem | undefined
  text(value: NonNullable<DeviceSettings[Key]>): string
  /** It names inputs: of another model it would name others. */
  ofInputs?: true
}

/** One of two inputs that go to the next slot while they are held together. */
const slotKey = (key: Key, which: string): Omit<Setting, 'key'> => ({
  setIn: 'slot keys',
  name: `Next slot, ${which} key`,
  ofInputs: true,
  factory: ({ memory }) => (memory.slots > 1 ? 0 : undefined),
  problem: (value, { inputs }) =>
    value === 0 || inputs.some(({ number, kind }) => number === value && kind !== 'turn')
      ? undefined
      : { key: 'setting-input', facts: { setting: key, input: value } },
  text: (value) => (value === 0 ? 'none' : `input ${value}`),
})

/** Every finer setting a device may have, in the order it is shown. */
const DEFINITIONS: Record<Key, Omit<Setting, 'key'>> = {
  liftOffMm: {
    setIn: 'sensor',
    name: 'Lift-off distance',
    factory: ({ sensor }) => sensor?.liftOffMm?.[0],
    problem(value, { sensor }) {
      const choices = sensor?.liftOffMm ?? []
      return choices.some((mm) => mm === value)
        ? undefined
        : { key: 'setting-choice', facts: { setting: 'liftOffMm', choices } }
    },
    text: (value) => `${value} mm`,
  },
  angleSnapping: {
    setIn: 'sensor',
    name: 'Angle snapping',
    factory: ({ sensor }) => (sensor?.angleSnapping ? false : undefined),
    text: (value) => (value ? 'on' : 'off'),
  },
  debounceMs: {
    setIn: 'sensor',
    name: 'Debounce',
    factory: ({ debounce }) => (debounce.mostMs === undefined ? undefined : debounce.ms),
    range: ({ debounce }) => [0, debounce.mostMs ?? 0],
    text: (value) => `${value} ms`,
  },
  debounce: {
    setIn: 'sensor',
    name: 'Debounce strategy',
    factory: ({ debounce }) => (debounce.mostMs === undefined ? undefined : debounce.strategy),
    text: (value) => String(value),
  },
  pressMs: {
    setIn: 'sensor',
    name: 'Press of its own',
    factory: () => FACTORY_PRESS_MS,
    range: () => [1, 100],
    text: (value) => `${value} ms`,
  },
  sleepMinutes: {
    setIn: 'power',
    name: 'Sleeps after',
    factory: ({ electrical }) => electrical.battery?.sleepMinutes,
    range: () => [1, 60],
    text: (value) => `${value} min`,
  },
  noticePercent: {
    setIn: 'power',
    name: 'Battery notice',
    factory: ({ electrical }) => electrical.battery?.noticePercent,
    range: () => [0, 50],
    text: (value) => (value === 0 ? 'none' : `at ${value} %`),
  },
  lightCablePercent: {
    setIn: 'light',
    name: 'Brightness on the cable',
    factory: () => 100,
    range: () => [1, 100],
    text: (value) => `${value} %`,
  },
  lightBatteryPercent: {
    setIn: 'light',
    name: 'Brightness from the battery',
    factory: ({ electrical }) => (electrical.battery ? 100 : undefined),
    range: () => [1, 100],
    text: (value) => `${value} %`,
  },
  lightsOffMinutes: {
    setIn: 'light',
    name: 'Lights off after',
    factory: () => 0,
    range: () => [0, 60],
    text: (value) => (value === 0 ? 'never' : `${value} min idle`),
  },
  slotKeyOne: slotKey('slotKeyOne', 'first'),
  slotKeyTwo: slotKey('slotKeyTwo', 'second'),
}

export const SETTINGS: readonly Setting[] = keysOf(DEFINITIONS).map((key) => ({
  key,
  ...DEFINITIONS[key],
}))

/** What of some settings a device does not have, or cannot be set to. */
export const settingProblems = (settings: DeviceSettings, model: DeviceModel): SettingProblem[] =>
  SETTINGS.flatMap((setting) => problemOf(setting, settings[setting.key], model) ?? [])

function problemOf(
  { key, factory, range, problem }: Setting,
  value: unknown,
  model: DeviceModel,
): SettingProblem | undefined {
  if (value === undefined) return undefined
  if (factory(model) === undefined) return { key: 'setting-none', facts: { setting: key, model: model.name } }
  if (!range) return problem?.(value, model)
  const [least, most] = range(model)
  return typeof value === 'number' && Number.isInteger(value) && value >= least && value <= most
    ? undefined
    : { key: 'setting-range', facts: { setting: key, least, most } }
}

/** Settings without those that are as the factory set them. */
export const withoutFactory = (settings: DeviceSettings, model: DeviceModel): DeviceSettings =>
  Object.fromEntries(
    SETTINGS.flatMap(({ key, factory }) => {
      const value = settings[key]
      return value === undefined || value === factory(model) ? [] : [[key, value]]
    }),
  )

/** Every setting a device has, as a profile or else the factory has it. */
export const settingsInForce = (settings: DeviceSettings, model: DeviceModel): DeviceSettings =>
  Object.fromEntries(
    SETTINGS.flatMap(({ key, factory }) => {
      const from = factory(model)
      return from === undefined ? [] : [[key, settings[key] ?? from]]
    }),
  )
