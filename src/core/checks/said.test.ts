import { englishText } from '../../messages/plain'
import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import demo from '../../../demo/rules.json'
import type { RuleTarget } from '../computer/app-rules'
import { dunlin84 } from '../device/models/dunlin-84'
import { tern7 } from '../device/models/tern-7'
import type { DeviceModel } from '../device/model'
import { parseAppRules } from '../files/app-rules-file'
import { bindAll } from '../edits/edits'
import { addLayer } from '../edits/layer-edits'
import { type StackedEffect } from '../document/light'
import { newStackItem } from '../terms/light'
import { emptyMacro, shelfOf, type Macro, type MacroEvent } from '../document/macro'
import { factoryProfile } from '../terms/profile'
import type { Action, Profile } from '../document/schema'
import { MAX_MACROS } from '../onboard/macro-section'
import { keyAction } from '../text/context'
import { checkAppRules } from './app-rule-checks'
import { checkNames } from './size-checks'
import { checkProfile, findingMessage, fixMessage } from './checks'
import { ruleMessage } from './finding-messages'

const tern = factoryProfile(tern7, 'Brinewatch')
const dunlin = factoryProfile(dunlin84, 'Brinewatch bridge')
const dive = addLayer(tern, 'Dive')
const y = keyAction('KeyY', [])
const toggle = { kind: 'layer', layer: 1, how: 'switch' } as const

const on = (profile: Profile, input: string, action: Action, layer = 0): Profile =>
  bindAll(profile, tern7, [{ layer, input, put: action }])
const lit = (more: Partial<StackedEffect>, below = tern.light): Profile => ({
  ...tern,
  light: [newStackItem('twinkle', {}, more), ...below],
})
const macro = (id: string, events: MacroEvent[]): Macro => ({ ...emptyMacro(id, `Macro ${id}`), events })
const plays = (id: string): Action => ({
  kind: 'macro',
  macro: id,
  play: 'once',
  gapMs: 0,
  again: 'ignore',
  others: 'go-on',
})

/** The reported findings of a profile, each with the labels of its fixes. */
const said = (profile: Profile, model: DeviceModel = tern7, macros: Macro[] = []): string[] =>
  checkProfile(profile, model, shelfOf(macros)).map((finding) =>
    [
      englishText(findingMessage(finding)),
      ...(finding.fixes ?? []).map((fix) => englishText(fixMessage(fix))),
    ].join(' | '),
  )

describe('what the checks say', () => {
  it.each<[string, Profile, string[]]>([
    [
      'a step that is not there',
      on(tern, 'side-front', { kind: 'step', to: 5 }),
      ['Side, front selects step 5, but the profile has 4'],
    ],
    [
      'one that is held, on a layer',
      on(on(dive, 'side-front', { kind: 'hold-step', step: 5 }, 1), 'side-rear', toggle),
      ['Side, front in Dive selects step 5, but the profile has 4'],
    ],
    ['the last step', on(tern, 'side-front', { kind: 'step', to: 4 }), []],
    ['a DPI that is held', on(tern, 'side-front', { kind: 'hold-step', dpi: 400 }), []],
    [
      'a slot that is not there',
      on(tern, 'side-front', { kind: 'slot', to: 6 }),
      ['Side, front selects slot 6, but Tern 7 has 5'],
    ],
    ['the last slot', on(tern, 'side-front', { kind: 'slot', to: 5 }), []],
    [
      'a text that the layout has not',
      on(tern, 'side-front', { kind: 'text', text: 'Größe' }),
      [
        'Side, front: ö ß cannot be typed with the US layout on any operating system | Set the keyboard layout to German | Set the keyboard layout to US International | Reset to factory setting',
      ],
    ],
    ['a layer nothing leads to', dive, ['No input activates the layer Dive | Remove the layer']],
    [
      'a switch that does something else in its layer',
      on(on(dive, 'side-rear', toggle), 'side-rear', y, 1),
      [
        'Side, rear activates Dive but has another action there, so only activating another slot leaves Dive | Inherit it in Dive',
      ],
    ],
    [
      'one with another switch as a way out',
      on(on(on(dive, 'side-rear', toggle), 'side-front', toggle), 'side-rear', y, 1),
      [],
    ],
    [
      'a zone that is not there',
      lit({ where: { kind: 'zones', zones: ['tail'] } }),
      ['Twinkle: Tern 7 has no zone “tail”'],
    ],
    [
      'a light that is not there',
      lit({ where: { kind: 'lights', lights: ['spine:7'] } }),
      ['Twinkle: Tern 7 has no light “spine:7”', 'Twinkle has no lights | Remove'],
    ],
    [
      'what lies under light that covers it',
      { ...tern, light: [newStackItem('solid', {}, { name: 'Foam' }), newStackItem('wave')] },
      ['Wave is never visible: the effects above it cover its lights | Remove'],
    ],
    [
      'what is seen through it',
      { ...tern, light: [newStackItem('solid', {}, { opacity: 99 }), newStackItem('wave')] },
      [],
    ],
    [
      'what it adds to',
      { ...tern, light: [newStackItem('solid', {}, { mix: 'adds' }), newStackItem('wave')] },
      [],
    ],
    [
      'a default that is not there',
      { ...tern, defaultStep: tern.steps.length },
      ['The default is step 5, which does not exist'],
    ],
    ['the last step as the default', { ...tern, defaultStep: tern.steps.length - 1 }, []],
    [
      'one of two keys for the next slot',
      { ...tern, settings: { slotKeyOne: 1 } },
      ['The next slot needs two inputs, but only one is set'],
    ],
    [
      'the other',
      { ...tern, settings: { slotKeyTwo: 1 } },
      ['The next slot needs two inputs, but only one is set'],
    ],
    [
      'a macro that has gone',
      on(tern, 'side-front', plays('gone')),
      ['Side, front plays a macro that is not in the library | Clear the cell'],
    ],
  ])('of %s', (_, profile, words) => {
    expect(said(profile)).toEqual(words)
  })

  it('of more steps than a device keeps, of steps where there is no sensor, of names without room', () => {
    const steps = [50, 100, 150, 200, 250, 300].map((dpi) => ({ dpi, colour: '#ffffff' }))
    expect(said({ ...tern, steps })[0]).toBe('The profile has 6 DPI steps, but Tern 7 can store 5')
    const input = itemAt(dunlin84.inputs, 0)
    const bindings = { [input.id]: { action: { kind: 'step', to: 'next' } as const } }
    expect(said({ ...dunlin, layers: [{ ...baseLayer(dunlin), bindings }] }, dunlin84)).toContain(
      `${englishText(input.name)}: Dunlin 84 has no sensor, so it has no DPI steps`,
    )
    const names = itemAt(checkNames(30, dive, tern7), 0)
    expect(names).toMatchObject({ view: 'buttons', at: { layer: 1 } })
    expect(englishText(findingMessage(names))).toMatch(/30 B.*Tern 7/)
  })

  it('of as many macros as a device keeps, and one more; of keys that stay down', () => {
    const many = Array.from({ length: MAX_MACROS + 1 }, (_, at) =>
      macro(`${at}`, [{ kind: 'key', code: 'KeyY', does: 'press', afterMs: 5 }]),
    )
    const keys = dunlin84.inputs.filter(({ kind }) => kind === 'press').slice(0, 70)
    const bound = (count: number): Profile => ({
      ...dunlin,
      layers: ['Base', 'Fn', 'Deck'].map((name, layer) => ({
        ...baseLayer(dunlin),
        name,
        bindings: Object.fromEntries(
          keys.flatMap(({ id }, at) => {
            const macroId = 70 * layer + at
            return macroId < count ? [[id, { action: plays(`${macroId}`) }]] : []
          }),
        ),
      })),
    })
    const kept = said(bound(MAX_MACROS), dunlin84, many)
    expect(kept.filter((words) => /macros are bound/.test(words))).toEqual([])
    expect(said(bound(MAX_MACROS + 1), dunlin84, many)).toContain(
      `${MAX_MACROS + 1} macros are bound, but Dunlin 84 can store ${MAX_MACROS}`,
    )
    expect(kept).toContain(
      `${englishText(itemAt(keys, 0).name)}: Macro 0 never releases 1 key; the device does so when it ends`,
    )
  })

  it('of app rules: of devices that have not been read nothing, of the slot after the last that it is not there', () => {
    const ground = { profiles: [{ name: 'Brinewatch', model: tern7.id }], slots: new Map() }
    const use = (target: Omit<RuleTarget, 'device'>) =>
      checkAppRules(
        {
          ...parseAppRules(demo),
          rules: [{ program: 'a', by: 'name', use: [{ device: tern7.id, ...target }] }],
          otherwise: [],
        },
        ground,
      ).map((finding) => englishText(ruleMessage(finding)))
    expect(use({ profile: 'Brinewatch' })).toEqual([])
    expect(use({})).toEqual([])
    expect(use({ slot: 4 })).toEqual([])
    expect(use({ slot: 5 })).toEqual(['Tern 7 has no slot 6; it has 5'])
  })
})
