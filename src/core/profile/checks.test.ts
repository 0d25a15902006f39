import { describe, expect, it } from 'vitest'
import { slotCapacity } from '../device/lookups'
import { tern7 } from '../device/models/tern-7'
import { keyAction } from './action-text'
import { checkProfile, checkSize } from './checks'
import { bind, setStep } from './edits'
import { effectText } from './pending'
import { factoryProfile, leftClicks } from './profile'
import type { Profile } from './schema'

const profile = factoryProfile(tern7, 'Hollow Tithe')
const rulesOf = (checked: Profile) =>
  checkProfile(checked, tern7).map(({ rule, severity }) => `${severity} ${rule}`)
const withBinding = (input: string, action: Profile['layers'][0]['bindings'][string]['action']): Profile => ({
  ...profile,
  layers: [{ ...profile.layers[0], bindings: { [input]: { action } } }],
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
    [
      'a zone it does not have',
      { ...profile, light: { ...profile.light, tail: { kind: 'off' } } },
      'error zone',
    ],
    ['a zone left out', { ...profile, light: { crest: { kind: 'off' } } }, 'error zone'],
  ])('find %s', (_, broken, finding) => {
    expect(rulesOf(broken)).toContain(finding)
  })

  it('put errors before warnings and name the view in which each is mended', () => {
    const both = { ...setStep(profile, tern7, 0, { dpi: 800 }), polling: { cable: 1000, receiver: 333 } }
    const findings = checkProfile(both, tern7)
    expect(findings.map(({ severity }) => severity)).toEqual(['error', 'warning'])
    expect(new Set(findings.map(({ view }) => view))).toEqual(new Set(['motion']))
    expect(findings[0].message).toBe('2.4 GHz: 333 Hz; there are 125, 250, 500, 1000, 2000, 4000')
  })

  it('say by how much an image is too large', () => {
    const capacity = slotCapacity(tern7.memory)
    expect(checkSize(capacity, profile, tern7)).toEqual([])
    expect(checkSize(capacity + 12, profile, tern7)[0].message).toMatch(/12 B more than a slot/)
  })
})

describe('left clicks', () => {
  it('are counted on buttons that hold, not on wheels or double clicks', () => {
    const click = { kind: 'button', button: 1, clicks: 1 } as const
    const names = (checked: Profile) => leftClicks(tern7, checked.layers[0]).map(({ id }) => id)
    expect(names(profile)).toEqual(['left'])
    expect(names(bind(profile, tern7, 0, 'side-rear', click))).toEqual(['left', 'side-rear'])
    expect(names(bind(profile, tern7, 0, 'wheel-up', click))).toEqual(['left'])
    expect(names(bind(profile, tern7, 0, 'side-rear', { ...click, clicks: 2 }))).toEqual(['left'])
  })
})

describe('effects in words', () => {
  it.each([
    [{ kind: 'off' } as const, 'off'],
    [{ kind: 'solid', colour: '#ff0000', brightness: 50 } as const, 'solid #ff0000 at 50 %'],
    [
      { kind: 'breathing', colour: '#ff0000', brightness: 50, periodMs: 2500 } as const,
      'breathing #ff0000 at 50 % every 2.5 s',
    ],
    [{ kind: 'cycle', brightness: 100, periodMs: 1000 } as const, 'cycle at 100 % every 1 s'],
  ])('%j', (effect, words) => {
    expect(effectText(effect)).toBe(words)
  })
})
