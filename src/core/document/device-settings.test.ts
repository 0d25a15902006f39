import { describe, expect, it } from 'vitest'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { settingKinds, type DeviceSettings } from '../onboard/settings'
import { gateText } from '../wording/gate-words'
import { SETTINGS, settingProblems, settingsInForce, withoutFactory } from './device-settings'

const problems = (settings: DeviceSettings, model = tern7) => settingProblems(settings, model).map(gateText)

describe('the finer settings', () => {
  it('are the same in documents and in images, each once', () => {
    expect(SETTINGS.map(({ key }) => key).sort()).toEqual(
      settingKinds()
        .map(([key]) => key)
        .sort(),
    )
    expect(new Set(SETTINGS.map(({ name }) => name)).size).toBe(SETTINGS.length)
  })

  it('a device can be set to all that its factory set, and then keeps nothing of it', () => {
    for (const model of DEVICE_MODELS) {
      const factory = settingsInForce({}, model)
      expect(settingProblems(factory, model), model.name).toEqual([])
      expect(withoutFactory(factory, model), model.name).toEqual({})
      expect(settingsInForce({ ...factory }, model)).toEqual(factory)
    }
  })

  it.each<[DeviceSettings, string]>([
    [{ liftOffMm: 1.5 }, 'Lift-off distance: there are 1 and 2 mm'],
    [{ debounceMs: -1 }, 'Debounce: a debounce in ms lies between 0 and'],
    [{ debounceMs: 2.5 }, 'in whole numbers'],
    [{ pressMs: 0 }, 'Press of its own: a press in ms lies between 1 and 100'],
    [{ pressMs: 101 }, 'lies between 1 and 100'],
    [{ sleepMinutes: 61 }, 'Sleeps after: a time in minutes lies between 1 and 60'],
    [{ noticePercent: 51 }, 'Battery notice: a charge in percent lies between 0 and 50'],
    [{ lightCablePercent: 0 }, 'Brightness on the cable: a brightness in percent lies between 1 and 100'],
    [{ lightBatteryPercent: 101 }, 'Brightness from the battery'],
    [{ lightsOffMinutes: 61 }, 'Lights off after'],
    [{ slotKeyOne: 99 }, 'Next slot, first key: there is no input 99 that can be held'],
    // The wheel turns; nobody can hold it.
    [{ slotKeyTwo: 8 }, 'Next slot, second key: there is no input 8 that can be held'],
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
      'Knot 5 has no lift-off distance to set',
      'Knot 5 has no sleeps after to set',
    ])
    expect(problems({ angleSnapping: true }, dunlin84)).toEqual(['Dunlin 84 has no angle snapping to set'])
    expect(problems({ slotKeyOne: 1 }, knot5)).toEqual(['Knot 5 has no next slot, first key to set'])
  })

  it('in force is what is set, and of the rest what the factory set', () => {
    expect(settingsInForce({ sleepMinutes: 3 }, tern7)).toEqual({
      ...settingsInForce({}, tern7),
      sleepMinutes: 3,
    })
    expect(withoutFactory({ ...settingsInForce({}, tern7), sleepMinutes: 3 }, tern7)).toEqual({
      sleepMinutes: 3,
    })
  })

  it('are told in words, none and never among them', () => {
    const text = (key: string, value: never) => SETTINGS.find((each) => each.key === key)?.text(value)
    expect([
      text('liftOffMm', 1.5 as never),
      text('angleSnapping', true as never),
      text('noticePercent', 0 as never),
      text('noticePercent', 20 as never),
      text('lightsOffMinutes', 0 as never),
      text('lightsOffMinutes', 5 as never),
      text('slotKeyOne', 0 as never),
      text('slotKeyOne', 4 as never),
    ]).toEqual(['1.5 mm', 'on', 'none', 'at 20 %', 'never', '5 min idle', 'none', 'input 4'])
  })
})
