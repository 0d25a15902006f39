import { membersOf } from '../base/tables'
import { fromHex, toHex } from '../base/colour'
import { valueAs, type DeviceParameter, type DeviceParameters } from '../base/parameters'
import type { DeviceModel } from '../device/model'
import { PAIRING } from '../effects/conditions'
import { isOptional } from '../document/parameter-schema'

/** Converts values of parameters between a document's terms (ids and codes) and the device's (numbers). */

/** In a document: any macro, no connection, and a device that is pairing. */
export const ANY_MACRO = 'any'
export const NO_CONNECTION = 'none'
export const IS_PAIRING = 'pairing'

/** Whether a model can be connected in this way, or disconnected. */
export const hasConnection = (connection: string, { connections }: DeviceModel): boolean =>
  connection === NO_CONNECTION || connection === IS_PAIRING || connections.some(({ id }) => id === connection)

/** The mapping between ids and numbers. */
export interface IdMapping {
  /** Inputs and connections of a model; without one there are none. */
  model?: DeviceModel
  macroNumber(id: string): number
  macroId(number: number): string | undefined
  /** For a nested action. */
  action?: { lower(action: object): object; raise(action: object): object }
}

/** @throws the errors of lowering a nested action */
export function lowerValues(
  parameters: DeviceParameters,
  values: object,
  terms: IdMapping,
): Record<string, unknown> {
  const given = membersOf(values)
  return Object.fromEntries(
    Object.entries(parameters).flatMap(([name, parameter]) =>
      parameter.optional && given[name] === undefined
        ? []
        : [[name, lowerValue(parameter, given[name], terms)]],
    ),
  )
}

/** The reverse of {@link lowerValues}; undefined if a number has no id. */
export function raiseValues(
  parameters: DeviceParameters,
  values: object,
  terms: IdMapping,
): Record<string, unknown> | undefined {
  const given = membersOf(values)
  const raised = Object.entries(parameters).flatMap(([name, parameter]) => {
    const value = given[name]
    const none = value === undefined || (parameter.kind === 'macro' && value === 0)
    return none && isOptional(parameter) ? [] : [[name, raiseValue(parameter, value, terms)] as const]
  })
  return raised.some(([, value]) => value === undefined) ? undefined : Object.fromEntries(raised)
}

const textsIn = (value: unknown): string[] => (Array.isArray(value) ? value.map(String) : [])

function lowerValue(
  parameter: DeviceParameter,
  value: unknown,
  { model, macroNumber, action }: IdMapping,
): unknown {
  switch (parameter.kind) {
    case 'colour':
      return fromHex(String(value))
    case 'colours':
      return textsIn(value).map(fromHex)
    case 'inputs':
      return textsIn(value).flatMap((id) => model?.inputs.find((input) => input.id === id)?.number ?? [])
    case 'macro':
      return typeof value !== 'string' || value === ANY_MACRO ? 0 : macroNumber(value)
    case 'connection':
      return value === IS_PAIRING
        ? PAIRING
        : (model?.connections.findIndex(({ id }) => id === value) ?? -1) + 1
    case 'action':
      return action?.lower(valueAs(parameter, value))
    default:
      return value
  }
}

function raiseValue(
  parameter: DeviceParameter,
  value: unknown,
  { model, macroId, action }: IdMapping,
): unknown {
  switch (parameter.kind) {
    case 'colour':
      return toHex(valueAs(parameter, value))
    case 'colours':
      return valueAs(parameter, value).map(toHex)
    case 'inputs':
      return valueAs(parameter, value).flatMap(
        (number) => model?.inputs.find((input) => input.number === number)?.id ?? [],
      )
    case 'macro':
      return value === 0 && parameter.zero === 'any' ? ANY_MACRO : macroId(Number(value))
    case 'connection':
      if (value === PAIRING) return IS_PAIRING
      return value === 0 ? NO_CONNECTION : model?.connections[Number(value) - 1]?.id
    case 'action':
      return action?.raise(valueAs(parameter, value))
    default:
      return value
  }
}
