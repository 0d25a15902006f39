import fc from 'fast-check'
import { toHexBytes } from '../base/bytes'
import { toHex } from '../base/colour'
import { stepOf, type Parameter, type Parameters } from '../base/parameters'
import { SHORTCUTS } from '../computer/shortcuts'
import { MAX_UPPER_LAYERS } from '../onboard/image'
import { CONSUMER_USAGES } from '../hid/consumer-page'
import { KEY_USAGES, MODIFIER_CODES } from '../hid/keyboard-page'
import type { DeviceModel } from '../device/model'
import { BUTTON_COUNT } from '../hid/button-page'
import { SCROLL_DIRECTIONS, type CommandKey } from './command-key'
import { isOptional } from './parameter-schema'
import { ANY_MACRO, IS_PAIRING, NO_CONNECTION } from '../terms/parameter-terms'

/** Generates values of parameters from their definitions, so that new ones are tested at once. */

/** Meanings of names and numbers in the test. */
export interface Around {
  model?: DeviceModel
  /** Number of layers above the base layer. */
  layers?: number
  macros?: readonly string[]
}

export const anyColour = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map(([red, green, blue]) => toHex({ red, green, blue }))

export const anyCommandKey: fc.Arbitrary<CommandKey> = fc.oneof(
  fc
    .tuple(fc.constantFrom(...KEY_USAGES.map(({ code }) => code)), fc.subarray([...MODIFIER_CODES]))
    .map(([code, modifiers]) => ({
      kind: 'key' as const,
      code,
      modifiers: modifiers.filter((each) => each !== code),
    })),
  fc
    .integer({ min: 1, max: BUTTON_COUNT })
    .map((button) => ({ kind: 'button' as const, button, clicks: 1 as const })),
  fc
    .constantFrom(...SCROLL_DIRECTIONS)
    .map((direction) => ({ kind: 'scroll' as const, direction, amount: 1 as const })),
)

/** Any value that documents allow for a parameter. */
export function anyValue(parameter: Parameter, around: Around = {}): fc.Arbitrary<unknown> {
  const { model, layers = MAX_UPPER_LAYERS, macros = [] } = around
  switch (parameter.kind) {
    case 'number': {
      const step = stepOf(parameter)
      const [min, max] = [Math.ceil(parameter.min / step), Math.floor(parameter.max / step)]
      return fc.integer({ min, max }).map((grids) => (step < 1 ? grids / Math.round(1 / step) : grids * step))
    }
    case 'choice':
      return fc.constantFrom(...parameter.of)
    case 'flag':
      return fc.boolean()
    case 'colour':
      return anyColour
    case 'colours':
      return fc.array(anyColour, { minLength: parameter.min, maxLength: parameter.max })
    case 'inputs':
      return fc.uniqueArray(fc.constantFrom(...(model?.inputs ?? []).map(({ id }) => id)), { maxLength: 5 })
    case 'layer':
      return fc.integer({ min: parameter.min, max: Math.min(parameter.max, layers) })
    case 'macro':
      return fc.constantFrom(...macros, ...(parameter.zero === 'any' ? [ANY_MACRO] : []))
    case 'connection':
      return fc.constantFrom(NO_CONNECTION, IS_PAIRING, ...(model?.connections ?? []).map(({ id }) => id))
    case 'target': {
      const max = parameter.of === 'steps' ? model?.sensor?.maxSteps : model?.memory.slots
      return fc.oneof(fc.constantFrom('next', 'previous'), fc.integer({ min: 1, max: max ?? 1 }))
    }
    case 'key':
      return fc.constantFrom(...KEY_USAGES.map(({ code }) => code))
    case 'modifiers':
      return fc.subarray([...MODIFIER_CODES])
    case 'control':
      return fc.constantFrom(...CONSUMER_USAGES.map(({ id }) => id))
    case 'shortcut':
      return fc.constantFrom(...SHORTCUTS.map(({ id }) => id))
    case 'text':
      return fc.stringMatching(/^[a-z][a-z ]{0,8}[a-z]$/)
    case 'bytes':
      return fc.uint8Array({ maxLength: 9 }).map(toHexBytes)
    case 'id':
      return fc.stringMatching(/^[a-z][a-z0-9-]{0,8}$/)
    case 'command-key':
      return anyCommandKey
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
          isOptional(parameter)
            ? fc.option(anyValue(parameter, around), { nil: undefined })
            : anyValue(parameter, around),
        ]),
      ),
    )
    .map((values) => ({
      kind,
      ...Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)),
    }))
