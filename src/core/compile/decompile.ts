import { itemAt } from '../base/items'
import { LoweringError } from '../base/refusal'
import { sha256 } from '@noble/hashes/sha2.js'
import type { DeviceModel } from '../device/model'
import { LAYOUT_IDS } from '../computer/layouts'
import { toHex } from '../base/colour'
import { macroCode } from './code'
import { EMPTY_SHELF, MOST_MACRO_NAME_BYTES, type Macro, type MacroShelf } from '../document/macro'
import { MOST_WRITTEN_OUT, raiseMacro } from './raise'
import { cleanName } from '../base/names'
import { raiseLight } from '../terms/light'
import { raiseAction, type MacroId } from '../terms/onboard-terms'
import { BASE, factoryAction, factoryLayers, factoryProfile, macrosUsed, partsOf } from '../terms/profile'
import {
  LAYER_COLOURS,
  MOST_BINDING_NAME_BYTES,
  MOST_LAYER_NAME_BYTES,
  MOST_NAME_BYTES,
  MOST_STEP_NAME_BYTES,
  type Binding,
  type Later,
  type Layer,
  type Profile,
} from '../document/schema'
import { OPERATING_SYSTEMS, type ComputerSetUp } from '../computer/shortcuts'
import { sameBytes, toHexBytes } from '../base/bytes'
import { decodeImage, MINOR_VERSION, refuseForModel } from '../onboard/format'
import { weightOf } from '../onboard/macro-budget'
import { playable } from '../onboard/macro-code'
import { type OnboardImage } from '../onboard/image'

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
  refuseForModel(image, { number: model.number, factoryLayers: factoryLayers(model).length })
  const computer = computerOf(image)
  const factory = factoryProfile(model, cleanName(image.name, MOST_NAME_BYTES, 'Unnamed'), computer)
  const ids = macroIds(image, computer, macros)
  const profile: Profile = {
    ...factory,
    hand: image.made.hand === 1 ? 'left' : 'right',
    layers: raiseLayers(image, factory, model, ids),
  }
  if (image.steps.length > 0) {
    profile.steps = image.steps.map(({ dpi, dpiY, colour }, index) => {
      const name = image.stepNames.find(({ step }) => step === index)?.name ?? ''
      const clean = cleanName(name, MOST_STEP_NAME_BYTES, '')
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
    // A rate that the connection does not have is no rate: the device keeps to the factory's.
    if (known?.configurable && known.ratesHz.includes(rateHz)) profile.polling[known.id] = rateHz
  }
  if (image.light)
    profile.light = raiseLight(image.light, image.lightNames, { model, macroId: ids, macroNumber: () => 0 })
  const later = laterOf(image, profile, model, ids)
  return later ? { ...profile, later } : profile
}

/** What the image has beside what a profile of this version says, or undefined where there is nothing. */
function laterOf(image: OnboardImage, profile: Profile, model: DeviceModel, ids: MacroId): Later | undefined {
  const { minor, unknown, settingsKept, macros } = image
  const sections = unknown.map(({ type, payload }) => ({ code: type, bytes: toHexBytes(payload) }))
  const settings = settingsKept.map(({ code, payload }) => ({ code, bytes: toHexBytes(payload) }))
  const numbers = macros.flatMap(({ number }) => {
    const id = ids(number)
    return id === undefined ? [] : [{ id, number }]
  })
  // In a new image macros have their numbers by the order they are bound in.
  const bound = macrosUsed(profile, model)
  const asNew = bound.length === numbers.length && numbers.every(({ id, number }) => bound[number - 1] === id)
  // What this version does not know may name macros by their numbers.
  const pinned = !asNew || sections.length > 0 || hasLaterActions(profile)
  const later: Later = {
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
    Object.values(bindings).some(({ action }) => partsOf(action).some(({ kind }) => kind === 'later')),
  )

/**
 * The macros an image carries that are in no library: what is read back from a device elsewhere.
 *
 * @throws ImageError for bytes that are no image
 */
export function macrosOfImage(bytes: Uint8Array, macros: MacroShelf): Macro[] {
  const image = decodeImage(bytes)
  const computer = computerOf(image)
  const ids = macroIds(image, computer, macros)
  let room = MOST_WRITTEN_OUT
  return image.macros.flatMap(({ number, name, code }) => {
    const id = ids(number)
    if (id === undefined || macros.has(id)) return []
    const macro = raiseMacro(
      code,
      id,
      cleanName(name, MOST_MACRO_NAME_BYTES, `Macro ${number}`),
      computer,
      room,
    )
    // Also where it was written out in vain.
    const { steps } = weightOf(playable(code) ?? [])
    if (steps <= room) room -= steps
    return [macro]
  })
}

/**
 * Which macro of the library each of an image is: the one of its name whose code is the same. Any other gets an id
 * by what it does, so that the same code is the same macro each time; two of one code in one image stay two.
 */
function macroIds(image: OnboardImage, computer: ComputerSetUp, macros: MacroShelf): MacroId {
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
/** Events a byte of code can stand for, where it is worth looking; folded further, a macro goes by its name alone. */
const MOST_EVENTS_A_BYTE = 16

/** The macro of a library with the same code: of the same name, or else any whose size does not speak against it. */
function sameMacro(
  name: string,
  code: Uint8Array,
  macros: MacroShelf,
  taken: ReadonlySet<string>,
  on: ComputerSetUp,
): Macro | undefined {
  const isSame = (macro: Macro) => sameBytes(codeIn(macro, macros, on), code)
  const free = [...macros.values()].filter(({ id }) => !taken.has(id))
  return (
    free.find((macro) => macro.name === name && isSame(macro)) ??
    free.find((macro) => macro.events.length <= MOST_EVENTS_A_BYTE * code.length && isSame(macro))
  )
}

function codeIn(macro: Macro, macros: MacroShelf, on: ComputerSetUp): Uint8Array | undefined {
  try {
    return macroCode(macro, macros, on)
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
      name: cleanName(own?.name ?? '', MOST_LAYER_NAME_BYTES, index === 0 ? BASE.name : `Layer ${index}`),
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
    const name = cleanName(found ?? '', MOST_BINDING_NAME_BYTES, '')
    if (name) bindings.set(input.id, named(bindings.get(input.id) ?? { action: factoryAction(input) }, name))
  }
  return Object.fromEntries([...bindings].sort(([a], [b]) => (a < b ? -1 : 1)))
}

function computerOf({ made: { system, layout } }: OnboardImage): ComputerSetUp {
  const madeFor = OPERATING_SYSTEMS[system - 1]
  return { ...(madeFor && { system: madeFor }), layout: LAYOUT_IDS[layout] ?? itemAt(LAYOUT_IDS, 0) }
}

const named = (binding: Binding, name: string): Binding => ({ ...binding, name })
