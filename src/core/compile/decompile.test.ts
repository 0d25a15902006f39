import { boundOn } from '../edits/bound.test-support'
import { baseLayer } from '../document/base-layer'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { dunlin84 } from '../device/models/dunlin-84'
import { tern7 } from '../device/models/tern-7'
import { PLAY_ONCE } from '../document/action-schema'
import { emptyMacro, shelfOf } from '../document/macro'
import { setStep } from '../edits/motion-edits'
import { factoryProfile } from '../terms/profile'
import type { Action, Profile } from '../document/schema'
import { encodeImage } from '../onboard/format'
import { keyAction } from '../text/context'
import { compileProfile } from './compile'
import { decompileImage } from './decompile'
import { lowerProfile } from './lower'

const tern = factoryProfile(tern7, 'Brinewatch')
const y = keyAction('KeyY', [])
const tides = {
  ...emptyMacro('tides', 'Tides'),
  events: [{ kind: 'wheel', detents: 1, sideways: 0, afterMs: 0 } as const],
}
const shelf = shelfOf([tides])
const strange: Action = { kind: 'later', code: 60, bytes: '0102' }
const bound = (...actions: Action[]): Profile => boundOn(tern, tern7, ...actions)
const back = (profile: Profile, model = tern7) =>
  decompileImage(compileProfile(profile, model, shelf).bytes, model, shelf)

describe('what is read back from a device', () => {
  it('keeps the numbers of macros where something of a later version may name them, wherever it is bound', () => {
    expect(back(bound(PLAY_ONCE('tides'))).later).toBeUndefined()
    expect(back(bound(strange)).later).toBeUndefined()
    expect(back(bound(PLAY_ONCE('tides'), strange)).later).toEqual({ macros: { tides: 1 } })
    const within: Action = { kind: 'tap-hold', tap: y, hold: strange, thresholdMs: 200, decide: 'time' }
    const profile = bound(PLAY_ONCE('tides'), y, within)
    expect(back(profile).later).toEqual({ macros: { tides: 1 } })
    expect(back(back(profile))).toEqual(back(profile))
  })

  it('has the steps of the image, both axes where they differ; with none in it those of the factory', () => {
    const both = setStep(tern, tern7, 1, { dpiY: 500 })
    expect(back(both).steps).toEqual(both.steps)
    expect(back(tern).steps.every((step) => !('dpiY' in step))).toBe(true)
    const bare = { ...lowerProfile({ ...tern, defaultStep: 3 }, tern7, shelf), steps: [] }
    expect(decompileImage(encodeImage(bare).bytes, tern7)).toMatchObject({
      steps: tern.steps,
      defaultStep: tern.defaultStep,
    })
  })

  it('leaves an input to the layer below where the image says so, whatever the factory had there', () => {
    const dunlin = factoryProfile(dunlin84, 'Bridge')
    const input = itemAt(Object.keys(itemAt(dunlin.layers, 1).bindings), 0)
    const { [input]: _, ...rest } = itemAt(dunlin.layers, 1).bindings
    const without: Profile = {
      ...dunlin,
      layers: [baseLayer(dunlin), { ...itemAt(dunlin.layers, 1), bindings: rest }],
    }
    expect(itemAt(back(without, dunlin84).layers, 1).bindings).toEqual(rest)
    expect(itemAt(back(dunlin, dunlin84).layers, 1).bindings).toEqual(itemAt(dunlin.layers, 1).bindings)
  })
})
