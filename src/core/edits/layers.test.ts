import { baseLayer } from '../document/base-layer'
import fc from 'fast-check'
import { itemAt, valueOf } from '../base/items'
import { MAX_UPPER_LAYERS } from '../onboard/image'
import { describe, expect, it } from 'vitest'
import type { DeviceModel } from '../device/model'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { keyAction } from '../text/context'
import { anyProfile } from '../document/any-profile.test-support'
import { bind, bindAll, isAmbidextrous, mirrorBindings, setBindingText, swapBindings, unbind } from './edits'
import { EditRefused } from '../wording/edit-refused'
import { addLayer, keysOfLayer, moveLayer, removeLayer, renameLayer, setLayerSignal } from './layer-edits'
import { effectiveBinding, factoryProfile, singleActions } from '../terms/profile'
import { parseProfile, type Profile } from '../document/schema'
import { runs } from '../base/runs.test-support'
import { refusalOf } from '../../messages/english.test-support'

const base = factoryProfile(tern7, 'Brinewatch')
const dive = addLayer(base, 'Dive')
const holdDive = { kind: 'layer', layer: 1, how: 'hold' } as const
const y = keyAction('KeyY', [])
const inputOf = ({ inputs }: DeviceModel, id: string) =>
  inputs.find((input) => input.id === id) ?? itemAt(inputs, 0)
const anyModel = fc.constantFrom(...DEVICE_MODELS)

/** Targets of the layer keys, by name, which edits of layers must not change. */
const routes = (profile: Profile) =>
  profile.layers.flatMap(({ name, bindings }) =>
    Object.entries(bindings).flatMap(([input, { action }]) =>
      singleActions(action).flatMap((part) =>
        part.kind === 'layer' ? [`${input} on ${name}: ${part.how} ${profile.layers[part.layer]?.name}`] : [],
      ),
    ),
  )

describe('layers', () => {
  it('fall through to the base layer, and to the factory below it', () => {
    const bound = bind(bind(dive, tern7, 0, 'side-rear', holdDive), tern7, 1, 'side-front', y)
    expect(effectiveBinding(bound, 1, inputOf(tern7, 'side-front'))).toEqual({ action: y, from: 1 })
    expect(effectiveBinding(bound, 1, inputOf(tern7, 'side-rear'))).toEqual({ action: holdDive, from: 0 })
    expect(effectiveBinding(bound, 1, inputOf(tern7, 'left')).action).toMatchObject({
      kind: 'button',
      button: 1,
    })
    expect(keysOfLayer(bound, tern7, 1)).toMatchObject([{ inputId: 'side-rear', how: 'hold' }])
  })

  it('keep every key leading to the layer of the same name, however they are moved', () => {
    const anyMoves = fc.array(fc.tuple(fc.nat(5), fc.nat(5)), { maxLength: 6 })
    fc.assert(
      fc.property(
        anyModel.chain((model) => fc.tuple(fc.constant(model), anyProfile(model))),
        anyMoves,
        ([model, profile], moves) => {
          const grown = profile.layers.length > MAX_UPPER_LAYERS ? profile : addLayer(profile, 'Last')
          const last = grown.layers.length - 1
          const written = moveLayer(grown, model, last, last)
          let current = written
          for (const [from, to] of moves) {
            const count = current.layers.length - 1
            current = moveLayer(current, model, 1 + (from % count), 1 + (to % count))
          }
          expect(routes(current).sort()).toEqual(routes(written).sort())
          expect(parseProfile(JSON.parse(JSON.stringify(current)))).toEqual(current)
        },
      ),
      runs(60),
    )
  })

  it('take what led to them along when they are removed, and leave the other keys alone', () => {
    const two = addLayer(dive, 'Winch')
    const tapHold = { kind: 'tap-hold', tap: y, hold: holdDive, thresholdMs: 200, decide: 'time' } as const
    const bound = bindAll(two, tern7, [
      { layer: 0, input: 'side-rear', put: tapHold },
      { layer: 0, input: 'side-front', put: { kind: 'layer', layer: 2, how: 'switch' } },
      { layer: 2, input: 'wheel-press', put: holdDive },
    ])
    const left = removeLayer(bound, tern7, 1)
    expect(left.layers.map(({ name }) => name)).toEqual(['Base', 'Winch'])
    expect(valueOf(baseLayer(left).bindings, 'side-rear').action).toEqual(y)
    expect(valueOf(baseLayer(left).bindings, 'side-front').action).toEqual({
      kind: 'layer',
      layer: 1,
      how: 'switch',
    })
    expect(itemAt(left.layers, 1).bindings).toEqual({})
  })

  it('of the factory can be removed as well: the key that led there then does nothing', () => {
    const without = removeLayer(factoryProfile(dunlin84, 'Bare'), dunlin84, 1)
    expect(without.layers.length).toBe(1)
    expect(baseLayer(without).bindings.fn).toEqual({ action: { kind: 'off' } })
  })

  it('are refused what they cannot be, with a reason', () => {
    expect(refusalOf(() => addLayer(dive, ' dive '))).toMatch(/There is already a layer “dive”/)
    expect(() => renameLayer(dive, 1, '')).toThrow(EditRefused)
    expect(refusalOf(() => renameLayer(dive, 0, 'Ground'))).toMatch(/base layer always applies/)
    const shared = setLayerSignal(dive, 1, 3)
    expect(refusalOf(() => setLayerSignal(addLayer(shared, 'Winch'), 2, 3))).toMatch(
      /Dive already uses signal 3/,
    )
    const many = Array.from({ length: 7 }, (_, index) => `L${index}`).reduce(addLayer, base)
    expect(refusalOf(() => addLayer(many, 'One more'))).toMatch(/7 layers/)
  })
})

describe('cells', () => {
  it('keep name and note when the action changes, swap whole, and go when they are cleared', () => {
    const named = setBindingText(bind(base, tern7, 0, 'side-front', y), tern7, 0, 'side-front', {
      name: ' Ballast ',
      note: 'n',
    })
    expect(baseLayer(named).bindings['side-front']).toEqual({ action: y, name: 'Ballast', note: 'n' })
    const other = bind(named, tern7, 0, 'side-front', keyAction('KeyB', []))
    expect(baseLayer(other).bindings['side-front']).toMatchObject({ name: 'Ballast', note: 'n' })
    const swapped = swapBindings(
      named,
      tern7,
      { layer: 0, input: 'side-front' },
      { layer: 0, input: 'wheel-press' },
    )
    expect(baseLayer(swapped).bindings['wheel-press']).toEqual(baseLayer(named).bindings['side-front'])
    expect(valueOf(baseLayer(swapped).bindings, 'side-front').action).toMatchObject({
      kind: 'button',
      button: 3,
    })
    expect(unbind(unbind(swapped, tern7, 0, 'wheel-press'), tern7, 0, 'side-front')).toEqual(base)
    expect(refusalOf(() => setBindingText(dive, tern7, 1, 'left', { name: 'x' }))).toMatch(
      /inherits its action/,
    )
    expect(refusalOf(() => setBindingText(base, tern7, 0, 'left', { name: 'x'.repeat(33) }))).toMatch(
      /32 bytes/,
    )
  })

  it('mirrored, go to the other flank of a mouse for either hand', () => {
    const knot = factoryProfile(knot5, 'Proofs')
    expect(isAmbidextrous(knot5) && !isAmbidextrous(tern7)).toBe(true)
    const left = mirrorBindings(knot, knot5)
    expect(left).toMatchObject({ hand: 'left', layers: [{ bindings: { right: { action: { button: 1 } } } }] })
    expect(mirrorBindings(left, knot5)).toEqual(knot)
  })
})
