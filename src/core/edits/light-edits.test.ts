import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { runs } from '../base/runs.test-support'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { EFFECT_NAMES } from '../effects/registry'
import { MAX_ENTRIES } from '../onboard/light-stack'
import { EditRefused } from '../wording/edit-refused'
import { type StackItem } from '../document/light'
import { lightIds, newEffect, newStackItem } from '../terms/light'
import {
  addEffect,
  changeEffect,
  duplicateEffect,
  supportedEffects,
  lightsIn,
  moveEffect,
  lightTargetOf,
  removeEffect,
  setStack,
  unsupportedReason,
  changeKind,
  zonesIn,
} from './light-edits'
import { factoryProfile } from '../terms/profile'
import type { Profile } from '../document/schema'
import { refusalOf } from '../../messages/english.test-support'

const ALL = { kind: 'all' } as const
const profile: Profile = {
  ...factoryProfile(tern7, 'P'),
  light: (['solid', 'wave', 'glow', 'blink'] as const).map((kind) => newStackItem(kind, {})),
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
    // The original profile is unchanged.
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
      Array.from({ length: MAX_ENTRIES }, () => itemAt(profile.light, 0)),
    )
    expect(full.light).toHaveLength(MAX_ENTRIES)
    for (const edit of [
      () => addEffect(full, tern7, 'wave', ALL),
      () => duplicateEffect(full, 0),
      () => setStack(profile, [...full.light, later]),
    ])
      expect(refusalOf(edit)).toContain(`A stack can have up to ${MAX_ENTRIES} effects`)
  })

  it('change one where it is, and take away its name with nothing in it', () => {
    const named = changeEffect(profile, tern7, 1, { name: 'Tide', opacity: 40 })
    expect(named.light[1]).toMatchObject({ name: 'Tide', opacity: 40 })
    expect(named.light[0]).toBe(profile.light[0])
    const unnamed = changeEffect(named, tern7, 1, { name: '' })
    expect(unnamed.light[1]).not.toHaveProperty('name')
    expect(unnamed.light[1]).toMatchObject({ opacity: 40 })
    expect(() => changeEffect({ ...profile, light: [later] }, tern7, 0, { opacity: 3 })).toThrow(EditRefused)
    expect(
      refusalOf(() => changeEffect(profile, tern7, 1, { where: { kind: 'lights', lights: [] } })),
    ).toContain('Select at least one light')
    const long = 'Bow wave '.repeat(20)
    expect(refusalOf(() => changeEffect(profile, tern7, 1, { name: long }))).toMatch(
      /the maximum is 24 bytes/,
    )
  })

  it('refuse what none of the lights can show, and say what they can', () => {
    const small = factoryProfile(knot5, 'P')
    expect(refusalOf(() => addEffect(small, knot5, 'wave', ALL))).toContain(
      'Step light cannot show Wave, only Step colour and Dark',
    )
    expect(kinds(addEffect(small, knot5, 'off', ALL))[0]).toBe('off')
    expect(unsupportedReason(tern7, 'wave', ALL)).toBeUndefined()
    expect(unsupportedReason(knot5, 'wave', { kind: 'lights', lights: [] })).toBeUndefined()
    expect(supportedEffects(knot5).sort()).toEqual(['off', 'step'])
    expect(supportedEffects(tern7)).toEqual(EFFECT_NAMES)
    // Without a sensor there are no steps.
    expect(supportedEffects(dunlin84)).toEqual(EFFECT_NAMES.filter((kind) => kind !== 'step'))
  })

  it('another kind keeps what both have, as it is set', () => {
    const blink = { ...newEffect('blink'), colour: '#123456', brightness: 30, periodMs: 700, shift: 25 }
    expect(changeKind(blink, 'breathing')).toEqual({
      ...newEffect('breathing'),
      colour: '#123456',
      brightness: 30,
      periodMs: 700,
      shift: 25,
    })
    expect(changeKind(blink, 'off')).toEqual(newEffect('off'))
    const { colours } = newEffect('wave') as { colours?: string[] }
    expect(changeKind(blink, 'wave')).toMatchObject({
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
          const where = lightTargetOf(model, [...lights].reverse())
          expect(lightsIn(model, where)).toEqual(lights)
          const zones = zonesIn(model, where)
          expect(zones).toEqual(model.zones.map(({ id }) => id).filter((id) => zones.includes(id)))
          for (const id of lights) expect(zones).toContain(id.split(':')[0])
        }),
        runs(30),
      )
      expect(lightTargetOf(model, all)).toEqual(ALL)
    }
    expect(lightTargetOf(tern7, ['crest:2', 'crest:1'])).toEqual({ kind: 'zones', zones: ['crest'] })
    expect(lightTargetOf(tern7, ['crest:1', 'spine:3'])).toEqual({
      kind: 'lights',
      lights: ['spine:3', 'crest:1'],
    })
    expect(zonesIn(tern7, { kind: 'lights', lights: ['crest:1', 'gone:1'] })).toEqual(['crest'])
    expect(zonesIn(tern7, ALL)).toEqual(['spine', 'crest'])
  })
})

describe('edits of a stack of light', () => {
  const bare = factoryProfile(tern7, 'Edits')
  const all = { kind: 'all' } as const
  const colours = ['#ff0000', '#00ff00', '#0000ff']
  const three = setStack(
    bare,
    colours.map((colour) => newStackItem('solid', { colour })),
  )
  const seen = ({ light }: Profile) =>
    light.map((item) => (item.kind === 'effect' && 'colour' in item.effect ? item.effect.colour : '?'))

  it('put in, copy, move and take out one, and leave the others', () => {
    expect(seen(removeEffect(three, 1))).toEqual(['#ff0000', '#0000ff'])
    expect(seen(moveEffect(three, 0, 2))).toEqual(['#00ff00', '#0000ff', '#ff0000'])
    expect(seen(moveEffect(three, 2, 0))).toEqual(['#0000ff', '#ff0000', '#00ff00'])
    expect(seen(duplicateEffect(three, 1))).toEqual(['#ff0000', '#00ff00', '#00ff00', '#0000ff'])
    const added = addEffect(three, tern7, 'wave', all)
    expect(added.light[0]).toMatchObject({ effect: { kind: 'wave' }, where: all })
    expect(added.light.slice(1)).toEqual(three.light)
    const changed = changeEffect(three, tern7, 1, { opacity: 40 })
    expect(changed.light.map((item) => item.kind === 'effect' && item.opacity)).toEqual([100, 40, 100])
    expect(three.light.length).toBe(3)
  })

  it('refuse what no light can show, no light at all, too many, and what a later version put there', () => {
    const stepZone = itemAt(knot5.zones, 0).id
    const unlit = factoryProfile(knot5, 'Bare')
    expect(refusalOf(() => addEffect(unlit, knot5, 'wave', all))).toMatch(
      /cannot show Wave, only Step colour and Dark/,
    )
    expect(refusalOf(() => addEffect(bare, tern7, 'solid', { kind: 'lights', lights: [] }))).toMatch(
      /at least one light/,
    )
    expect(unsupportedReason(knot5, 'step', { kind: 'zones', zones: [stepZone] })).toBeUndefined()
    expect(unsupportedReason(tern7, 'wave', all)).toBeUndefined()
    const lit = setStack(unlit, [newStackItem('step', {})])
    expect(
      refusalOf(() => changeEffect(lit, knot5, 0, { effect: changeKind(stackEffect(lit), 'wave') })),
    ).toMatch(/Wave/)
    const full = Array.from({ length: 16 }, () => newStackItem('off', {}))
    expect(setStack(bare, full).light.length).toBe(16)
    expect(refusalOf(() => addEffect(setStack(bare, full), tern7, 'off', all))).toMatch(/16 effects/)
    const later = setStack(bare, [{ kind: 'later', code: 60, bytes: '00' }])
    expect(refusalOf(() => changeEffect(later, tern7, 0, { opacity: 5 }))).toMatch(/later version/)
  })

  it('keep what two kinds of effect have in common', () => {
    const wave = changeKind({ ...stackEffect(three) }, 'blink')
    expect(wave).toMatchObject({ kind: 'blink', colour: '#ff0000' })
    expect(changeKind(wave, 'off')).toEqual({ kind: 'off' })
  })

  it('say a place the shortest way, and the lights of every way', () => {
    const spine = itemAt(tern7.zones, 0).id
    const lights = lightsIn(tern7, { kind: 'zones', zones: [spine] })
    expect(lights.length).toBe(6)
    expect(lightTargetOf(tern7, lights)).toEqual({ kind: 'zones', zones: [spine] })
    expect(lightTargetOf(tern7, lightsIn(tern7, all))).toEqual(all)
    expect(lightTargetOf(tern7, lights.slice(1))).toEqual({ kind: 'lights', lights: lights.slice(1) })
    expect(zonesIn(tern7, { kind: 'lights', lights: lights.slice(0, 2) })).toEqual([spine])
    expect(supportedEffects(knot5)).toEqual(['off', 'step'])
    expect(supportedEffects(tern7)).toContain('wave')
  })
})

function stackEffect({ light: [item] }: Profile) {
  if (item?.kind !== 'effect') throw new Error('an effect is due')
  return item.effect
}
