import { englishText } from '../../messages/plain'
import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { bind } from '../edits/edits'
import { addLayer } from '../edits/layer-edits'
import { newStackItem } from '../terms/light'
import { emptyMacro, shelfOf, type Macro, type MacroEvent } from '../document/macro'
import { factoryProfile } from '../terms/profile'
import type { Action, Profile } from '../document/schema'
import { BUDGET } from '../onboard/macro-budget'
import { keyAction } from '../text/context'
import { checkProfile, findingMessage } from './checks'
import { profileLight, profilePower } from '../terms/profile-power'
import { typedCharacters } from './typed-characters'

/** Rules for macros, for play and for device settings, and the current and memory of a profile. */

const profile: Profile = {
  ...factoryProfile(tern7, 'Hollow Tithe'),
  computer: { system: 'windows', layout: 'us' },
}
const key = (code: string, does: 'press' | 'release', afterMs = 10): MacroEvent => ({
  kind: 'key',
  code,
  does,
  afterMs,
})
const turned: MacroEvent = { kind: 'wheel', detents: 1, sideways: 0, afterMs: 0 }
const tapped = (code: string): MacroEvent[] => [key(code, 'press'), key(code, 'release')]
const macro = (id: string, events: MacroEvent[]): Macro => ({ ...emptyMacro(id, `Macro ${id}`), events })
const within = (id: string): MacroEvent => ({ kind: 'macro', macro: id, times: 1, afterMs: 0 }) as MacroEvent
const plays = (id: string, by: object = {}): Action =>
  ({ kind: 'macro', macro: id, play: 'once', gapMs: 0, again: 'ignore', others: 'go-on', ...by }) as Action
const bound = (action: Action, input = 'side-front', from = profile) => bind(from, tern7, 0, input, action)
const rules = (checked: Profile, macros: Macro[] = [], model = tern7) =>
  checkProfile(checked, model, shelfOf(macros)).map(({ rule, severity }) => `${severity} ${rule}`)

describe('the checks of macros', () => {
  it.each<[string, Macro[], string]>([
    ['one that is gone', [], 'error macro-missing'],
    ['one that plays itself', [macro('a', [within('a')])], 'error macro-circle'],
    [
      'two that play each other',
      [macro('a', [within('b')]), macro('b', [within('a')])],
      'error macro-circle',
    ],
    [
      'a text that cannot be typed',
      [macro('a', [{ kind: 'text', text: 'Größe', afterMs: 0 }])],
      'error macro-text',
    ],
    [
      'such a text in one within',
      [macro('a', [within('b')]), macro('b', [{ kind: 'text', text: '漢', afterMs: 0 }])],
      'error macro-text',
    ],
    ['a key that is left down', [macro('a', [key('KeyY', 'press')])], 'warning macro-left-down'],
    [
      'code of a later version',
      [macro('a', [{ kind: 'code', bytes: '01', afterMs: 0 }])],
      'warning macro-unplayed',
    ],
    [
      'more at once than a device does',
      [
        macro(
          'a',
          Array.from({ length: BUDGET.atOnce + 1 }, () => turned),
        ),
      ],
      'error macro-budget',
    ],
  ])('find %s', (_, macros, finding) => {
    expect(rules(bound(plays('a')), macros)).toContain(finding)
    // The same applies to a tap or a part; an unbound action is not reported.
    const tap = {
      kind: 'tap-hold',
      tap: plays('a'),
      hold: keyAction('KeyY', []),
      thresholdMs: 200,
      decide: 'time',
    }
    expect(rules(bound(tap as Action), macros)).toContain(finding)
    expect(rules(bound({ kind: 'macro-parts', held: 'a' }), macros)).toContain(finding)
    expect(rules(profile, macros)).toEqual([])
  })

  it('find nothing in one that is whole, and mend one that is gone by clearing it', () => {
    const whole = [
      macro('a', [...tapped('KeyY'), within('b')]),
      macro('b', [{ kind: 'text', text: 'gg', afterMs: 5 }]),
    ]
    expect(rules(bound(plays('a')), whole)).toEqual([])
    const gone = bound(plays('a'))
    const finding = itemAt(checkProfile(gone, tern7, shelfOf([])), 0)
    expect(englishText(findingMessage(finding))).toBe('Side, front plays a macro that is not in the library')
    expect(itemAt(finding.fixes?.[0]?.apply(gone).layers, 0).bindings['side-front']).toBeUndefined()
  })

  it('say which macro plays which', () => {
    const circle = [macro('a', [within('b')]), macro('b', [within('a')])]
    const found = checkProfile(bound(plays('a')), tern7, shelfOf(circle)).find(
      ({ rule }) => rule === 'macro-circle',
    )
    expect(found && englishText(findingMessage(found))).toMatch(
      /would never end, because these macros play each other: Macro a and Macro b/,
    )
  })
})

describe('the rules for play', () => {
  const held = (rule: 'no-repeats' | 'one-action', action: Action) =>
    ({ ...bound(action), rules: [rule] }) as Profile
  const shelf = [macro('one', tapped('KeyY')), macro('two', [...tapped('KeyY'), ...tapped('KeyB')])]

  it.each<[string, Action, boolean, boolean]>([
    ['a key', keyAction('KeyY', []), false, false],
    ['a chord', keyAction('KeyY', ['ControlLeft']), false, false],
    ['a double click', { kind: 'button', button: 1, clicks: 2 }, false, true],
    ['a text', { kind: 'text', text: 'gg' }, false, true],
    ['an opening', { kind: 'open', what: 'program', target: 'divelog' }, false, true],
    ['a macro of one key', plays('one'), false, false],
    ['a macro of two keys', plays('two'), false, true],
    ['a macro while held', plays('one', { play: 'held' }), true, false],
    ['a macro until pressed again', plays('one', { play: 'toggle' }), true, false],
    ['a macro three times', plays('one', { play: 'times', times: 3 }), true, false],
    ['macros on press and release', { kind: 'macro-parts', press: 'one', release: 'one' }, false, true],
    ['a macro in parts while held', { kind: 'macro-parts', held: 'one' }, true, true],
  ])('%s: goes on by itself %s… does several', (_, action, repeats, several) => {
    const found = (rule: 'no-repeats' | 'one-action') =>
      rules(held(rule, action), shelf).includes(`error play-${rule === 'no-repeats' ? 'repeats' : 'several'}`)
    expect([found('no-repeats'), found('one-action')]).toEqual([repeats, several])
    // Profiles without selected rules are not checked.
    expect(rules(bound(action), shelf)).toEqual([])
  })

  it('each way to mend it does, and keeps what may stay', () => {
    for (const action of [
      plays('one', { play: 'held' }),
      { kind: 'macro-parts', press: 'one', held: 'one' } as Action,
    ]) {
      const broken = held('no-repeats', action)
      const finding = checkProfile(broken, tern7, shelfOf(shelf)).find(({ rule }) => rule === 'play-repeats')
      const mended = finding?.fixes?.[0]?.apply(broken) ?? broken
      expect(rules(mended, shelf)).not.toContain('error play-repeats')
      expect(baseLayer(mended).bindings['side-front']).toBeDefined()
    }
  })
})

describe('the checks of the device settings', () => {
  const set = (settings: Profile['settings'], model = tern7, from = profile) =>
    rules({ ...from, settings }, [], model)

  it.each<[string, Profile['settings'], string]>([
    ['a lift-off the sensor does not have', { liftOffMm: 9 }, 'error setting'],
    ['one key twice for the next slot', { slotKeyOne: 3, slotKeyTwo: 3 }, 'error slot-keys-same'],
    ['one key alone for the next slot', { slotKeyOne: 3 }, 'warning slot-keys-one'],
  ])('find %s', (_, settings, finding) => {
    expect(set(settings)).toContain(finding)
  })

  it('find nothing in two keys, or none, nor in steps that differ one way', () => {
    expect(set({ slotKeyOne: 3, slotKeyTwo: 4 })).toEqual([])
    expect(set({ slotKeyOne: 0, slotKeyTwo: 0 })).toEqual([])
    const colours = ['#ff0000', '#ffffff', '#00a0ff']
    const steps = [{ dpi: 800 }, { dpi: 800, dpiY: 400 }, { dpi: 400, dpiY: 800 }]
    const split = {
      ...profile,
      steps: steps.map((step, at) => ({ ...step, colour: itemAt(colours, at) })),
      defaultStep: 0,
    }
    expect(rules(split).filter((rule) => rule.includes('same-step'))).toEqual([])
    const twice = {
      ...split,
      steps: [itemAt(split.steps, 1), { ...itemAt(split.steps, 1), colour: '#ff0000' }],
    }
    const found = checkProfile(twice, tern7).find(({ rule }) => rule === 'same-step')
    expect(found && englishText(findingMessage(found))).toBe('Steps 1 and 2 are both 800 × 400 DPI')
  })

  it('know what a model has: axes of its own, a sensor at all', () => {
    const step = { dpi: 800, dpiY: 400, colour: '#ff0000' }
    expect(rules({ ...factoryProfile(knot5, 'P'), steps: [step], defaultStep: 0 }, [], knot5)).toContain(
      'error step-axes',
    )
    const typing = factoryProfile(dunlin84, 'P')
    expect(rules(typing, [], dunlin84)).toEqual([])
    expect(rules({ ...typing, steps: [{ dpi: 800, colour: '#ff0000' }] }, [], dunlin84)).toContain(
      'error steps-no-sensor',
    )
    expect(rules({ ...profile, steps: [] })).toContain('error steps-none')
  })

  it('find steps whose colours nobody can tell, and one that can', () => {
    const near = {
      ...profile,
      steps: ['#ff0000', '#f00808'].map((colour, at) => ({ dpi: 400 + 400 * at, colour })),
      defaultStep: 0,
    }
    const found = checkProfile(near, tern7).find(({ rule }) => rule === 'step-colours')
    expect(found && englishText(findingMessage(found))).toMatch(
      /The colours of steps 1 and 2 are hard to distinguish/,
    )
    const mended = found?.fixes?.[0]?.apply(near) ?? near
    expect(rules(mended)).not.toContain('warning step-colours')
  })
})

describe('what a profile comes to', () => {
  it('its light draws what its default step and its brightness say, and costs hours over the air', () => {
    const white = { ...profile, light: [newStackItem('solid', { colour: '#ffffff', brightness: 100 })] }
    const dark = { ...profile, light: [newStackItem('off', {})] }
    expect(profileLight(dark, tern7)).toMatchObject({ meanMa: 0, peakMa: 0 })
    const lights = tern7.zones.flatMap(({ lights: each }) => each).length
    const full = 3 * tern7.electrical.lightMa * lights
    expect(profileLight(white, tern7).peakMa).toBeCloseTo(Math.min(full, tern7.electrical.limitMa), 0)
    const receiver = itemAt(
      tern7.connections.filter(({ id }) => id === 'receiver'),
      0,
    )
    const hours = (checked: Profile, by: object = {}) =>
      profilePower(checked, tern7, receiver, by)?.hoursInHand ?? 0
    expect(hours(dark)).toBeGreaterThan(2 * hours(white))
    expect(hours(dark, { rateHz: 125 })).toBeGreaterThan(hours(dark, { rateHz: 4000 }))
    // Less time until sleep means more battery life.
    expect(hours({ ...dark, settings: { sleepMinutes: 1 } })).toBeGreaterThanOrEqual(
      hours({ ...dark, settings: { sleepMinutes: 200 } }),
    )
    expect(
      profilePower(factoryProfile(godwit19, 'P'), godwit19, itemAt(godwit19.connections, 0)),
    ).toBeUndefined()
  })

  it('it types the characters of its texts, its openings and its macros, each once', () => {
    const shelf = shelfOf([
      macro('a', [within('b')]),
      macro('b', [{ kind: 'text', text: 'xyz', afterMs: 0 }]),
    ])
    const two = addLayer(bound({ kind: 'text', text: 'aab' }), 'Dive')
    const whole = bind(bind(two, tern7, 1, 'side-rear', plays('a')), tern7, 1, 'left', keyAction('KeyQ', []))
    expect([...typedCharacters(whole, shelf)].sort().join('')).toBe('abxyz')
    const opens = bound({ kind: 'open', what: 'program', target: 'divelog' })
    expect([...typedCharacters(opens, shelf)].sort().join('')).toBe('degilov')
    expect(typedCharacters({ ...opens, computer: { layout: 'us' } }, shelf)).toBe('')
  })
})
