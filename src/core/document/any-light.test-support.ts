import fc from 'fast-check'
import type { DeviceModel } from '../device/model'
import { conditionParameters } from '../effects/conditions'
import { EFFECT_NAMES, parametersOf } from '../effects/registry'
import { type StackItem } from './light'
import { lightIds } from '../terms/light'
import { anyKind } from './any-parameter.test-support'
import { supportedConditions, lightTargetOf, zonesIn } from '../edits/light-edits'

const anyWhen = (model: DeviceModel, layers: number) =>
  fc.oneof(
    fc.constant({ kind: 'always' as const }),
    ...supportedConditions(model, layers).map((kind) =>
      anyKind(kind, conditionParameters(kind), { model, layers }),
    ),
  )

/** Generates any stack that a device of a model can store. @param layers number of layers above the base */
export function anyStack(model: DeviceModel, layers = 0, max = 5): fc.Arbitrary<StackItem[]> {
  const anyEffect = fc.oneof(
    ...EFFECT_NAMES.map((kind) => anyKind(kind, parametersOf(kind), { model, layers })),
  )
  const anyWhere = fc
    .uniqueArray(fc.constantFrom(...lightIds(model)), { minLength: 1, maxLength: 9 })
    .map((lights) => lightTargetOf(model, lights))
  const anyItem = fc
    .record({
      kind: fc.constant('effect' as const),
      effect: anyEffect,
      where: fc.oneof(fc.constant({ kind: 'all' as const }), anyWhere),
      when: anyWhen(model, layers),
      opacity: fc.integer({ min: 1, max: 100 }),
      mix: fc.constantFrom('covers' as const, 'adds' as const),
    })
    // Built from the definitions, like the types.
    .map((item) => item as unknown as StackItem)
    .filter((item) => {
      if (item.kind === 'later') return true
      const zones = model.zones.filter(({ id }) => zonesIn(model, item.where).includes(id))
      return zones.some(({ effects }) => effects?.includes(item.effect.kind) ?? true)
    })
  const later = fc.constant<StackItem>({ kind: 'later', code: 29, bytes: '004803040506070809' })
  return fc.array(fc.oneof({ weight: 9, arbitrary: anyItem }, { weight: 1, arbitrary: later }), {
    maxLength: max,
  })
}
