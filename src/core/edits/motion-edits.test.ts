import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { compileProfile } from '../compile/compile'
import { decompileImage } from '../compile/decompile'
import { STARTERS } from '../motion/starters'
import { anyProfile } from '../document/any-profile.test-support'
import { checkProfile } from '../checks/checks'
import { effectiveSettings } from '../document/device-settings'
import { EditRefused } from '../wording/edit-refused'
import { addStep, setSettings, setStep, setStepsDpi } from './motion-edits'
import { moveProfile } from '../compile/move'
import { editsBetween } from '../compile/pending'
import { factoryProfile } from '../terms/profile'
import { profilePower } from '../terms/profile-power'
import { parseProfile } from '../document/schema'
import { applyStarter } from './starter-edits'
import { runs } from '../base/runs.test-support'
import { refusalOf } from '../../messages/english.test-support'
import { englishText } from '../../messages/plain'

const tern = factoryProfile(tern7, 'Tern')

describe('steps', () => {
  it('keep an axis of their own and a name only where these say something', () => {
    const split = setStep(tern, tern7, 0, { dpiY: 350, name: '  Welding ' })
    expect(split.steps[0]).toEqual({ dpi: 400, dpiY: 350, colour: '#e04f2f', name: 'Welding' })
    expect(setStep(split, tern7, 0, { dpiY: 400, name: '' })).toEqual(tern)
    expect(setStep(split, tern7, 0, { dpi: 350 }).steps[0]).not.toHaveProperty('dpiY')
    expect(decompileImage(compileProfile(split, tern7).bytes, tern7)).toEqual(split)
  })

  it('are refused with the reason, and nothing is done', () => {
    const plain = factoryProfile(knot5, 'Knot')
    expect(refusalOf(() => setStep(plain, knot5, 0, { dpiY: 400 }))).toMatch(/cannot use different DPI/)
    expect(refusalOf(() => setStep(tern, tern7, 0, { dpiY: 425 }))).toMatch(/multiple of 50 DPI/)
    expect(refusalOf(() => setStep(tern, tern7, 9, { dpi: 400 }))).toMatch(/no step 10/)
    expect(refusalOf(() => setStep(tern, tern7, 0, { name: 'x'.repeat(25) }))).toMatch(/24 bytes/)
    expect(refusalOf(() => addStep(factoryProfile(dunlin84, 'D'), dunlin84, itemAt(tern.steps, 0)))).toMatch(
      /no sensor/,
    )
    expect(refusalOf(() => setStepsDpi(tern, tern7, [400, 800, 1200, 1600, 2000, 2400], []))).toMatch(
      /1 to 5 steps/,
    )
  })

  it('spread over others keep colours and names by their place, and the default within them', () => {
    const named = setStep(setStep(tern, tern7, 1, { name: 'Hull' }), tern7, 3, { dpiY: 3000 })
    const two = setStepsDpi({ ...named, defaultStep: 3 }, tern7, [500, 1000], ['#000000'])
    expect(two.steps).toEqual([
      { dpi: 500, colour: '#e04f2f' },
      { dpi: 1000, colour: '#f2c14e', name: 'Hull' },
    ])
    expect(two.defaultStep).toBe(1)
    expect(
      setStepsDpi(
        two,
        tern7,
        [1, 2, 3].map((each) => each * 500),
        ['#111111', '#222222', '#333333'],
      ).steps[2],
    ).toEqual({ dpi: 1500, colour: '#333333' })
  })
})

describe('device settings', () => {
  it('that are as the factory set them are not kept, and each difference is one edit in words', () => {
    const set = setSettings(tern, tern7, { liftOffMm: 2, debounceMs: 4, noticePercent: 0 })
    expect(set.settings).toEqual({ liftOffMm: 2, noticePercent: 0 })
    expect(setSettings(set, tern7, { liftOffMm: 1, noticePercent: 15 })).toEqual(tern)
    const texts = editsBetween(tern, set, tern7).map(({ what, from, to }) =>
      [what, from, to].map(englishText),
    )
    expect(texts).toEqual([
      ['Lift-off distance', '1 mm', '2 mm'],
      ['Low-battery warning', 'at 15%', 'none'],
    ])
  })

  it('are refused where the device has them not, as edits and in a file', () => {
    const knot = factoryProfile(knot5, 'Knot')
    expect(() => setSettings(knot, knot5, { angleSnapping: true })).toThrow(EditRefused)
    expect(refusalOf(() => setSettings(tern, tern7, { liftOffMm: 1.5 }))).toMatch(/enter 1 or 2 mm/)
    expect(refusalOf(() => setSettings(tern, tern7, { debounceMs: 21 }))).toMatch(/from 0 to 20/)
    const file = parseProfile({ ...knot, settings: { debounceMs: 2 } })
    expect(checkProfile(file, knot5).filter(({ severity }) => severity === 'error')).toMatchObject([
      { rule: 'setting', facts: { key: 'setting-none', facts: { setting: 'debounceMs', model: 'Knot 5' } } },
    ])
    expect(refusalOf(() => parseProfile({ ...tern, settings: { liftOff: 2 } }))).toMatch(/settings/)
  })

  it('of an earlier file are those of the factory', () => {
    const { settings: _, ...before } = tern
    expect(parseProfile({ ...before, version: 2 })).toEqual(tern)
  })

  it('go along to another model as far as it has them, and each is said', () => {
    const set = setSettings(setStep(tern, tern7, 0, { dpiY: 350 }), tern7, {
      liftOffMm: 2,
      debounceMs: 9,
      sleepMinutes: 5,
    })
    const { profile, report } = moveProfile(set, tern7, godwit19)
    expect(profile.settings).toEqual({ debounceMs: 9 })
    expect(profile.steps[0]).toMatchObject({ dpi: 400 })
    const fates = Object.fromEntries(report.map(({ what, fate }) => [englishText(what), fate]))
    expect(fates).toMatchObject({
      'Lift-off distance, 2 mm': 'left out',
      'Debounce, 9 ms': 'fits',
      'Sleep after, 5 min': 'left out',
    })
  })

  it('in force are all that the device has, whatever the profile', () => {
    for (const model of DEVICE_MODELS)
      fc.assert(
        fc.property(anyProfile(model, 0), ({ settings }) => {
          const all = effectiveSettings(settings, model)
          expect(all).toMatchObject(settings)
          expect(Object.keys(all).sort()).toEqual(Object.keys(effectiveSettings({}, model)).sort())
        }),
        runs(20),
      )
  })
})

describe('starters', () => {
  it('are a good profile on every device, and taken twice are the same', () => {
    for (const model of DEVICE_MODELS)
      for (const starter of STARTERS) {
        const once = applyStarter(factoryProfile(model, 'New'), model, starter)
        expect(checkProfile(once, model)).toEqual([])
        expect(applyStarter(once, model, starter)).toEqual(once)
        expect(compileProfile(once, model).bytes.length).toBeGreaterThan(0)
      }
    const evenings = STARTERS.find(({ id }) => id === 'evenings') ?? itemAt(STARTERS, 0)
    const receiver = itemAt(tern7.connections, 1)
    const hours = (profile: typeof tern) => profilePower(profile, tern7, receiver)?.hoursInHand ?? 0
    expect(hours(applyStarter(tern, tern7, evenings))).toBeGreaterThan(hours(tern))
  })
})
