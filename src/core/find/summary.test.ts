import { describe, expect, it } from 'vitest'
import { tern7 } from '../device/models/tern-7'
import { bind } from '../edits/edits'
import { addLayer, setLayerSignal } from '../edits/layer-edits'
import { factoryProfile } from '../terms/profile'
import { keyAction } from '../text/context'
import { layerActivation } from '../text/layer-activation'
import { countUnwrittenEdits, summaryOf } from './summary'
import { englishText } from '../../messages/plain'

const summaryText = (...of: Parameters<typeof summaryOf>) =>
  summaryOf(...of)
    .map(englishText)
    .join(' · ')

const factory = factoryProfile(tern7, 'Salvage')
const bound = bind(addLayer(factory, 'Dive'), tern7, 0, 'side-front', keyAction('KeyY', []))
const held = bind(bound, tern7, 0, 'side-rear', { kind: 'layer', layer: 1, how: 'hold' })

describe('a profile in a line', () => {
  it('has the number of changed inputs, its layers and its DPI steps', () => {
    const steps = factory.steps.map(({ dpi }) => dpi).join(', ')
    expect(summaryText(factory, tern7)).toBe(`0 inputs changed · ${steps} DPI`)
    expect(summaryText(bound, tern7)).toBe(`1 input changed · layer Dive · ${steps} DPI`)
    expect(summaryText({ ...held, steps: [] }, tern7)).toBe('2 inputs changed · layer Dive')
  })

  it('counts the edits that a slot does not hold yet', () => {
    expect(countUnwrittenEdits(factory, factory, tern7, new Map())).toBe(0)
    const once = countUnwrittenEdits(factory, bound, tern7, new Map())
    expect(once).toBeGreaterThan(0)
    expect(countUnwrittenEdits(factory, held, tern7, new Map())).toBe(once + 1)
    expect(countUnwrittenEdits(bound, held, tern7, new Map())).toBe(1)
  })

  it('says which input or signal leads to a layer', () => {
    expect(englishText(layerActivation(held, tern7, 0))).toBe('always')
    expect(englishText(layerActivation(bound, tern7, 1))).toBe('not activated by any input yet')
    expect(englishText(layerActivation(held, tern7, 1))).toBe('while Side, rear is held')
    expect(englishText(layerActivation(setLayerSignal(bound, 1, 3), tern7, 1))).toBe(
      'with signal 3 over the receiver',
    )
  })
})
