import { baseLayer } from '../document/base-layer'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt, valueOf } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { keyAction } from '../text/context'
import { anyProfile } from '../document/any-profile.test-support'
import { checkProfile } from '../checks/checks'
import { bindAll } from '../edits/edits'
import { setStep } from '../edits/motion-edits'
import { addLayer } from '../edits/layer-edits'
import { moveProfile } from './move'
import { factoryProfile } from '../terms/profile'
import { parseProfile } from '../document/schema'
import { runs } from '../base/runs.test-support'
import { englishText } from '../../messages/plain'

const y = keyAction('KeyY', [])
const brinewatch = bindAll(addLayer(factoryProfile(tern7, 'Brinewatch'), 'Dive'), tern7, [
  { layer: 0, input: 'side-front', put: { action: y, name: 'Release ballast' } },
  { layer: 0, input: 'side-rear', put: { kind: 'layer', layer: 1, how: 'hold' } },
  { layer: 1, input: 'wheel-up', put: { kind: 'control', control: 'volumeUp' } },
  { layer: 1, input: 'slot-button', put: { kind: 'slot', to: 4 } },
])
const fates = (report: ReturnType<typeof moveProfile>['report']) =>
  Object.fromEntries(report.map(({ what, fate, how }) => [englishText(what), `${fate}: ${englishText(how)}`]))

describe('moving a profile to another model', () => {
  it('goes by what inputs are for, and says what became of each thing', () => {
    const fast = setStep(brinewatch, tern7, 0, { dpi: 450 })
    const { profile, report } = moveProfile(fast, tern7, godwit19)
    expect(baseLayer(profile).bindings['thumb-1']).toEqual({ action: y, name: 'Release ballast' })
    expect(valueOf(baseLayer(profile).bindings, 'thumb-2').action).toMatchObject({
      kind: 'layer',
      layer: 1,
    })
    expect(valueOf(itemAt(profile.layers, 1).bindings, 'wheel-up').action).toMatchObject({
      control: 'volumeUp',
    })
    expect(fates(report)).toMatchObject({
      'Side, front: Y': 'changed: on Thumb 1',
      'Wheel up in Dive: Volume up': 'fits: on Wheel up',
      'Underside in Dive: Slot 4': 'changed: on Under the wheel, rear',
      'Step 1, 450 DPI': 'changed: 500 DPI',
      'Step 2, 800 DPI': 'fits: 800 DPI',
      'Polling over Cable, 1000 Hz': 'fits: 1000 Hz',
      'Polling over 2.4 GHz, 1000 Hz': 'left out: Godwit 19 has no such connection',
    })
  })

  it('does not call a layer fitting whose key was left out, nor what is in it', () => {
    const byUnderside = bindAll(addLayer(factoryProfile(tern7, 'Below'), 'Dive'), tern7, [
      { layer: 0, input: 'slot-button', put: { kind: 'layer', layer: 1, how: 'switch' } },
      { layer: 1, input: 'wheel-up', put: { kind: 'control', control: 'volumeUp' } },
    ])
    expect(fates(moveProfile(byUnderside, tern7, knot5).report)).toMatchObject({
      'Underside: Switch layer Dive': 'left out: Knot 5 has no similar input',
      'Wheel up in Dive: Volume up': 'changed: on Wheel up, once an input activates Dive',
      'Layer Dive':
        'changed: On Knot 5 nothing activates it, because Underside was not copied. Bind an input to it.',
    })
    expect(fates(moveProfile(byUnderside, tern7, godwit19).report)['Layer Dive']).toBeUndefined()
  })

  it('leaves out what there is no place for, and what the model cannot do', () => {
    const toKnot = fates(moveProfile(brinewatch, tern7, knot5).report)
    expect(toKnot).toMatchObject({
      'Side, front: Y': 'fits: on Side, front',
      'Underside in Dive: Slot 4': 'left out: Knot 5 has no similar input',
      'Light, Solid': 'left out: Step light can only show Step colour and Dark',
    })
    const toKeyboard = moveProfile(brinewatch, tern7, dunlin84)
    expect(fates(toKeyboard.report)).toMatchObject({
      'Wheel up in Dive: Volume up': 'changed: on Knob right',
      'Step 1, 400 DPI': 'left out: Dunlin 84 has no sensor',
      Fn: 'changed: holds Dive',
    })
    expect(itemAt(moveProfile(factoryProfile(tern7, 'Bare'), tern7, dunlin84).profile.layers, 1).name).toBe(
      'Fn',
    )
  })

  it('keeps a left click whatever comes over, gives what compiles, and leaves the first as it was', () => {
    const anyRoute = fc
      .tuple(fc.constantFrom(...DEVICE_MODELS), fc.constantFrom(...DEVICE_MODELS))
      .chain(([from, to]) => fc.tuple(fc.constant(from), fc.constant(to), anyProfile(from)))
    fc.assert(
      fc.property(anyRoute, ([from, to, profile]) => {
        const before = JSON.stringify(profile)
        const moved = moveProfile(profile, from, to)
        expect(JSON.stringify(profile)).toBe(before)
        expect(parseProfile(JSON.parse(JSON.stringify(moved.profile)))).toEqual(moved.profile)
        const errors = checkProfile(moved.profile, to).filter(({ severity }) => severity === 'error')
        expect(errors).toEqual([])
        const bound = profile.layers.reduce((sum, { bindings }) => sum + Object.keys(bindings).length, 0)
        const told = moved.report.filter(({ how }) => how !== 'stays Left click, which every profile needs')
        expect(told.length).toBeGreaterThanOrEqual(bound)
      }),
      runs(30),
    )
  })
})
