import type { DeviceModel } from '../device/model'
import { FACTORY_PRESS_MS, type DeviceSettings } from '../onboard/settings'

type Key = keyof DeviceSettings

interface Setting {
  key: Key
  name: string
  /** What the factory set; undefined on a device that cannot be set. */
  factory(model: DeviceModel): DeviceSettings[Key]
  /** Why a value cannot be, or undefined where it can. */
  problem(value: NonNullable<DeviceSettings[Key]>, model: DeviceModel): string | undefined
  text(value: NonNullable<DeviceSettings[Key]>): string
  /** It names inputs: of another model it would name others. */
  ofInputs?: true
}

const within = (value: unknown, least: number, most: number, what: string): string | undefined =>
  typeof value === 'number' && Number.isInteger(value) && value >= least && value <= most
    ? undefined
    : `${what} lies between ${least} and ${most}, in whole numbers`

/** Every finer setting a device may have, in the order it is shown. A new one is a new entry. */
export const SETTINGS: readonly Setting[] = [
  {
    key: 'liftOffMm',
    name: 'Lift-off distance',
    factory: ({ sensor }) => sensor?.liftOffMm?.[0],
    problem: (value, { sensor }) =>
      typeof value === 'number' && sensor?.liftOffMm?.includes(value)
        ? undefined
        : `there are ${sensor?.liftOffMm?.join(' and ')} mm`,
    text: (value) => `${value} mm`,
  },
  {
    key: 'angleSnapping',
    name: 'Angle snapping',
    factory: ({ sensor }) => (sensor?.angleSnapping ? false : undefined),
    problem: () => undefined,
    text: (value) => (value ? 'on' : 'off'),
  },
  {
    key: 'debounceMs',
    name: 'Debounce',
    factory: ({ debounce }) => (debounce.mostMs === undefined ? undefined : debounce.ms),
    problem: (value, { debounce }) => within(value, 0, debounce.mostMs ?? 0, 'a debounce in ms'),
    text: (value) => `${value} ms`,
  },
  {
    key: 'debounce',
    name: 'Debounce strategy',
    factory: ({ debounce }) => (debounce.mostMs === undefined ? undefined : debounce.strategy),
    problem: () => undefined,
    text: (value) => String(value),
  },
  {
    key: 'pressMs',
    name: 'Press of its own',
    factory: () => FACTORY_PRESS_MS,
    problem: (value) => within(value, 1, 100, 'a press in ms'),
    text: (value) => `${value} ms`,
  },
  {
    key: 'sleepMinutes',
    name: 'Sleeps after',
    factory: ({ electrical }) => electrical.battery?.sleepMinutes,
    problem: (value) => within(value, 1, 60, 'a time in minutes'),
    text: (value) => `${value} min`,
  },
  {
    key: 'noticePercent',
    name: 'Battery notice',
    factory: ({ electrical }) => electrical.battery?.noticePercent,
    problem: (value) => within(value, 0, 50, 'a charge in percent'),
    text: (value) => (value === 0 ? 'none' : `at ${value} %`),
  },
  {
    key: 'lightCablePercent',
    name: 'Brightness on the cable',
    factory: () => 100,
    problem: (value) => within(value, 1, 100, 'a brightness in percent'),
    text: (value) => `${value} %`,
  },
  {
    key: 'lightBatteryPercent',
    name: 'Brightness from the battery',
    factory: ({ electrical }) => (electrical.battery ? 100 : undefined),
    problem: (value) => within(value, 1, 100, 'a brightness in percent'),
    text: (value) => `${value} %`,
  },
  {
    key: 'lightsOffMinutes',
    name: 'Lights off after',
    factory: () => 0,
    problem: (value) => within(value, 0, 60, 'a time in minutes'),
    text: (value) => (value === 0 ? 'never' : `${value} min idle`),
  },
  ...(['slotKeyOne', 'slotKeyTwo'] as const).map((key, index): Setting => ({
    key,
    name: `Next slot, ${index === 0 ? 'first' : 'second'} key`,
    ofInputs: true,
    factory: ({ memory }) => (memory.slots > 1 ? 0 : undefined),
    problem: (value, { inputs }) =>
      value === 0 || inputs.some(({ number, kind }) => number === value && kind !== 'turn')
        ? undefined
        : `there is no input ${value} that can be held`,
    text: (value) => (value === 0 ? 'none' : `input ${value}`),
  })),
]

/** What of some settings a device does not have, or cannot be set to. */
export const settingProblems = (
  settings: DeviceSettings,
  model: DeviceModel,
): { name: string; problem: string }[] =>
  SETTINGS.flatMap(({ key, name, factory, problem }) => {
    const value = settings[key]
    if (value === undefined) return []
    if (factory(model) === undefined)
      return [{ name, problem: `${model.name} has no ${name.toLowerCase()} to set` }]
    const found = problem(value, model)
    return found ? [{ name, problem: `${name}: ${found}` }] : []
  })

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
