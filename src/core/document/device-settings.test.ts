import { englishText } from '../../messages/plain'
import { describe, expect, it } from 'vitest'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { settingKinds, type DeviceSettings } from '../onboard/settings'
import { problemMessage } from '../wording/problem-messages'
import { SETTINGS, settingProblems, effectiveSettings, removeFactoryValues } from './device-settings'

const problems = (settings: DeviceSettings, model = tern7) =>
  settingProblems(settings, model).map((problem) => englishText(problemMessage(problem)))

describe('the device settings', () => {
  it('are the same in documents and in images, each once', () => {
    expect(SETTINGS.map(({ key }) => key).sort()).toEqual(
      settingKinds()
        .map(([key]) => key)
        .sort(),
    )
    expect(new Set(SETTINGS.map(({ name }) => englishText(name))).size).toBe(SETTINGS.length)
  })

  it('a device can be set to all that its factory set, and then keeps nothing of it', () => {
    for (const model of DEVICE_MODELS) {
      const factory = effectiveSettings({}, model)
      expect(settingProblems(factory, model), model.name).toEqual([])
      expect(removeFactoryValues(factory, model), model.name).toEqual({})
      expect(effectiveSettings({ ...factory }, model)).toEqual(factory)
    }
  })

  it.each<[DeviceSettings, string]>([
    [{ liftOffMm: 1.5 }, 'Lift-off distance: enter 1 or 2 mm'],
    [{ debounceMs: -1 }, 'Debounce: enter a whole number from 0 to 20'],
    [{ debounceMs: 2.5 }, 'a whole number from'],
    [{ pressMs: 0 }, 'Key hold time: enter a whole number from 1 to 100'],
    [{ pressMs: 101 }, 'from 1 to 100'],
    [{ sleepMinutes: 61 }, 'Sleep after: enter a whole number from 1 to 60'],
    [{ noticePercent: 51 }, 'Low-battery warning: enter a whole number from 0 to 50'],
    [{ lightCablePercent: 0 }, 'Brightness on cable: enter a whole number from 1 to 100'],
    [{ lightBatteryPercent: 101 }, 'Brightness on battery'],
    [{ lightsOffMinutes: 61 }, 'Lights off after'],
    [{ slotKeyOne: 99 }, 'Next slot, first input: input 99 cannot be held'],
    // The wheel turns and cannot be held.
    [{ slotKeyTwo: 8 }, 'Next slot, second input: input 8 cannot be held'],
  ])('%j is refused', (settings, why) => {
    expect(problems(settings)).toHaveLength(1)
    expect(problems(settings)[0]).toContain(why)
  })

  it('the bounds themselves are allowed', () => {
    for (const settings of [
      {
        pressMs: 1,
        sleepMinutes: 1,
        noticePercent: 0,
        lightCablePercent: 1,
        lightsOffMinutes: 0,
        slotKeyOne: 0,
      },
      {
        pressMs: 100,
        sleepMinutes: 60,
        noticePercent: 50,
        lightCablePercent: 100,
        lightsOffMinutes: 60,
        slotKeyOne: 7,
      },
      { liftOffMm: 2, debounceMs: 0, angleSnapping: true, debounce: 'deferred' as const },
    ])
      expect(problems(settings)).toEqual([])
  })

  it('what a device does not have cannot be set on it', () => {
    expect(problems({ sleepMinutes: 5, liftOffMm: 1 }, knot5)).toEqual([
      'Lift-off distance cannot be set on Knot 5',
      'Sleep after cannot be set on Knot 5',
    ])
    expect(problems({ angleSnapping: true }, dunlin84)).toEqual(['Angle snapping cannot be set on Dunlin 84'])
    expect(problems({ slotKeyOne: 1 }, knot5)).toEqual(['Next slot, first input cannot be set on Knot 5'])
  })

  it('in force is what is set, and of the rest what the factory set', () => {
    expect(effectiveSettings({ sleepMinutes: 3 }, tern7)).toEqual({
      ...effectiveSettings({}, tern7),
      sleepMinutes: 3,
    })
    expect(removeFactoryValues({ ...effectiveSettings({}, tern7), sleepMinutes: 3 }, tern7)).toEqual({
      sleepMinutes: 3,
    })
  })

  it('are told in words, none and never among them', () => {
    const text = (key: string, value: never) =>
      englishText(SETTINGS.find((each) => each.key === key)?.text(value) ?? '')
    expect([
      text('liftOffMm', 1.5 as never),
      text('angleSnapping', true as never),
      text('noticePercent', 0 as never),
      text('noticePercent', 20 as never),
      text('lightsOffMinutes', 0 as never),
      text('lightsOffMinutes', 5 as never),
      text('slotKeyOne', 0 as never),
      text('slotKeyOne', 4 as never),
    ]).toEqual(['1.5 mm', 'on', 'none', 'at 20%', 'never', '5 min idle', 'none', 'input 4'])
  })
})
