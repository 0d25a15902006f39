import { baseLayer } from '../document/base-layer'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { anyProfile } from '../document/any-profile.test-support'
import { DEVICE_MODELS } from '../device/models'
import { tern7 } from '../device/models/tern-7'
import { bind } from '../edits/edits'
import { addLayer } from '../edits/layer-edits'
import { factoryProfile, leftClicks } from '../terms/profile'
import type { Profile } from '../document/schema'
import { differencesBetween, partOf, applyDifferences } from './apply-differences'
import { runs } from '../base/runs.test-support'
import { refusalOf } from '../../messages/english.test-support'

const anyTwo = fc
  .constantFrom(...DEVICE_MODELS)
  .chain((model) => fc.record({ model: fc.constant(model), a: anyProfile(model), b: anyProfile(model) }))

describe('places of one profile taken into another', () => {
  const counted = runs(15)

  it('are all what they were there', () => {
    const property = fc.property(anyTwo, ({ model, a, b }) => {
      // Replacing the last left click is refused.
      fc.pre(leftClicks(model, baseLayer(b)).length > 0)
      const all = differencesBetween(a, b, model).map(({ key }) => key)
      expect(applyDifferences(a, b, model, new Set())).toEqual(a)
      expect(differencesBetween(applyDifferences(a, b, model, new Set(all)), b, model)).toEqual([])
    })
    fc.assert(property, counted)
  })

  it('leave all others as they were here', () => {
    // Added or removed rows move the rows after them: here both have the same number.
    const asMany = <T>(rows: readonly T[], others: readonly T[]) => rows.map((row, at) => others[at] ?? row)
    const property = fc.property(
      anyTwo,
      fc.array(fc.boolean(), { minLength: 50, maxLength: 50 }),
      ({ model, a, b: other }, coins) => {
        const b = {
          ...other,
          layers: asMany(a.layers, other.layers),
          steps: asMany(a.steps, other.steps),
          defaultStep: a.defaultStep,
          light: asMany(a.light, other.light),
        }
        const all = differencesBetween(a, b, model).map(({ key }) => key)
        const taken = all.filter((key, at) => !key.startsWith('binding:0') && coins[at % coins.length])
        const left = differencesBetween(applyDifferences(a, b, model, new Set(taken)), b, model)
        expect(left.map(({ key }) => key)).toEqual(all.filter((key) => !taken.includes(key)))
      },
    )
    fc.assert(property, counted)
  })

  const here = factoryProfile(tern7, 'Here')
  const key = (code: string) => ({ kind: 'key' as const, code, modifiers: [] })
  const dive = addLayer(factoryProfile(tern7, 'There'), 'Dive')
  const there = bind(bind(dive, tern7, 1, 'side-rear', key('KeyV')), tern7, 0, 'wheel-press', key('KeyL'))

  it('bring their layer along', () => {
    const taken = applyDifferences(here, there, tern7, new Set(['binding:1:side-rear']))
    expect(taken.layers.map(({ name }) => name)).toEqual(['Base', 'Dive'])
    expect(itemAt(taken.layers, 1).bindings).toEqual({ 'side-rear': { action: key('KeyV') } })
    expect(taken.name).toBe('Here')
  })

  it('are refused where they would take the last left click', () => {
    const bad: Profile = {
      ...there,
      layers: [{ ...baseLayer(there), bindings: { left: { action: key('KeyL') } } }],
    }
    expect(refusalOf(() => applyDifferences(here, bad, tern7, new Set(['binding:0:left'])))).toMatch(
      /left click/,
    )
  })

  it('stand in parts: each layer, motion, light, the profile itself', () => {
    const changed: Profile = { ...there, rules: ['no-repeats'], defaultStep: 0, light: [] }
    const parts = new Set(differencesBetween(here, changed, tern7).map(partOf))
    expect(parts).toEqual(new Set(['profile', 'layer:0', 'layer:1', 'motion', 'light']))
  })
})
