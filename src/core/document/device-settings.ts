import { keysOf } from '../base/tables'
import type { DeviceModel } from '../device/model'
import { message, type Message } from '../message/message'
import { FACTORY_PRESS_MS, type DeviceSettings } from '../onboard/settings'

type Key = keyof DeviceSettings

/** Why a setting is refused; problem-texts.ts has the texts. */
export type SettingProblem =
  | { key: 'setting-none'; facts: { setting: Key; model: string } }
  | { key: 'setting-range'; facts: { setting: Key; min: number; max: number } }
  | { key: 'setting-choice'; facts: { setting: Key; choices: readonly number[] } }
  | { key: 'setting-input'; facts: { setting: Key; input: unknown } }

/** The place of a setting: a panel of a view, or the dialog for the inputs that change the slot. */
export type SettingPlace = 'sensor' | 'power' | 'light' | 'slot keys'

interface Setting {
  key: Key
  setIn: SettingPlace
  name: Message
  /** The factory value; undefined on a device without this setting. */
  factory(model: DeviceModel): DeviceSettings[Key]
  /** Bounds, if it is an integer. */
  range?(model: DeviceModel): [min: number, max: number]
  /** Returns another reason why a value is refused, or undefined. */
  problem?(value: unknown, model: DeviceModel): SettingProblem | undefined
  text(value: NonNullable<DeviceSettings[Key]>): Message
  /** It refers to inputs, which differ between models. */
  ofInputs?: true
}

/** One of two inputs that activate the next slot while both are held. */
const slotKey = (key: Key): Omit<Setting, 'key' | 'name'> => ({
  setIn: 'slot keys',
  ofInputs: true,
  factory: ({ memory }) => (memory.slots > 1 ? 0 : undefined),
  problem: (value, { inputs }) =>
    value === 0 || inputs.some(({ number, kind }) => number === value && kind !== 'turn')
      ? undefined
      : { key: 'setting-input', facts: { setting: key, input: value } },
  text: (value) =>
    value === 0 ? message('edits.none') : message('edits.inputNumber', { number: Number(value) }),
})

/** All device settings, in the order they are shown. */
const DEFINITIONS: Record<Key, Omit<Setting, 'key' | 'name'>> = {
  liftOffMm: {
    setIn: 'sensor',
    factory: ({ sensor }) => sensor?.liftOffMm?.[0],
    problem(value, { sensor }) {
      const choices = sensor?.liftOffMm ?? []
      return choices.some((mm) => mm === value)
        ? undefined
        : { key: 'setting-choice', facts: { setting: 'liftOffMm', choices } }
    },
    text: (value) => message('edits.mm', { mm: Number(value) }),
  },
  angleSnapping: {
    setIn: 'sensor',
    factory: ({ sensor }) => (sensor?.angleSnapping ? false : undefined),
    text: (value) => message(value ? 'edits.on' : 'edits.off'),
  },
  debounceMs: {
    setIn: 'sensor',
    factory: ({ debounce }) => (debounce.maxMs === undefined ? undefined : debounce.ms),
    range: ({ debounce }) => [0, debounce.maxMs ?? 0],
    text: (value) => message('edits.ms', { ms: Number(value) }),
  },
  debounce: {
    setIn: 'sensor',
    factory: ({ debounce }) => (debounce.maxMs === undefined ? undefined : debounce.strategy),
    text: (value) => message(value === 'eager' ? 'edits.eager' : 'edits.deferred'),
  },
  pressMs: {
    setIn: 'sensor',
    factory: () => FACTORY_PRESS_MS,
    range: () => [1, 100],
    text: (value) => message('edits.ms', { ms: Number(value) }),
  },
  sleepMinutes: {
    setIn: 'power',
    factory: ({ electrical }) => electrical.battery?.sleepMinutes,
    range: () => [1, 60],
    text: (value) => message('edits.minutes', { minutes: Number(value) }),
  },
  noticePercent: {
    setIn: 'power',
    factory: ({ electrical }) => electrical.battery?.noticePercent,
    range: () => [0, 50],
    text: (value) =>
      value === 0 ? message('edits.none') : message('edits.atPercent', { percent: Number(value) }),
  },
  lightCablePercent: {
    setIn: 'light',
    factory: () => 100,
    range: () => [1, 100],
    text: (value) => message('edits.percent', { percent: Number(value) }),
  },
  lightBatteryPercent: {
    setIn: 'light',
    factory: ({ electrical }) => (electrical.battery ? 100 : undefined),
    range: () => [1, 100],
    text: (value) => message('edits.percent', { percent: Number(value) }),
  },
  lightsOffMinutes: {
    setIn: 'light',
    factory: () => 0,
    range: () => [0, 60],
    text: (value) =>
      value === 0 ? message('edits.never') : message('edits.minutesIdle', { minutes: Number(value) }),
  },
  slotKeyOne: slotKey('slotKeyOne'),
  slotKeyTwo: slotKey('slotKeyTwo'),
}

/** The labels of device settings. */
export const SETTING_NAMES: Record<Key, Message> = {
  liftOffMm: message('edits.liftOffDistance'),
  angleSnapping: message('edits.angleSnapping'),
  debounceMs: message('edits.debounce'),
  debounce: message('edits.debounceStrategy'),
  pressMs: message('edits.keyHoldTime'),
  sleepMinutes: message('edits.sleepAfter'),
  noticePercent: message('edits.lowBatteryWarning'),
  lightCablePercent: message('edits.brightnessOnCable'),
  lightBatteryPercent: message('edits.brightnessOnBattery'),
  lightsOffMinutes: message('edits.lightsOffAfter'),
  slotKeyOne: message('edits.nextSlotFirstInput'),
  slotKeyTwo: message('edits.nextSlotSecondInput'),
}

export const SETTINGS: readonly Setting[] = keysOf(DEFINITIONS).map((key) => ({
  key,
  name: SETTING_NAMES[key],
  ...DEFINITIONS[key],
}))

/** Settings that a device does not have, or values it does not support. */
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
  const [min, max] = range(model)
  return typeof value === 'number' && Number.isInteger(value) && value >= min && value <= max
    ? undefined
    : { key: 'setting-range', facts: { setting: key, min, max } }
}

/** Removes settings that equal factory settings. */
export const removeFactoryValues = (settings: DeviceSettings, model: DeviceModel): DeviceSettings =>
  Object.fromEntries(
    SETTINGS.flatMap(({ key, factory }) => {
      const value = settings[key]
      return value === undefined || value === factory(model) ? [] : [[key, value]]
    }),
  )

/** All settings of a device, from a profile or otherwise from the factory. */
export const effectiveSettings = (settings: DeviceSettings, model: DeviceModel): DeviceSettings =>
  Object.fromEntries(
    SETTINGS.flatMap(({ key, factory }) => {
      const from = factory(model)
      return from === undefined ? [] : [[key, settings[key] ?? from]]
    }),
  )
