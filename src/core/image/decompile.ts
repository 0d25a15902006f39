import type { DeviceModel } from '../device/model'
import { LAYOUT_IDS } from '../hid/layouts'
import { toHex } from '../light/colour'
import { raiseAction, raiseEffect } from '../profile/onboard-terms'
import { factoryAction, factoryProfile } from '../profile/profile'
import { LAYER_COLOURS, type Binding, type Layer, type Profile } from '../profile/schema'
import { OPERATING_SYSTEMS } from '../profile/shortcuts'
import { decodeImage, type OnboardImage } from './format'
import { ImageError } from './bytes'

/**
 * The profile an image keeps. Inputs, layers, connections and zones the image leaves out are as the factory set
 * them; notes stay in the library and do not come back.
 *
 * @throws ImageError when the bytes are no image, or one of another model
 */
export function decompileImage(bytes: Uint8Array, model: DeviceModel): Profile {
  const image = decodeImage(bytes)
  if (image.model !== model.number) {
    throw new ImageError(
      `the image is for model number ${hex(image.model)}, ${model.name} is ${hex(model.number)}`,
    )
  }
  const { system, layout, hand } = image.made
  const madeFor = OPERATING_SYSTEMS[system - 1]
  const computer = { ...(madeFor && { system: madeFor }), layout: LAYOUT_IDS[layout] ?? LAYOUT_IDS[0] }
  const factory = factoryProfile(model, image.name, computer)
  const profile: Profile = {
    ...factory,
    hand: hand === 1 ? 'left' : 'right',
    layers: raiseLayers(image, factory, model),
  }
  if (image.steps.length > 0) {
    profile.steps = image.steps.map(({ dpi, colour }) => ({ dpi, colour: toHex(colour) }))
    profile.defaultStep = image.defaultStep
  }
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

function raiseLayers(image: OnboardImage, factory: Profile, model: DeviceModel): Layer[] {
  const count = image.layersListed ? image.layers.length : factory.layers.length
  return Array.from({ length: Math.max(1, count) }, (_, index) => {
    const own = image.layers[index]
    const colour = LAYER_COLOURS[own?.colour ?? 0] ?? LAYER_COLOURS[0]
    const listed = { name: own?.name || `Layer ${index}`, colour, ...(own?.signal && { signal: own.signal }) }
    const before = factory.layers[index] ?? { ...listed, bindings: {} }
    const properties = index > 0 && image.layersListed ? listed : { name: before.name, colour: before.colour }
    const bindings = raiseBindings(image, index, before.bindings, factory, model)
    return { ...properties, bindings }
  })
}

function raiseBindings(
  image: OnboardImage,
  layer: number,
  before: Layer['bindings'],
  { computer }: Profile,
  model: DeviceModel,
): Layer['bindings'] {
  const bindings = new Map(Object.entries(before))
  for (const input of model.inputs) {
    const bound = image.layers[layer]?.bindings.get(input.number)
    const action = bound && raiseAction(bound, computer)
    if (bound?.kind === 'pass') bindings.delete(input.id)
    else if (action) bindings.set(input.id, { action })
    const name = image.names.find((each) => each.layer === layer && each.input === input.number)?.name
    if (name) bindings.set(input.id, named(bindings.get(input.id) ?? { action: factoryAction(input) }, name))
  }
  return Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))
}

const named = (binding: Binding, name: string): Binding => ({ ...binding, name })

const hex = (value: number): string => `0x${value.toString(16).padStart(4, '0')}`
