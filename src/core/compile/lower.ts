import type { DeviceModel } from '../device/model'
import { LAYOUT_IDS } from '../computer/layouts'
import { fromHex } from '../base/colour'
import { deepEqual } from '../base/deep-equal'
import { compileMacro } from './macro-code-cache'
import { EMPTY_SHELF, type Macro, type MacroShelf } from '../document/macro'
import { lowerLight } from '../terms/light'
import { bindingName, plainAction } from '../terms/commands'
import { lowerAction } from '../terms/onboard-terms'
import { BASE_LAYER, factoryAction, factoryLayers, macrosUsed } from '../terms/profile'
import { LAYER_COLOURS, type Layer, type Profile } from '../document/schema'
import { OPERATING_SYSTEMS } from '../computer/shortcuts'
import { fromHexBytes } from '../base/bytes'
import { emptyImage, type ImageLayer, type OnboardImage } from '../onboard/image'

/**
 * Converts a profile into the device's terms.
 *
 * @param profile one that passed the checks
 * @param macros the library's macros; the image has each bound macro once
 * @throws LoweringError for an action without keys on the profile's computer; the checks find these earlier
 */
export function lowerProfile(
  profile: Profile,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): OnboardImage {
  const used = macrosUsed(profile, model).flatMap((id) => macros.get(id) ?? [])
  const numbers = macroNumbers(used, profile.later?.macros)
  const numberOf = (id: string) => numbers.get(id) ?? 0
  const { system, layout } = profile.computer
  const { later } = profile
  const light = lowerLight(profile.light, { model, macroNumber: numberOf, macroId: () => undefined })
  return {
    ...emptyImage(model.number),
    revision: model.revision ?? 0,
    minor: later?.minor ?? 0,
    name: profile.name,
    layers: profile.layers.map((layer, index) => lowerLayer(layer, index, { profile, model, numberOf })),
    macros: used
      .map((macro) => ({
        number: numberOf(macro.id),
        name: macro.name,
        code: compileMacro(macro, macros, profile.computer),
      }))
      .sort((a, b) => a.number - b.number),
    layersListed: !deepEqual(profile.layers.map(properties), [
      BASE_LAYER,
      ...factoryLayers(model).map(properties),
    ]),
    steps: profile.steps.map(({ dpi, dpiY, colour }) => ({
      dpi,
      colour: fromHex(colour),
      ...(dpiY !== undefined && { dpiY }),
    })),
    stepNames: profile.steps.flatMap(({ name }, step) => (name ? [{ step, name }] : [])),
    settings: profile.settings,
    settingsKept: (later?.settings ?? []).map(unknownSetting),
    defaultStep: profile.defaultStep,
    polling: model.connections.flatMap(({ configurable, id, factoryRateHz }, connection) =>
      configurable ? [{ connection, rateHz: profile.polling[id] ?? factoryRateHz }] : [],
    ),
    light: deepEqual(light, model.factory.light) ? undefined : light,
    lightNames: profile.light.flatMap((item, entry) =>
      item.kind === 'effect' && item.name ? [{ entry, name: item.name }] : [],
    ),
    names: profile.layers.flatMap(({ bindings }, layer) =>
      model.inputs.flatMap(({ id, number: input }) => {
        const binding = bindings[id]
        const name = binding && bindingName(binding)
        return name ? [{ layer, input, name }] : []
      }),
    ),
    made: {
      system: system ? OPERATING_SYSTEMS.indexOf(system) + 1 : 0,
      layout: LAYOUT_IDS.indexOf(layout),
      hand: profile.hand === 'left' ? 1 : 0,
    },
    unknown: (later?.sections ?? []).map(({ code, bytes }) => ({ type: code, payload: fromHexBytes(bytes) })),
  }
}

const unknownSetting = ({ code, bytes }: { code: number; bytes: string }) => ({
  code,
  payload: [...fromHexBytes(bytes)],
})

/** Numbers of macros in an image: existing ones stay, and new ones get the lowest free numbers. */
function macroNumbers(
  used: readonly Macro[],
  given: Readonly<Record<string, number>> = {},
): ReadonlyMap<string, number> {
  const numbers = new Map<string, number>()
  const taken = new Set<number>()
  for (const { id } of used) {
    const number = Object.hasOwn(given, id) ? given[id] : undefined
    if (number === undefined || taken.has(number)) continue
    numbers.set(id, number)
    taken.add(number)
  }
  let next = 1
  for (const { id } of used) {
    if (numbers.has(id)) continue
    while (taken.has(next)) next++
    numbers.set(id, next)
    taken.add(next)
  }
  return numbers
}

const properties = ({ name, colour, signal }: Layer) => ({ name, colour, ...(signal && { signal }) })

/**
 * Bindings that differ from the factory layer, so that factory settings need no bytes. An inherited input is written as
 * passing through where the factory layer has an action.
 */
function lowerLayer(
  layer: Layer,
  index: number,
  { profile, model, numberOf }: { profile: Profile; model: DeviceModel; numberOf: (id: string) => number },
): ImageLayer {
  const factory = factoryLayers(model)[index - 1]?.bindings ?? {}
  const bindings: ImageLayer['bindings'] = new Map()
  for (const input of model.inputs) {
    const own = layer.bindings[input.id]?.action
    // A device stores the key of a command.
    const action = own && plainAction(own)
    const before = index === 0 ? factoryAction(input) : factory[input.id]?.action
    if (!action && before && index > 0) bindings.set(input.number, { kind: 'pass' })
    else if (action && !(before && deepEqual(action, before)))
      bindings.set(input.number, lowerAction(action, profile.computer, numberOf))
  }
  return {
    bindings,
    name: index === 0 && layer.name === BASE_LAYER.name ? '' : layer.name,
    colour: LAYER_COLOURS.indexOf(layer.colour),
    signal: layer.signal ?? 0,
  }
}
