import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { type StackItem, type EffectCondition } from '../document/light'
import { newStackItem } from '../terms/light'
import { lightsIn } from '../edits/light-edits'
import { factoryProfile } from '../terms/profile'
import { lightPlan, lightsOfModel } from '../light/plan'
import { moveStack } from './move-light'
import { moveProfile } from './move'
import { englishText } from '../../messages/plain'

const LIKE = new Map([
  ['side-front', 'thumb-1'],
  ['left', 'left'],
])
const moved = (item: StackItem, to: DeviceModel, { from = tern7, layers = 2 } = {}) =>
  moveStack([item], from, to, { like: (id) => LIKE.get(id), layers })
/** The effect that was moved, or why it was left out. */
function one(item: StackItem, to: DeviceModel, by = {}) {
  const { stack, report } = moved(item, to, by)
  expect(report).toHaveLength(1)
  expect(stack.length).toBe(itemAt(report, 0).fate === 'left out' ? 0 : 1)
  return stack[0]?.kind === 'effect'
    ? { ...stack[0], fate: itemAt(report, 0).fate, how: englishText(itemAt(report, 0).how) }
    : englishText(itemAt(report, 0).how)
}

describe('light that goes to another model', () => {
  const zones = (...ids: string[]) => newStackItem('wave', {}, { where: { kind: 'zones', zones: ids } })

  it('goes to the zone of its name, else to the one in its place, each once', () => {
    expect(one(zones('crest'), tern7)).toMatchObject({
      where: { zones: ['crest'] },
      fate: 'fits',
      how: 'Crest',
    })
    expect(one(zones('crest'), godwit19)).toMatchObject({ where: { zones: ['wheel'] }, how: 'Wheel' })
    expect(one(zones('crest', 'spine'), godwit19)).toMatchObject({
      where: { zones: ['wheel', 'logo'] },
      fate: 'changed',
      how: 'Logo and Wheel',
    })
    expect(one(zones('grid'), tern7, { from: godwit19 })).toBe('Tern 7 has no lights there')
    expect(one(newStackItem('wave'), dunlin84)).toMatchObject({
      where: { kind: 'all' },
      how: 'Keys and Status',
    })
  })

  it('single lights go to those nearest in what the lights lie in, and stay where they are known', () => {
    const lights = (model: DeviceModel, ids: string[], to: DeviceModel) => {
      const { stack } = moved(newStackItem('wave', {}, { where: { kind: 'lights', lights: ids } }), to, {
        from: model,
      })
      return stack.flatMap((item) => (item.kind === 'effect' ? lightsIn(to, item.where) : []))
    }
    expect(lights(tern7, ['spine:1', 'crest:2'], tern7)).toEqual(['spine:1', 'crest:2'])
    const place = (model: DeviceModel, id: string) => {
      const { box, x, y } = lightPlan(model)
      const at = lightsOfModel(model).findIndex((light) => light.id === id)
      return [(itemAt(x, at) - box.left) / box.width, (itemAt(y, at) - box.top) / box.height] as const
    }
    const near = (id: string) => {
      const [x, y] = place(godwit19, id)
      const away = (key: string) => {
        const [across, down] = place(dunlin84, key)
        return Math.hypot(across - x, down - y)
      }
      const all = lights(godwit19, [id], dunlin84)
      expect(all).toHaveLength(1)
      const found = itemAt(all, 0)
      for (const other of lightsOfModel(dunlin84))
        expect(away(found)).toBeLessThanOrEqual(away(other.id) + 1e-9)
      return found
    }
    const found = lightsOfModel(godwit19).map(({ id }) => near(id))
    expect(new Set(found).size).toBeGreaterThan(5)
    expect(lights(tern7, ['spine:9'], godwit19)).toEqual([])
  })

  it.each<[EffectCondition, DeviceModel, EffectCondition | undefined]>([
    [{ kind: 'layer', layer: 1 }, godwit19, { kind: 'layer', layer: 1 }],
    [{ kind: 'layer', layer: 2 }, godwit19, undefined],
    [{ kind: 'battery', underPercent: 20 }, dunlin84, { kind: 'battery', underPercent: 20 }],
    [{ kind: 'battery', underPercent: 20 }, godwit19, undefined],
    [{ kind: 'charging' }, godwit19, undefined],
    [{ kind: 'charging' }, dunlin84, { kind: 'charging' }],
    [{ kind: 'connection', connection: 'cable' }, godwit19, { kind: 'connection', connection: 'cable' }],
    [{ kind: 'connection', connection: 'receiver' }, godwit19, undefined],
    [{ kind: 'press', forMs: 500, inputs: [] }, godwit19, { kind: 'press', forMs: 500, inputs: [] }],
    [
      { kind: 'press', forMs: 500, inputs: ['wheel-up', 'side-front', 'left'] },
      godwit19,
      { kind: 'press', forMs: 500, inputs: ['thumb-1', 'left'] },
    ],
    [{ kind: 'press', forMs: 500, inputs: ['wheel-up'] }, godwit19, undefined],
  ])('that waits for %j comes to %s as %j', (when, to, then) => {
    const there = one(newStackItem('wave', {}, { when }), to)
    if (then) expect(there).toMatchObject({ when: then })
    else expect(there).toBe(`${to.name} does not have its trigger`)
  })

  it('what is of a later version stays, and what no light can show; lengths go with how far the lights reach', () => {
    expect(one({ kind: 'later', code: 30, bytes: '0a' }, godwit19)).toBe('It comes from a later version')
    expect(one(newStackItem('wave'), knot5)).toBe('Step light can only show Step colour and Dark')
    const reach = (model: DeviceModel) => Math.hypot(lightPlan(model).box.width, lightPlan(model).box.height)
    const due = Math.round((25 * reach(dunlin84)) / reach(tern7))
    expect(one(newStackItem('glow', { reachMm: 25 }), dunlin84)).toMatchObject({ effect: { reachMm: due } })
    expect(due).toBeGreaterThan(30)
    expect(one(newStackItem('glow', { reachMm: 0 }), dunlin84)).toMatchObject({ effect: { reachMm: 0 } })
  })

  it('with nothing that can come along the lights are the factory’s; a dark profile stays dark', () => {
    const tern = factoryProfile(tern7, 'Brinewatch')
    const light = (profile: typeof tern, to: DeviceModel) => moveProfile(profile, tern7, to).profile.light
    expect(light({ ...tern, light: [newStackItem('wave')] }, knot5)).toEqual(
      factoryProfile(knot5, 'Knot').light,
    )
    expect(light({ ...tern, light: [] }, knot5)).toEqual([])
    expect(light({ ...tern, light: [newStackItem('step')] }, knot5)).toEqual([newStackItem('step')])
  })
})
