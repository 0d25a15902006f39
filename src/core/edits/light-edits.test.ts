import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { runs } from '../base/runs.test-support'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { EFFECT_NAMES } from '../effects/registry'
import { MOST_ENTRIES } from '../onboard/light-stack'
import { EditRefused } from '../wording/refused'
import { type StackItem } from '../document/light'
import { lightIds, newEffect, stacked } from '../terms/light'
import {
  addEffect,
  changeEffect,
  duplicateEffect,
  kindsOf,
  lightsIn,
  moveEffect,
  placeOf,
  removeEffect,
  setStack,
  whyNotShown,
  withKind,
  zonesIn,
} from './light-edits'
import { factoryProfile } from '../terms/profile'
import type { Profile } from '../document/schema'

const ALL = { kind: 'all' } as const
const profile: Profile = {
  ...factoryProfile(tern7, 'P'),
  light: (['solid', 'wave', 'glow', 'blink'] as const).map((kind) => stacked(kind, {})),
}
const kinds = ({ light }: Profile) =>
  light.map((item) => (item.kind === 'effect' ? item.effect.kind : 'later'))
const later: StackItem = { kind: 'later', code: 30, bytes: '0a' }

describe('edits of the stack of effects', () => {
  it('add on top, once more under itself, and take away one alone', () => {
    expect(kinds(addEffect(profile, tern7, 'twinkle', ALL))).toEqual([
      'twinkle',
      'solid',
      'wave',
      'glow',
      'blink',
    ])
    expect(kinds(duplicateEffect(profile, 1))).toEqual(['solid', 'wave', 'wave', 'glow', 'blink'])
    expect(kinds(removeEffect(profile, 2))).toEqual(['solid', 'wave', 'blink'])
    // The profile that was is as it was.
    expect(kinds(profile)).toEqual(['solid', 'wave', 'glow', 'blink'])
  })

  it('move one and keep the order of the others, there and back', () => {
    expect(kinds(moveEffect(profile, 0, 2))).toEqual(['wave', 'glow', 'solid', 'blink'])
    const place = fc.nat(profile.light.length - 1)
    fc.assert(
      fc.property(place, place, (from, to) => {
        const moved = moveEffect(profile, from, to)
        expect(moved.light[to]).toBe(profile.light[from])
        expect(moveEffect(moved, to, from).light).toEqual(profile.light)
        const rest = (of: Profile, without: number) => of.light.filter((_, at) => at !== without)
        expect(rest(moved, to)).toEqual(rest(profile, from))
      }),
      runs(40),
    )
  })

  it('refuse what there is no room for', () => {
    const full = setStack(
      profile,
      Array.from({ length: MOST_ENTRIES }, () => itemAt(profile.light, 0)),
    )
    expect(full.light).toHaveLength(MOST_ENTRIES)
    for (const edit of [
      () => addEffect(full, tern7, 'wave', ALL),
      () => duplicateEffect(full, 0),
      () => setStack(profile, [...full.light, later]),
    ])
      expect(edit).toThrow(`there can be ${MOST_ENTRIES} effects over each other`)
  })

  it('change one where it is, and take away its name with nothing in it', () => {
    const named = changeEffect(profile, tern7, 1, { name: 'Tide', opacity: 40 })
    expect(named.light[1]).toMatchObject({ name: 'Tide', opacity: 40 })
    expect(named.light[0]).toBe(profile.light[0])
    const unnamed = changeEffect(named, tern7, 1, { name: '' })
    expect(unnamed.light[1]).not.toHaveProperty('name')
    expect(unnamed.light[1]).toMatchObject({ opacity: 40 })
    expect(() => changeEffect({ ...profile, light: [later] }, tern7, 0, { opacity: 3 })).toThrow(EditRefused)
    expect(() => changeEffect(profile, tern7, 1, { where: { kind: 'lights', lights: [] } })).toThrow(
      'choose at least one light',
    )
    const long = 'Bow wave '.repeat(20)
    expect(() => changeEffect(profile, tern7, 1, { name: long })).toThrow(/bytes at most/)
  })

  it('refuse what none of the lights can show, and say what they can', () => {
    const small = factoryProfile(knot5, 'P')
    expect(() => addEffect(small, knot5, 'wave', ALL)).toThrow(
      'Step light cannot show wave; it can show step, off',
    )
    expect(kinds(addEffect(small, knot5, 'off', ALL))[0]).toBe('off')
    expect(whyNotShown(tern7, 'wave', ALL)).toBeUndefined()
    expect(whyNotShown(knot5, 'wave', { kind: 'lights', lights: [] })).toBeUndefined()
    expect(kindsOf(knot5).sort()).toEqual(['off', 'step'])
    expect(kindsOf(tern7)).toEqual(EFFECT_NAMES)
    // Without a sensor there is no step.
    expect(kindsOf(dunlin84)).toEqual(EFFECT_NAMES.filter((kind) => kind !== 'step'))
  })

  it('another kind keeps what both have, as it is set', () => {
    const blink = { ...newEffect('blink'), colour: '#123456', brightness: 30, periodMs: 700, shift: 25 }
    expect(withKind(blink, 'breathing')).toEqual({
      ...newEffect('breathing'),
      colour: '#123456',
      brightness: 30,
      periodMs: 700,
      shift: 25,
    })
    expect(withKind(blink, 'off')).toEqual(newEffect('off'))
    const { colours } = newEffect('wave') as { colours?: string[] }
    expect(withKind(blink, 'wave')).toMatchObject({
      kind: 'wave',
      periodMs: 700,
      colours,
    })
  })
})

describe('places of light', () => {
  it('are said as shortly as they can be, and mean the same lights', () => {
    for (const model of DEVICE_MODELS) {
      const all = lightIds(model)
      fc.assert(
        fc.property(fc.subarray(all), (lights) => {
          const where = placeOf(model, [...lights].reverse())
          expect(lightsIn(model, where)).toEqual(lights)
          const zones = zonesIn(model, where)
          expect(zones).toEqual(model.zones.map(({ id }) => id).filter((id) => zones.includes(id)))
          for (const id of lights) expect(zones).toContain(id.split(':')[0])
        }),
        runs(30),
      )
      expect(placeOf(model, all)).toEqual(ALL)
    }
    expect(placeOf(tern7, ['crest:2', 'crest:1'])).toEqual({ kind: 'zones', zones: ['crest'] })
    expect(placeOf(tern7, ['crest:1', 'spine:3'])).toEqual({ kind: 'lights', lights: ['spine:3', 'crest:1'] })
    expect(zonesIn(tern7, { kind: 'lights', lights: ['crest:1', 'gone:1'] })).toEqual(['crest'])
    expect(zonesIn(tern7, ALL)).toEqual(['spine', 'crest'])
  })
})
