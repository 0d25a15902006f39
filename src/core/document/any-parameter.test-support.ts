import fc from 'fast-check'
import { toHexBytes } from '../base/bytes'
import { toHex } from '../base/colour'
import { gridOf, type Parameter, type Parameters } from '../base/parameters'
import { SHORTCUTS } from '../computer/shortcuts'
import { MOST_UPPER_LAYERS } from '../onboard/image'
import { CONSUMER_USAGES } from '../hid/consumer-page'
import { KEY_USAGES } from '../hid/keyboard-page'
import { isModifierUsage } from '../hid/modifiers'
import type { DeviceModel } from '../device/model'
import { mayBeMissing } from './parameter-schema'
import { ANY_MACRO, LOOKS_FOR_ONE, NO_CONNECTION } from '../terms/parameter-terms'

/** Values of parameters from their definitions: whatever is new is tested as soon as it is there. */

/** What names and numbers can mean there. */
export interface Around {
  model?: DeviceModel
  /** How many layers lie above the base layer. */
  layers?: number
  macros?: readonly string[]
}

export const anyColour = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map(([red, green, blue]) => toHex({ red, green, blue }))

const MODIFIERS = KEY_USAGES.filter(({ usage }) => isModifierUsage(usage)).map(({ code }) => code)

/** Any value a document can give a parameter. */
export function anyValue(parameter: Parameter, around: Around = {}): fc.Arbitrary<unknown> {
  const { model, layers = MOST_UPPER_LAYERS, macros = [] } = around
  switch (parameter.kind) {
    case 'number': {
      const grid = gridOf(parameter)
      const [min, max] = [Math.ceil(parameter.least / grid), Math.floor(parameter.most / grid)]
      return fc.integer({ min, max }).map((grids) => (grid < 1 ? grids / Math.round(1 / grid) : grids * grid))
    }
    case 'choice':
      return fc.constantFrom(...parameter.of)
    case 'flag':
      return fc.boolean()
    case 'colour':
      return anyColour
    case 'colours':
      return fc.array(anyColour, { minLength: parameter.least, maxLength: parameter.most })
    case 'inputs':
      return fc.uniqueArray(fc.constantFrom(...(model?.inputs ?? []).map(({ id }) => id)), { maxLength: 5 })
    case 'layer':
      return fc.integer({ min: parameter.least, max: Math.min(parameter.most, layers) })
    case 'macro':
      return fc.constantFrom(...macros, ...(parameter.zero === 'any' ? [ANY_MACRO] : []))
    case 'connection':
      return fc.constantFrom(NO_CONNECTION, LOOKS_FOR_ONE, ...(model?.connections ?? []).map(({ id }) => id))
    case 'target': {
      const most = parameter.of === 'steps' ? model?.sensor?.maxSteps : model?.memory.slots
      return fc.oneof(fc.constantFrom('next', 'previous'), fc.integer({ min: 1, max: most ?? 1 }))
    }
    case 'key':
      return fc.constantFrom(...KEY_USAGES.map(({ code }) => code))
    case 'modifiers':
      return fc.subarray(MODIFIERS)
    case 'control':
      return fc.constantFrom(...CONSUMER_USAGES.map(({ id }) => id))
    case 'shortcut':
      return fc.constantFrom(...SHORTCUTS.map(({ id }) => id))
    case 'text':
      return fc.stringMatching(/^[a-z][a-z ]{0,8}[a-z]$/)
    case 'bytes':
      return fc.uint8Array({ maxLength: 9 }).map(toHexBytes)
    case 'strokes':
    case 'action':
      throw new TypeError(`a document says ${parameter.kind} otherwise`)
  }
}

/** Any values of some parameters, with the name of their kind. */
export const anyKind = (kind: string, parameters: Parameters, around: Around = {}) =>
  fc
    .record(
      Object.fromEntries(
        Object.entries(parameters).map(([name, parameter]) => [
          name,
          mayBeMissing(parameter)
            ? fc.option(anyValue(parameter, around), { nil: undefined })
            : anyValue(parameter, around),
        ]),
      ),
    )
    .map((values) => ({
      kind,
      ...Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)),
    }))
