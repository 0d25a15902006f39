import { englishText } from '../../messages/plain'
import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { slotCapacity } from '../device/lookups'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { compileProfile } from '../compile/compile'
import { keyAction } from '../text/context'
import { checkProfile, checkSize, findingMessage } from './checks'
import { bind, bindAll, setComputer } from '../edits/edits'
import { setStep } from '../edits/motion-edits'
import { addLayer, setLayerSignal } from '../edits/layer-edits'
import { effectMessage } from '../text/light-messages'
import type { EffectName } from '../effects/registry'
import { type StackedEffect } from '../document/light'
import { newEffect, newStackItem } from '../terms/light'
import { factoryProfile, leftClicks } from '../terms/profile'
import type { Action, Profile } from '../document/schema'

const profile = factoryProfile(tern7, 'Hollow Tithe')
const rulesOf = (checked: Profile) =>
  checkProfile(checked, tern7).map(({ rule, severity }) => `${severity} ${rule}`)
const withBinding = (input: string, action: Profile['layers'][0]['bindings'][string]['action']): Profile => ({
  ...profile,
  layers: [{ ...baseLayer(profile), bindings: { [input]: { action } } }],
})

/** The factory light with one more effect below. */
const lit = (
  more: Partial<Omit<StackedEffect, 'kind' | 'effect'>>,
  kind: EffectName = 'twinkle',
): Profile => ({
  ...profile,
  light: [newStackItem(kind, {}, more), ...profile.light],
})

describe('the checks', () => {
  it('find nothing wrong with what the factory set', () => {
    expect(checkProfile(profile, tern7)).toEqual([])
  })

  it.each<[string, Profile, string]>([
    ['no left click', withBinding('left', keyAction('KeyY', [])), 'error left-click'],
    ['an input the device does not have', withBinding('nose', { kind: 'off' }), 'error input'],
    ['a slot it does not have', withBinding('side-front', { kind: 'slot', to: 6 }), 'error chosen-slot'],
    ['a step that is not there', withBinding('side-front', { kind: 'step', to: 5 }), 'warning chosen-step'],
    [
      'a step off the grid',
      { ...profile, steps: [{ dpi: 425, colour: '#ffffff' }], defaultStep: 0 },
      'error step',
    ],
    [
      'more steps than it keeps',
      { ...profile, steps: [50, 100, 150, 200, 250, 300].map((dpi) => ({ dpi, colour: '#ffffff' })) },
      'error steps',
    ],
    ['a default that does not exist', { ...profile, defaultStep: 9 }, 'error default-step'],
    ['two steps alike', setStep(profile, tern7, 0, { dpi: 800 }), 'warning same-step'],
    [
      'a rate the cable does not have',
      { ...profile, polling: { ...profile.polling, cable: 2000 } },
      'error rate',
    ],
    [
      'a rate for what has none to set',
      { ...profile, polling: { ...profile.polling, bluetooth: 125 } },
      'error connection',
    ],
    ['a rate left out', { ...profile, polling: { cable: 1000 } }, 'error rate'],
    ['a zone it does not have', lit({ where: { kind: 'zones', zones: ['tail'] } }), 'error zone'],
    ['a light it does not have', lit({ where: { kind: 'lights', lights: ['spine:7'] } }), 'error light'],
    ['light nowhere', lit({ where: { kind: 'lights', lights: [] } }), 'warning nowhere'],
    ['light that waits for no layer', lit({ when: { kind: 'layer', layer: 1 } }), 'error light-layer'],
    [
      'light that waits for a macro that has gone',
      lit({ when: { kind: 'macro', macro: 'gone' } }),
      'error light-macro',
    ],
    [
      'light that waits for a strange input',
      lit({ when: { kind: 'press', forMs: 500, inputs: ['nose'] } }),
      'error light-input',
    ],
    ['light that is never seen', lit({}, 'solid'), 'warning covered'],
    [
      'a gauge whose ends look alike',
      { ...profile, light: [newStackItem('battery', { full: '#20c020', low: '#c07020' })] },
      'warning gauge-colours',
    ],
  ])('find %s', (_, broken, finding) => {
    expect(rulesOf(broken)).toContain(finding)
  })

  it('put errors before warnings and name the view in which each is mended', () => {
    const both = { ...setStep(profile, tern7, 0, { dpi: 800 }), polling: { cable: 1000, receiver: 333 } }
    const findings = checkProfile(both, tern7)
    expect(findings.map(({ severity }) => severity)).toEqual(['error', 'warning'])
    expect(new Set(findings.map(({ view }) => view))).toEqual(new Set(['motion']))
    expect(englishText(findingMessage(itemAt(findings, 0)))).toBe(
      '2.4 GHz cannot use 333 Hz, only 125, 250, 500, 1000, 2000 and 4000 Hz',
    )
  })

  it('say by how much an image is too large', () => {
    const capacity = slotCapacity(tern7.memory)
    expect(checkSize(capacity, profile, tern7)).toEqual([])
    expect(englishText(findingMessage(itemAt(checkSize(capacity + 12, profile, tern7), 0)))).toMatch(
      /12 B more than a slot/,
    )
  })
})

const dive = addLayer(profile, 'Dive')
const hold = { kind: 'layer', layer: 1, how: 'hold' } as const
const toggle = { kind: 'layer', layer: 1, how: 'switch' } as const
const y = keyAction('KeyY', [])
const on = (from: Profile, layer: number, input: string, action: Action, name?: string): Profile =>
  bindAll(from, tern7, [{ layer, input, put: { action, ...(name && { name }) } }])
const reached = on(dive, 0, 'side-rear', hold)
const noLeftClick: Profile = withBinding('left', y)

describe('the checks of bindings and layers', () => {
  const broken: [what: string, profile: Profile, rule: string, at: object][] = [
    ['no left click', noLeftClick, 'left-click', { layer: 0, input: 'left' }],
    ['a layer nothing leads to', dive, 'unreachable-layer', { layer: 1 }],
    ['a layer that only leads to itself', on(dive, 1, 'side-rear', hold), 'unreachable-layer', { layer: 1 }],
    [
      'what a held layer key does in its own layer',
      on(reached, 1, 'side-rear', y),
      'layer-key-held',
      { layer: 1, input: 'side-rear' },
    ],
    [
      'a switch with no way back',
      on(on(dive, 0, 'side-rear', toggle), 1, 'side-rear', y),
      'layer-key-switch',
      { layer: 1, input: 'side-rear' },
    ],
    [
      'a switch with no way back, though another input holds the layer',
      on(on(on(dive, 0, 'side-rear', toggle), 0, 'side-front', hold), 1, 'side-rear', y),
      'layer-key-switch',
      { layer: 1, input: 'side-rear' },
    ],
    [
      'a layer that is not there',
      withBinding('side-front', { kind: 'layer', layer: 3, how: 'hold' }),
      'layer',
      { layer: 0, input: 'side-front' },
    ],
    [
      'one in-game name for two things',
      on(on(profile, 0, 'side-front', y, 'Lamp'), 0, 'side-rear', keyAction('KeyB', []), 'lamp'),
      'same-name',
      { layer: 0, input: 'side-front' },
    ],
    [
      'an opening without a system',
      on(profile, 0, 'side-front', { kind: 'open', what: 'program', target: 'divelog' }),
      'system-opening',
      { layer: 0, input: 'side-front' },
    ],
    [
      'a shortcut without a system, on tap',
      on(profile, 0, 'side-front', {
        kind: 'tap-hold',
        tap: { kind: 'shortcut', shortcut: 'copy' },
        hold: y,
        thresholdMs: 200,
        decide: 'time',
      }),
      'system-shortcut',
      { layer: 0, input: 'side-front' },
    ],
    [
      'a shortcut the system does not have',
      on(setComputer(profile, { system: 'linux', layout: 'us' }), 0, 'side-front', {
        kind: 'shortcut',
        shortcut: 'fileManager',
      }),
      'shortcut',
      { layer: 0, input: 'side-front' },
    ],
    [
      'a text another layout can type',
      on(profile, 0, 'side-front', { kind: 'text', text: 'Größe' }),
      'untypable',
      { layer: 0, input: 'side-front' },
    ],
  ]

  it.each(broken)('find %s, where it is, and each way to mend it does', (_, checked, rule, at) => {
    const found = checkProfile(checked, tern7).find((finding) => finding.rule === rule)
    expect(found).toMatchObject({ view: 'buttons', at })
    expect(found?.fixes?.length).toBeGreaterThan(0)
    for (const { apply } of found?.fixes ?? [])
      expect(checkProfile(apply(checked), tern7).map((finding) => finding.rule)).not.toContain(rule)
  })

  it('find an input that a connection has for itself, and what only Macs type otherwise', () => {
    expect(rulesOf(on(profile, 0, 'slot-button', y))).toContain('warning connection-input')
    const mac = setComputer(profile, { system: 'macos', layout: 'de' })
    expect(rulesOf(on(mac, 0, 'side-front', { kind: 'text', text: 'crew < bridge' }))).toContain(
      'warning mac-characters',
    )
    expect(rulesOf(on(mac, 0, 'side-front', { kind: 'text', text: 'crew' }))).toEqual([])
  })

  it('leave alone what is in order: layers over layers, shared ones, one name for the same keys twice', () => {
    const over = addLayer(reached, 'Deep')
    expect(checkProfile(on(over, 1, 'side-front', { ...hold, layer: 2 }), tern7)).toEqual([])
    expect(checkProfile(setLayerSignal(dive, 1, 2), tern7)).toEqual([])
    const twice = on(on(reached, 0, 'side-front', y, 'Lamp'), 1, 'left', y, 'Lamp')
    expect(checkProfile(twice, tern7)).toEqual([])
  })

  it('say what a full memory is full of, and clearing it makes room; names go first, and are said to', () => {
    const text = (input: string, length: number) => (from: Profile) =>
      bindAll(from, knot5, [
        {
          layer: 0,
          input,
          put: { action: { kind: 'text', text: 'z'.repeat(length) }, name: `Long ${length}` },
        },
      ])
    const small = factoryProfile(knot5, 'Proofs')
    const tight = text('side-rear', 466)(text('side-front', 450)(small))
    const fits = compileProfile(tight, knot5)
    expect(fits.findings.map(({ rule }) => rule)).toEqual(['names'])
    expect(fits.bytes.length).toBeLessThanOrEqual(slotCapacity(knot5.memory))
    const over = text('wheel-press', 200)(tight)
    const finding = itemAt(compileProfile(over, knot5).findings, 0)
    expect(finding).toMatchObject({ rule: 'size', severity: 'error' })
    expect(englishText(findingMessage(finding))).toMatch(
      /more than a slot of Knot 5 has.*largest binding is Side, rear with 4\d\d B/,
    )
    const mended = finding.fixes?.[0]?.apply(over) ?? over
    expect(compileProfile(mended, knot5).findings.map(({ rule }) => rule)).not.toContain('size')
  })
})

describe('left clicks', () => {
  it('are counted on buttons that hold, not on wheels or double clicks', () => {
    const click = { kind: 'button', button: 1, clicks: 1 } as const
    const names = (checked: Profile) => leftClicks(tern7, baseLayer(checked)).map(({ id }) => id)
    expect(names(profile)).toEqual(['left'])
    expect(names(bind(profile, tern7, 0, 'side-rear', click))).toEqual(['left', 'side-rear'])
    expect(names(bind(profile, tern7, 0, 'wheel-up', click))).toEqual(['left'])
    expect(names(bind(profile, tern7, 0, 'side-rear', { ...click, clicks: 2 }))).toEqual(['left'])
  })
})

describe('effects in words', () => {
  it.each([
    [newEffect('off'), 'Dark'],
    [{ ...newEffect('solid'), colour: '#ff0000', brightness: 50 }, 'Solid, #ff0000, at 50%'],
    [{ ...newEffect('breathing'), periodMs: 2500 }, 'Breathing, #ffffff, every 2.5 s'],
    [newEffect('wave'), 'Wave, #0050ff #00e6a0, every 4 s'],
  ])('%j', (effect, words) => {
    expect(englishText(effectMessage(effect))).toBe(words)
  })
})
