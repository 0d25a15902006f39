import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { bindAll, setComputer } from '../edits/edits'
import { addLayer, setLayerSignal } from '../edits/layer-edits'
import { type EffectTarget } from '../document/light'
import { newStackItem } from '../terms/light'
import { emptyMacro, shelfOf } from '../document/macro'
import { PLAY_ONCE } from '../document/action-schema'
import { factoryProfile } from '../terms/profile'
import type { Profile } from '../document/schema'
import { keyAction } from '../text/context'
import { editsBetween, loweringChanges } from './pending'
import { englishText } from '../../messages/plain'

describe('cells that are other keys for another computer', () => {
  const types = {
    ...emptyMacro('types', 'Types'),
    events: [{ kind: 'text', text: 'é', afterMs: 0 } as const],
  }
  const clicks = {
    ...emptyMacro('clicks', 'Clicks'),
    events: [{ kind: 'button', button: 1, does: 'press', afterMs: 0 } as const],
  }
  const shelf = shelfOf([types, clicks])
  const profile = bindAll(factoryProfile(tern7, 'Keys', { system: 'windows', layout: 'fr' }), tern7, [
    { layer: 0, input: 'side-front', put: { kind: 'shortcut', shortcut: 'copy' } },
    { layer: 0, input: 'side-rear', put: { kind: 'open', what: 'program', target: 'tide-table' } },
    { layer: 0, input: 'wheel-press', put: keyAction('KeyY', []) },
    { layer: 0, input: 'wheel-up', put: PLAY_ONCE('types') },
    { layer: 0, input: 'wheel-down', put: PLAY_ONCE('clicks') },
    { layer: 0, input: 'under-wheel', put: { kind: 'text', text: 'dive' } },
  ])
  const marked = (system: 'windows' | 'macos' | 'linux', layout: 'fr' | 'de') =>
    loweringChanges(profile, setComputer(profile, { system, layout }), tern7, shelf).map(
      ({ at }) => at?.input,
    )

  it('are marked, and no others', () => {
    expect(marked('windows', 'fr')).toEqual([])
    // The operating system decides how to copy and open; a text of these letters is the same on all.
    expect(marked('macos', 'fr')).toEqual(['side-rear', 'side-front'])
    // The layout moves é and the letters of the opened program; copy also follows its letter.
    expect(marked('windows', 'de')).toContain('wheel-up')
    expect(marked('windows', 'de')).not.toContain('wheel-down')
    expect(marked('windows', 'de')).not.toContain('wheel-press')
  })

  it('are no edits of their own once they are bound to something else', () => {
    const other = bindAll(setComputer(profile, { system: 'macos', layout: 'fr' }), tern7, [
      { layer: 0, input: 'side-front', put: keyAction('KeyY', []) },
    ])
    expect(loweringChanges(profile, other, tern7, shelf).map(({ key }) => key)).toEqual([
      'binding:0:side-rear',
    ])
  })
})

describe('what lies between two profiles', () => {
  const tern = factoryProfile(tern7, 'Brinewatch')
  const dive = addLayer(tern, 'Dive')
  const lit = (where: EffectTarget): Profile => ({
    ...tern,
    light: [newStackItem('wave', {}, { name: 'Tide', where })],
  })
  const told = (before: Profile, after: Profile) =>
    editsBetween(before, after, tern7).map(
      ({ key, what, from, to }) => `${key} ${englishText(what)}: ${englishText(from)} → ${englishText(to)}`,
    )

  it.each<[string, Profile, Profile, string[]]>([
    ['nothing', tern, { ...tern }, []],
    [
      'the default step',
      tern,
      { ...tern, defaultStep: 2 },
      [`defaultStep Default step: Step ${tern.defaultStep + 1} → Step 3`],
    ],
    [
      'a step more',
      { ...tern, steps: tern.steps.slice(0, 3) },
      tern,
      ['step:3 Step 4: none → 3200 DPI, #ffffff'],
    ],
    ['a layer more', tern, dive, ['layer:1 Layer Dive: none → Dive, indigo']],
    ['a layer less', dive, tern, ['layer:1 Layer Dive: Dive, indigo → none']],
    [
      'a layer that is shared',
      dive,
      setLayerSignal(dive, 1, 3),
      ['layer:1 Layer Dive: Dive, indigo → Dive, indigo, signal 3'],
    ],
    [
      'zones in another order',
      lit({ kind: 'zones', zones: ['spine', 'crest'] }),
      lit({ kind: 'zones', zones: ['crest', 'spine'] }),
      [],
    ],
    [
      'lights in another order',
      lit({ kind: 'lights', lights: ['spine:2', 'crest:1'] }),
      lit({ kind: 'lights', lights: ['crest:1', 'spine:2'] }),
      [],
    ],
    [
      'another light',
      lit({ kind: 'lights', lights: ['spine:2', 'crest:1'] }),
      lit({ kind: 'lights', lights: ['spine:2', 'crest:2'] }),
      [
        'light:0 Light, Tide: Tide: Wave, #0050ff #00e6a0, every 4 s, Spine 2 and Crest 1, always → Tide: Wave, #0050ff #00e6a0, every 4 s, Spine 2 and Crest 2, always',
      ],
    ],
    [
      'what a later version said',
      tern,
      { ...tern, later: { settings: [{ code: 99, bytes: '01' }], macros: { a: 1, b: 2 } } },
      ['later From a later version: none → 0 sections, 1 setting, 2 numbered macros'],
    ],
    [
      'another computer',
      tern,
      setComputer(tern, { system: 'macos', layout: 'de' }),
      ['computer Receiving computer: Any operating system, US layout → macOS, German layout'],
    ],
  ])('%s', (_, before, after, edits) => {
    expect(told(before, after)).toEqual(edits)
  })
})
