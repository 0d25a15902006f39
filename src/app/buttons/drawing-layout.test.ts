import { typingIn } from '../../messages/english.test-support'
import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { valueOf } from '../../core/base/items'
import { DEVICE_MODELS } from '../../core/device/models'
import { tern7 } from '../../core/device/models/tern-7'
import { bind } from '../../core/edits/edits'
import { addLayer } from '../../core/edits/layer-edits'
import { factoryProfile } from '../../core/terms/profile'
import { contextOf, keyAction } from '../../core/text/context'
import { useDrawingLayout } from './drawing-layout'
import { inputLabels } from '../../core/text/input-labels'

const labelsOf = (model: (typeof DEVICE_MODELS)[number]) => {
  const profile = factoryProfile(model, 'P')
  return inputLabels(profile, typingIn(contextOf(profile, model)), 0, new Set())
}
const SIZES = [
  [700, 520],
  [900, 620],
  [1180, 640],
  [1700, 1000],
] as const
const mice = DEVICE_MODELS.filter(({ kind }) => kind === 'mouse')

describe('the drawing and its labels on a pane', () => {
  it.each(
    mice.flatMap((model) => SIZES.map(([width, height]) => [model.name, width, height, model] as const)),
  )(
    '%s at %i × %i: each input has a label on the pane, none over another, and the device is whole between them',
    (_, width, height, model) => {
      const { boxes, scale, origin, labelWidth, labelHeight, captions, guides } = useDrawingLayout(
        { model, hand: 'right', labels: labelsOf(model) },
        ref(width),
        ref(height),
      )
      expect(boxes.value.map(({ id }) => id).sort()).toEqual(model.inputs.map(({ id }) => id).sort())
      for (const [at, box] of boxes.value.entries()) {
        expect(box.input?.id).toBe(box.id)
        expect(box.x).toBeGreaterThanOrEqual(0)
        expect(box.x + labelWidth.value).toBeLessThanOrEqual(width)
        expect(box.y).toBeGreaterThanOrEqual(-1)
        for (const other of boxes.value.slice(0, at)) {
          const apart =
            Math.abs(box.x - other.x) >= labelWidth.value - 0.01 ||
            Math.abs(box.y - other.y) >= labelHeight.value - 0.01
          expect(apart, `${box.id} and ${other.id}`).toBe(true)
        }
      }
      // In the middle, and below the top row of labels.
      expect(origin.value.x * 2 + model.sheet.widthMm * scale.value).toBeCloseTo(width, 6)
      expect(origin.value.y).toBeGreaterThan(labelHeight.value)
      expect(captions.value.map(({ title }) => title)).toEqual(model.sheet.views.map(({ title }) => title))
      expect(guides.value.bottom).toBeGreaterThan(guides.value.top)
      expect(guides.value.to - guides.value.from).toBeCloseTo(model.sheet.widthMm * scale.value + 16, 6)
    },
  )

  it('is as large as its pane lets it be, the same in both directions, and never smaller than can be read', () => {
    const at = (width: number, height: number) =>
      useDrawingLayout({ model: tern7, hand: 'right', labels: labelsOf(tern7) }, ref(width), ref(height))
        .scale.value
    expect(at(1700, 1000)).toBeGreaterThan(at(900, 620))
    expect(at(900, 4000)).toBe(at(900, 5000))
    expect(at(5000, 620)).toBe(at(6000, 620))
    expect(at(100, 100)).toBe(1.4)
  })

  it('the line of an input ends on the device, where the hand that holds it is', () => {
    const [width, height] = [ref(1180), ref(640)]
    for (const model of mice) {
      for (const hand of ['right', 'left'] as const) {
        const { boxes, origin, scale } = useDrawingLayout(
          { model, hand, labels: labelsOf(model) },
          width,
          height,
        )
        for (const { anchor, input } of boxes.value) {
          const leader = hand === 'left' ? (input?.leftHandLeader ?? input?.leader) : input?.leader
          const view = model.sheet.views.find(({ id }) => id === leader?.view)
          const mm = (anchor.x + 12 - origin.value.x) / scale.value - (view?.at[0] ?? 0)
          expect(mm).toBeCloseTo(leader?.at[0] ?? Number.NaN, 6)
        }
      }
    }
  })
})

describe('what a label says', () => {
  const profile = (() => {
    const two = addLayer(addLayer(factoryProfile(tern7, 'P'), 'Dive'), 'Winch')
    const named = bind(two, tern7, 0, 'side-front', keyAction('KeyY', []))
    const first = bind(named, tern7, 1, 'side-front', keyAction('KeyA', []))
    return bind(first, tern7, 2, 'side-front', keyAction('KeyB', []))
  })()
  const context = typingIn(contextOf(profile, tern7))
  const label = (current = 0, pending: string[] = []) =>
    valueOf(inputLabels(profile, context, current, new Set(pending)), 'side-front')

  it('is what it does on the base layer, and on the layers that say something else, the edited one first', () => {
    expect(label().base).toEqual({ text: 'Y', family: 'binding' })
    expect(label().layers.map(({ text }) => text)).toEqual(['A', 'B'])
    expect(label(2).layers.map(({ text }) => text)).toEqual(['B', 'A'])
    expect(label().below).toBe('Side, front')
    expect(label().title).toContain('Side, front: Y')
    expect(label().title.split('\n')).toHaveLength(3)
  })

  it('is marked where any layer of it is not on the device yet, and told from the factory', () => {
    expect(label().pending).toBe(false)
    expect(label(0, ['side-front 2']).pending).toBe(true)
    expect(label(0, ['side-rear 0']).pending).toBe(false)
    expect(valueOf(inputLabels(profile, context, 0, new Set()), 'left').base.family).toBe('factory')
  })
})
