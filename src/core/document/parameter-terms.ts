import { fromHex, toHex, type Rgb } from '../base/colour'
import type { DeviceParameter, DeviceParameters } from '../base/parameters'
import type { DeviceModel } from '../device/model'
import { PAIRING } from '../effects/conditions'
import { mayBeMissing } from './parameter-schema'

/** Values of parameters in a document's terms and in the device's: ids and codes here, numbers there. */

/** In a document, any macro, no connection, and a device that looks for one to pair with. */
export const ANY_MACRO = 'any'
export const NO_CONNECTION = 'none'
export const LOOKS_FOR_ONE = 'pairing'

/** Whether a model can be in a connection, or in none. */
export const hasConnection = (connection: string, { connections }: DeviceModel): boolean =>
  connection === NO_CONNECTION ||
  connection === LOOKS_FOR_ONE ||
  connections.some(({ id }) => id === connection)

/** What ids and numbers are to each other. */
export interface Terms {
  /** Its inputs and connections; without a model there are none. */
  model?: DeviceModel
  macroNumber(id: string): number
  macroId(number: number): string | undefined
  /** Of an action within an action. */
  action?: { lower(action: object): object; raise(action: object): object }
}

/** @throws what lowering an action within an action throws */
export function lowerValues(
  parameters: DeviceParameters,
  values: object,
  terms: Terms,
): Record<string, unknown> {
  const given = values as Readonly<Record<string, unknown>>
  return Object.fromEntries(
    Object.entries(parameters).flatMap(([name, parameter]) =>
      parameter.optional && given[name] === undefined
        ? []
        : [[name, lowerValue(parameter, given[name], terms)]],
    ),
  )
}

/** The reverse of {@link lowerValues}; undefined where a number has no id. */
export function raiseValues(
  parameters: DeviceParameters,
  values: object,
  terms: Terms,
): Record<string, unknown> | undefined {
  const given = values as Readonly<Record<string, unknown>>
  const raised = Object.entries(parameters).flatMap(([name, parameter]) => {
    const value = given[name]
    const none = value === undefined || (parameter.kind === 'macro' && value === 0)
    return none && mayBeMissing(parameter) ? [] : [[name, raiseValue(parameter, value, terms)] as const]
  })
  return raised.some(([, value]) => value === undefined) ? undefined : Object.fromEntries(raised)
}

function lowerValue(
  parameter: DeviceParameter,
  value: unknown,
  { model, macroNumber, action }: Terms,
): unknown {
  switch (parameter.kind) {
    case 'colour':
      return fromHex(String(value))
    case 'colours':
      return (value as string[]).map(fromHex)
    case 'inputs':
      return (value as string[]).flatMap((id) => model?.inputs.find((input) => input.id === id)?.number ?? [])
    case 'macro':
      return value === undefined || value === ANY_MACRO ? 0 : macroNumber(String(value))
    case 'connection':
      return value === LOOKS_FOR_ONE
        ? PAIRING
        : (model?.connections.findIndex(({ id }) => id === value) ?? -1) + 1
    case 'action':
      return action?.lower(value as object)
    default:
      return value
  }
}

function raiseValue(parameter: DeviceParameter, value: unknown, { model, macroId, action }: Terms): unknown {
  switch (parameter.kind) {
    case 'colour':
      return toHex(value as Rgb)
    case 'colours':
      return (value as readonly Rgb[]).map(toHex)
    case 'inputs':
      return (value as readonly number[]).flatMap(
        (number) => model?.inputs.find((input) => input.number === number)?.id ?? [],
      )
    case 'macro':
      return value === 0 && parameter.zero === 'any' ? ANY_MACRO : macroId(Number(value))
    case 'connection':
      if (value === PAIRING) return LOOKS_FOR_ONE
      return value === 0 ? NO_CONNECTION : model?.connections[Number(value) - 1]?.id
    case 'action':
      return action?.raise(value as object)
    default:
      return value
  }
}
