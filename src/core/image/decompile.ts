import type { DeviceModel } from '../device/model'
import { LAYOUT_IDS } from '../hid/layouts'
import { toHex } from '../light/colour'
import { macroCode } from '../macro/code'
import { EMPTY_SHELF, type Macro, type MacroShelf } from '../macro/macro'
import { raiseMacro } from '../macro/raise'
import { raiseAction, raiseEffect, type MacroId } from '../profile/onboard-terms'
import { factoryAction, factoryProfile } from '../profile/profile'
import { LAYER_COLOURS, type Binding, type Layer, type Profile } from '../profile/schema'
import { OPERATING_SYSTEMS, type ComputerSetUp } from '../profile/shortcuts'
import { crc32 } from './crc32'
import { decodeImage, type OnboardImage } from './format'
import { readMacro } from './macro-code'
import { ImageError } from './bytes'

/**
 * The profile an image keeps. Inputs, layers, connections and zones the image leaves out are as the factory set
 * them; notes stay in the library and do not come back.
 *
 * @throws ImageError when the bytes are no image, or one of another model
 */
export function decompileImage(
  bytes: Uint8Array,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Profile {
  const image = decodeImage(bytes)
  if (image.model !== model.number) {
    throw new ImageError(
      `the image is for model number ${hex(image.model)}, ${model.name} is ${hex(model.number)}`,
    )
  }
  const computer = computerOf(image)
  const factory = factoryProfile(model, image.name, computer)
  const profile: Profile = {
    ...factory,
    hand: image.made.hand === 1 ? 'left' : 'right',
    layers: raiseLayers(image, factory, model, macroIds(image, computer, macros)),
  }
  if (image.steps.length > 0) {
    profile.steps = image.steps.map(({ dpi, dpiY, colour }, index) => {
      const name = image.stepNames.find(({ step }) => step === index)?.name
      return {
        ...{ dpi, colour: toHex(colour) },
        ...(dpiY !== undefined && { dpiY }),
        ...(name && { name }),
      }
    })
    profile.defaultStep = image.defaultStep
  }
  profile.settings = image.settings
  for (const { connection, rateHz } of image.polling) {
    const known = model.connections[connection]
    if (known) profile.polling[known.id] = rateHz
  }
  for (const { zone, stack } of image.light) {
    const known = model.zones[zone]
    if (known && stack[0]) profile.light[known.id] = raiseEffect(stack[0])
  }
  return profile
}

/**
 * The macros an image carries that are in no library: what is read back from a device elsewhere.
 *
 * @throws ImageError for bytes that are no image, or code that is none
 */
export function macrosOfImage(bytes: Uint8Array, macros: MacroShelf): Macro[] {
  const image = decodeImage(bytes)
  const { layout } = computerOf(image)
  const ids = macroIds(image, computerOf(image), macros)
  return image.macros.flatMap(({ name, code }, index) => {
    const id = ids(index + 1)
    if (id === undefined || macros.has(id)) return []
    return [raiseMacro(readMacro(code), id, name || `Macro ${index + 1}`, layout)]
  })
}

/**
 * Which macro of the library each of an image is: the one of its name whose code is the same. Any other gets an id
 * by what it does, so that the same code is the same macro each time.
 */
function macroIds(image: OnboardImage, { layout }: ComputerSetUp, macros: MacroShelf): MacroId {
  const hasCode = (macro: Macro, code: Uint8Array): boolean => {
    try {
      const own = macroCode(macro, macros, layout)
      return own.length === code.length && own.every((byte, at) => byte === code[at])
    } catch (error) {
      if (error instanceof RangeError) return false
      throw error
    }
  }
  const ids = image.macros.map(({ name, code }) => {
    const same = [...macros.values()].filter((macro) => hasCode(macro, code))
    return (same.find((macro) => macro.name === name) ?? same[0])?.id ?? `device-${crc32(code).toString(16)}`
  })
  return (number) => ids[number - 1]
}

function raiseLayers(image: OnboardImage, factory: Profile, model: DeviceModel, idOf: MacroId): Layer[] {
  const count = image.layersListed ? image.layers.length : factory.layers.length
  return Array.from({ length: Math.max(1, count) }, (_, index) => {
    const own = image.layers[index]
    const colour = LAYER_COLOURS[own?.colour ?? 0] ?? LAYER_COLOURS[0]
    const listed = { name: own?.name || `Layer ${index}`, colour, ...(own?.signal && { signal: own.signal }) }
    const before = factory.layers[index] ?? { ...listed, bindings: {} }
    const properties = index > 0 && image.layersListed ? listed : { name: before.name, colour: before.colour }
    const bindings = raiseBindings(image, index, before.bindings, { factory, model, idOf })
    return { ...properties, bindings }
  })
}

function raiseBindings(
  image: OnboardImage,
  layer: number,
  before: Layer['bindings'],
  { factory: { computer }, model, idOf }: { factory: Profile; model: DeviceModel; idOf: MacroId },
): Layer['bindings'] {
  const bindings = new Map(Object.entries(before))
  for (const input of model.inputs) {
    const bound = image.layers[layer]?.bindings.get(input.number)
    const action = bound && raiseAction(bound, computer, idOf)
    if (bound?.kind === 'pass') bindings.delete(input.id)
    else if (action) bindings.set(input.id, { action })
    const name = image.names.find((each) => each.layer === layer && each.input === input.number)?.name
    if (name) bindings.set(input.id, named(bindings.get(input.id) ?? { action: factoryAction(input) }, name))
  }
  return Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))
}

function computerOf({ made: { system, layout } }: OnboardImage): ComputerSetUp {
  const madeFor = OPERATING_SYSTEMS[system - 1]
  return { ...(madeFor && { system: madeFor }), layout: LAYOUT_IDS[layout] ?? LAYOUT_IDS[0] }
}

const named = (binding: Binding, name: string): Binding => ({ ...binding, name })

const hex = (value: number): string => `0x${value.toString(16).padStart(4, '0')}`
