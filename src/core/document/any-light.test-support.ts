import fc from 'fast-check'
import { toHex } from '../base/colour'
import type { Parameter, Parameters } from '../base/parameters'
import type { DeviceModel } from '../device/model'
import { CONDITION_NAMES, conditionParameters } from '../effects/conditions'
import { EFFECT_NAMES, parametersOf } from '../effects/registry'
import { ANY_MACRO, lightIds, NO_CONNECTION, type StackItem } from './light'
import { placeOf, zonesIn } from './light-edits'

export const anyColour = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map(([red, green, blue]) => toHex({ red, green, blue }))

/** Any value of a parameter, from its definition: a new effect is tested as soon as it is there. */
function anyValue(parameter: Parameter, model: DeviceModel, layers: number): fc.Arbitrary<unknown> {
  switch (parameter.kind) {
    case 'whole': {
      const { least, most, grid } = parameter
      return fc.integer({ min: Math.ceil(least / grid), max: Math.floor(most / grid) }).map((of) => of * grid)
    }
    case 'choice':
      return fc.constantFrom(...parameter.of)
    case 'colour':
      return anyColour
    case 'colours':
      return fc.array(anyColour, { minLength: parameter.least, maxLength: parameter.most })
    case 'inputs':
      return fc.uniqueArray(fc.constantFrom(...model.inputs.map(({ id }) => id)), { maxLength: 5 })
    case 'layer':
      return fc.integer({ min: 1, max: layers })
    case 'macro':
      return fc.constant(ANY_MACRO)
    case 'connection':
      return fc.constantFrom(NO_CONNECTION, ...model.connections.map(({ id }) => id))
  }
}

const anyKind = (kind: string, parameters: Parameters, model: DeviceModel, layers: number) =>
  fc
    .record(
      Object.fromEntries(
        Object.entries(parameters).map(([name, parameter]) => [name, anyValue(parameter, model, layers)]),
      ),
    )
    .map((values) => ({ kind, ...values }))

const anyWhen = (model: DeviceModel, layers: number) =>
  fc.oneof(
    fc.constant({ kind: 'always' as const }),
    ...CONDITION_NAMES.filter((kind) => kind !== 'layer' || layers > 0)
      .filter((kind) => (kind !== 'battery' && kind !== 'charging') || model.electrical.battery)
      .map((kind) => anyKind(kind, conditionParameters(kind), model, layers)),
  )

/** Any stack that a device of a model keeps. @param layers how many lie over the base */
export function anyStack(model: DeviceModel, layers = 0, most = 5): fc.Arbitrary<StackItem[]> {
  const anyEffect = fc.oneof(...EFFECT_NAMES.map((kind) => anyKind(kind, parametersOf(kind), model, layers)))
  const anyWhere = fc
    .uniqueArray(fc.constantFrom(...lightIds(model)), { minLength: 1, maxLength: 9 })
    .map((lights) => placeOf(model, lights))
  const anyItem = fc
    .record({
      kind: fc.constant('effect' as const),
      effect: anyEffect,
      where: fc.oneof(fc.constant({ kind: 'all' as const }), anyWhere),
      when: anyWhen(model, layers),
      opacity: fc.integer({ min: 1, max: 100 }),
      mix: fc.constantFrom('covers' as const, 'adds' as const),
    })
    // Put together from the definitions, as the types are.
    .map((item) => item as unknown as StackItem)
    .filter((item) => {
      if (item.kind === 'later') return true
      const zones = model.zones.filter(({ id }) => zonesIn(model, item.where).includes(id))
      return zones.some(({ effects }) => effects?.includes(item.effect.kind) ?? true)
    })
  const later = fc.constant<StackItem>({ kind: 'later', code: 29, bytes: '004803040506070809' })
  return fc.array(fc.oneof({ weight: 9, arbitrary: anyItem }, { weight: 1, arbitrary: later }), {
    maxLength: most,
  })
}
