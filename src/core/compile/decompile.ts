import { itemAt } from '../base/items'
import { LoweringError } from '../base/errors'
import { sha256 } from '@noble/hashes/sha2.js'
import type { DeviceModel } from '../device/model'
import { LAYOUT_IDS } from '../computer/layouts'
import { toHex } from '../base/colour'
import { compileMacro } from './macro-code-cache'
import { EMPTY_SHELF, MAX_MACRO_NAME_BYTES, type Macro, type MacroShelf } from '../document/macro'
import { MAX_RAISED_OPERATIONS, raiseMacro } from './raise'
import { cleanName } from '../base/names'
import { raiseLight } from '../terms/light'
import { raiseAction, type MacroId } from '../terms/onboard-terms'
import {
  BASE_LAYER,
  factoryAction,
  factoryLayers,
  factoryProfile,
  macrosUsed,
  singleActions,
} from '../terms/profile'
import {
  LAYER_COLOURS,
  MAX_BINDING_NAME_BYTES,
  MAX_LAYER_NAME_BYTES,
  MAX_NAME_BYTES,
  MAX_STEP_NAME_BYTES,
  type Binding,
  type UnknownContent,
  type Layer,
  type Profile,
} from '../document/schema'
import { OPERATING_SYSTEMS, type TargetComputer } from '../computer/shortcuts'
import { equalBytes, toHexBytes } from '../base/bytes'
import { decodeImage, MINOR_VERSION, checkModel } from '../onboard/format'
import { countOperations } from '../onboard/macro-budget'
import { playableOperations } from '../onboard/macro-code'
import { type OnboardImage } from '../onboard/image'

/**
 * Reads the profile in an image. Omitted inputs, layers, connections and zones have factory settings. Notes exist only
 * in the library and are not restored.
 *
 * @throws ImageError for bytes that are not an image, or an image for another model
 */
export function decompileImage(
  bytes: Uint8Array,
  model: DeviceModel,
  macros: MacroShelf = EMPTY_SHELF,
): Profile {
  const image = decodeImage(bytes)
  checkModel(image, { number: model.number, factoryLayers: factoryLayers(model).length })
  const computer = computerOf(image)
  const factory = factoryProfile(model, cleanName(image.name, MAX_NAME_BYTES, 'Unnamed'), computer)
  const ids = macroIds(image, computer, macros)
  const profile: Profile = {
    ...factory,
    hand: image.made.hand === 1 ? 'left' : 'right',
    layers: raiseLayers(image, factory, model, ids),
  }
  if (image.steps.length > 0) {
    profile.steps = image.steps.map(({ dpi, dpiY, colour }, index) => {
      const name = image.stepNames.find(({ step }) => step === index)?.name ?? ''
      const clean = cleanName(name, MAX_STEP_NAME_BYTES, '')
      return {
        dpi,
        colour: toHex(colour),
        ...(dpiY !== undefined && { dpiY }),
        ...(clean && { name: clean }),
      }
    })
    profile.defaultStep = image.defaultStep
  }
  profile.settings = image.settings
  for (const { connection, rateHz } of image.polling) {
    const known = model.connections[connection]
    // A rate that the connection does not support is ignored: the device uses the factory rate.
    if (known?.configurable && known.ratesHz.includes(rateHz)) profile.polling[known.id] = rateHz
  }
  if (image.light)
    profile.light = raiseLight(image.light, image.lightNames, { model, macroId: ids, macroNumber: () => 0 })
  const later = laterOf(image, profile, model, ids)
  return later ? { ...profile, later } : profile
}

/** Parts of the image that a profile of this version cannot express, or undefined if there are none. */
function laterOf(
  image: OnboardImage,
  profile: Profile,
  model: DeviceModel,
  ids: MacroId,
): UnknownContent | undefined {
  const { minor, unknown, settingsKept, macros } = image
  const sections = unknown.map(({ type, payload }) => ({ code: type, bytes: toHexBytes(payload) }))
  const settings = settingsKept.map(({ code, payload }) => ({ code, bytes: toHexBytes(payload) }))
  const numbers = macros.flatMap(({ number }) => {
    const id = ids(number)
    return id === undefined ? [] : [{ id, number }]
  })
  // A new image numbers macros in the order of their bindings.
  const bound = macrosUsed(profile, model)
  const asNew = bound.length === numbers.length && numbers.every(({ id, number }) => bound[number - 1] === id)
  // Unknown parts may refer to macros by their numbers.
  const pinned = !asNew || sections.length > 0 || hasLaterActions(profile)
  const later: UnknownContent = {
    ...(minor > MINOR_VERSION && { minor }),
    ...(sections.length > 0 && { sections }),
    ...(settings.length > 0 && { settings }),
    ...(pinned &&
      numbers.length > 0 && { macros: Object.fromEntries(numbers.map(({ id, number }) => [id, number])) }),
  }
  return Object.keys(later).length > 0 ? later : undefined
}

const hasLaterActions = ({ layers }: Profile): boolean =>
  layers.some(({ bindings }) =>
    Object.values(bindings).some(({ action }) => singleActions(action).some(({ kind }) => kind === 'later')),
  )

/**
 * Macros of an image that no library has: those read back from a device written elsewhere.
 *
 * @throws ImageError for bytes that are not an image
 */
export function decompileMacros(bytes: Uint8Array, macros: MacroShelf): Macro[] {
  const image = decodeImage(bytes)
  const computer = computerOf(image)
  const ids = macroIds(image, computer, macros)
  let room = MAX_RAISED_OPERATIONS
  return image.macros.flatMap(({ number, name, code }) => {
    const id = ids(number)
    if (id === undefined || macros.has(id)) return []
    const macro = raiseMacro(
      code,
      id,
      cleanName(name, MAX_MACRO_NAME_BYTES, `Macro ${number}`),
      computer,
      room,
    )
    // Also where writing it out failed.
    const { steps } = countOperations(playableOperations(code) ?? [])
    if (steps <= room) room -= steps
    return [macro]
  })
}

/**
 * Matches the macros of an image with those of the library: the macro with the same name and the same code. Any other
 * gets an id from its content, so that the same code always becomes the same macro; two macros with the same code in
 * one image stay two.
 */
function macroIds(image: OnboardImage, computer: TargetComputer, macros: MacroShelf): MacroId {
  const ids = new Map<number, string>()
  const taken = new Set<string>()
  for (const { number, name, code } of image.macros) {
    const found = sameMacro(name, code, macros, taken, computer)
    const own = `device-${toHexBytes(sha256(code).subarray(0, ID_BYTES))}`
    const id = found?.id ?? (taken.has(own) ? `${own}-${number}` : own)
    ids.set(number, id)
    taken.add(id)
  }
  return (number) => ids.get(number)
}

const ID_BYTES = 16
/** Maximum number of events per byte of code for which a comparison is useful; beyond it, only names are compared. */
const MAX_EVENTS_A_BYTE = 16

/** The macro of a library with the same code: preferably with the same name, otherwise any of a possible size. */
function sameMacro(
  name: string,
  code: Uint8Array,
  macros: MacroShelf,
  taken: ReadonlySet<string>,
  on: TargetComputer,
): Macro | undefined {
  const isSame = (macro: Macro) => equalBytes(codeIn(macro, macros, on), code)
  const free = [...macros.values()].filter(({ id }) => !taken.has(id))
  return (
    free.find((macro) => macro.name === name && isSame(macro)) ??
    free.find((macro) => macro.events.length <= MAX_EVENTS_A_BYTE * code.length && isSame(macro))
  )
}

function codeIn(macro: Macro, macros: MacroShelf, on: TargetComputer): Uint8Array | undefined {
  try {
    return compileMacro(macro, macros, on)
  } catch (error) {
    if (error instanceof LoweringError) return undefined
    throw error
  }
}

function raiseLayers(image: OnboardImage, factory: Profile, model: DeviceModel, idOf: MacroId): Layer[] {
  const count = image.layersListed ? image.layers.length : factory.layers.length
  return Array.from({ length: Math.max(1, count) }, (_, index) => {
    const own = image.layers[index]
    const listed = {
      name: cleanName(
        own?.name ?? '',
        MAX_LAYER_NAME_BYTES,
        index === 0 ? BASE_LAYER.name : `Layer ${index}`,
      ),
      colour: LAYER_COLOURS[own?.colour ?? 0] ?? LAYER_COLOURS[0],
      ...(own?.signal && { signal: own.signal }),
    }
    const before = factory.layers[index] ?? { ...listed, bindings: {} }
    const properties = image.layersListed ? listed : { name: before.name, colour: before.colour }
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
    const found = image.names.find((each) => each.layer === layer && each.input === input.number)?.name
    const name = cleanName(found ?? '', MAX_BINDING_NAME_BYTES, '')
    if (name) bindings.set(input.id, named(bindings.get(input.id) ?? { action: factoryAction(input) }, name))
  }
  return Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))
}

function computerOf({ made: { system, layout } }: OnboardImage): TargetComputer {
  const madeFor = OPERATING_SYSTEMS[system - 1]
  return { ...(madeFor && { system: madeFor }), layout: LAYOUT_IDS[layout] ?? itemAt(LAYOUT_IDS, 0) }
}

const named = (binding: Binding, name: string): Binding => ({ ...binding, name })
