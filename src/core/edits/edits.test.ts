import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { keyAction } from '../text/context'
import { bind, bindAll, setWords } from './edits'
import { stacked } from '../terms/light'
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
import { factoryAction, factoryProfile } from '../terms/profile'

const profile = factoryProfile(tern7, 'Edits')
const front = tern7.inputs.find(({ id }) => id === 'side-front')
if (!front) throw new Error('Tern 7 has a side button')

describe('words of a binding', () => {
  it('keep a row that does what the factory set, and an input without words takes none', () => {
    const noted = setWords(profile, tern7, 0, 'side-front', { note: ' only below 40 m ' })
    expect(baseLayer(noted).bindings).toEqual({
      'side-front': { action: factoryAction(front), note: 'only below 40 m' },
    })
    const named = setWords(noted, tern7, 0, 'side-front', { name: 'Ballast' })
    expect(baseLayer(named).bindings['side-front']).toMatchObject({
      name: 'Ballast',
      note: 'only below 40 m',
    })
    const bare = ['name', 'note'].reduce(
      (now, word) => setWords(now, tern7, 0, 'side-front', { [word]: '' }),
      named,
    )
    expect(bare).toEqual(profile)
  })

  it('stay when another action is put there, and go with the whole', () => {
    const noted = setWords(profile, tern7, 0, 'side-front', { name: 'Ballast', note: 'below' })
    const y = keyAction('KeyY', [])
    expect(itemAt(bind(noted, tern7, 0, 'side-front', y).layers, 0).bindings['side-front']).toEqual({
      action: y,
      name: 'Ballast',
      note: 'below',
    })
    const whole = bindAll(noted, tern7, [{ layer: 0, input: 'side-front', put: { action: y } }])
    expect(baseLayer(whole).bindings['side-front']).toEqual({ action: y })
    expect(() => bindAll(profile, tern7, [{ layer: 3, input: 'left', put: y }])).toThrow(/no layer 4/)
    expect(() => bindAll(profile, tern7, [{ layer: 0, input: 'pedal', put: y }])).toThrow(/no input “pedal”/)
  })
})

describe('edits of a stack of light', () => {
  const all = { kind: 'all' } as const
  const colours = ['#ff0000', '#00ff00', '#0000ff']
  const three = setStack(
    profile,
    colours.map((colour) => stacked('solid', { colour })),
  )
  const seen = ({ light }: typeof profile) =>
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
    const bare = factoryProfile(knot5, 'Bare')
    expect(() => addEffect(bare, knot5, 'wave', all)).toThrow(/cannot show wave; it can show step, off/)
    expect(() => addEffect(profile, tern7, 'solid', { kind: 'lights', lights: [] })).toThrow(
      /at least one light/,
    )
    expect(whyNotShown(knot5, 'step', { kind: 'zones', zones: [stepZone] })).toBeUndefined()
    expect(whyNotShown(tern7, 'wave', all)).toBeUndefined()
    const lit = setStack(bare, [stacked('step', {})])
    expect(() => changeEffect(lit, knot5, 0, { effect: withKind(stackEffect(lit), 'wave') })).toThrow(/wave/)
    const full = Array.from({ length: 16 }, () => stacked('off', {}))
    expect(setStack(profile, full).light.length).toBe(16)
    expect(() => addEffect(setStack(profile, full), tern7, 'off', all)).toThrow(/16 effects/)
    const later = setStack(profile, [{ kind: 'later', code: 60, bytes: '00' }])
    expect(() => changeEffect(later, tern7, 0, { opacity: 5 })).toThrow(/later version/)
  })

  it('keep what two kinds of effect have in common', () => {
    const wave = withKind({ ...stackEffect(three) }, 'blink')
    expect(wave).toMatchObject({ kind: 'blink', colour: '#ff0000' })
    expect(withKind(wave, 'off')).toEqual({ kind: 'off' })
  })

  it('say a place the shortest way, and the lights of every way', () => {
    const spine = itemAt(tern7.zones, 0).id
    const lights = lightsIn(tern7, { kind: 'zones', zones: [spine] })
    expect(lights.length).toBe(6)
    expect(placeOf(tern7, lights)).toEqual({ kind: 'zones', zones: [spine] })
    expect(placeOf(tern7, lightsIn(tern7, all))).toEqual(all)
    expect(placeOf(tern7, lights.slice(1))).toEqual({ kind: 'lights', lights: lights.slice(1) })
    expect(zonesIn(tern7, { kind: 'lights', lights: lights.slice(0, 2) })).toEqual([spine])
    expect(kindsOf(knot5)).toEqual(['off', 'step'])
    expect(kindsOf(tern7)).toContain('wave')
  })
})

function stackEffect({ light: [item] }: typeof profile) {
  if (item?.kind !== 'effect') throw new Error('an effect is due')
  return item.effect
}
