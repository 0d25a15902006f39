import type { DeviceInput, DeviceModel } from '../device/model'
import { singleParameters } from '../document/action-schema'
import { inputById } from '../device/lookups'
import { modelById } from '../device/models'
import { toHex } from '../base/colour'
import { sameValue } from '../base/same-value'
import { rememberedFor } from '../base/remembered'
import { macrosOfLight, raiseEntry, withoutMacros } from './light'
import { raiseAction } from './onboard-terms'
import type { Action, Binding, Layer, Profile, SingleAction } from '../document/schema'
import type { ComputerSetUp } from '../computer/shortcuts'

/** The computer a new profile is for until its person says otherwise. */
const UNSAID: ComputerSetUp = { layout: 'us' }

/** What the factory calls the base layer. */
export const BASE = { name: 'Base', colour: 'indigo' } as const

/** A profile as the device comes from the factory, under a name. */
export function factoryProfile(model: DeviceModel, name: string, computer: ComputerSetUp = UNSAID): Profile {
  return {
    format: 'unisera-profile',
    version: 6,
    name,
    tags: [],
    rules: [],
    model: model.id,
    computer,
    hand: 'right',
    layers: [{ ...BASE, bindings: {} }, ...factoryLayers(model)],
    steps: (model.factory.steps ?? []).map(({ dpi, colour }) => ({ dpi, colour: toHex(colour) })),
    defaultStep: model.factory.defaultStep ?? 0,
    polling: Object.fromEntries(
      model.connections
        .filter(({ configurable }) => configurable)
        .map(({ id, factoryRateHz }) => [id, factoryRateHz]),
    ),
    settings: {},
    light: model.factory.light.flatMap((entry) => raiseEntry(entry, withoutMacros(model)) ?? []),
  }
}

/** Layers over the base that the device has from the factory. */
export const factoryLayers = rememberedFor((model: DeviceModel): readonly Layer[] =>
  (model.factory.layers ?? []).map(({ name, bindings }) => ({
    name,
    colour: 'sky' as const,
    bindings: Object.fromEntries(
      Object.entries(bindings).map(([input, action]) => [input, { action: raised(action) }]),
    ),
  })),
)

const raised = (action: DeviceInput['factory']): Action => raiseAction(action, UNSAID)

/** What an input does from the factory. */
export const factoryAction = rememberedFor((input: DeviceInput): Action => raised(input.factory))

/** What an input does on the base layer: its binding there, or what the factory set. */
export const actionOf = (layer: Pick<Layer, 'bindings'>, input: DeviceInput): Action =>
  layer.bindings[input.id]?.action ?? factoryAction(input)

/** The binding of an input on one layer itself; undefined where it is left to the layer below or the factory. */
export const bindingOn = (profile: Profile, layer: number, inputId: string): Binding | undefined =>
  profile.layers[layer]?.bindings[inputId]

/** What an input does while a layer is on over the base alone, and the layer that says so. */
export function effectiveBinding(
  profile: Profile,
  layer: number,
  input: DeviceInput,
): { action: Action; name?: string; from: number } {
  const own = bindingOn(profile, layer, input.id)
  if (own) return { action: own.action, ...(own.name && { name: own.name }), from: layer }
  return layer === 0 ? { action: factoryAction(input), from: 0 } : effectiveBinding(profile, 0, input)
}

/** True for an action that is the computer's left click, pressed once and held as long as the input is. */
export const isLeftClick = (action: Action): boolean =>
  action.kind === 'button' && action.button === 1 && action.clicks === 1

/** Inputs that give a left click on the base layer; a tap that is one cannot be held down for a drag. */
export const leftClicks = (model: DeviceModel, layer: Pick<Layer, 'bindings'>): DeviceInput[] =>
  model.inputs.filter((input) => {
    const action = actionOf(layer, input)
    return input.kind === 'press' && isLeftClick(action)
  })

/** True where an input does not do, on every layer, exactly what it does from the factory. */
export function differsFromFactory(profile: Profile, model: DeviceModel, inputId: string): boolean {
  const factory = [{ bindings: {} }, ...factoryLayers(model)]
  return profile.layers.some(
    ({ bindings }, layer) => !sameValue(bindings[inputId], bindingIn(factory[layer]?.bindings, inputId)),
  )
}

const bindingIn = (bindings: Record<string, Binding> | undefined, inputId: string): Binding | undefined =>
  bindings?.[inputId]

/** The single actions in an action: itself, or the two of a tap and hold. */
export const partsOf = (action: Action): Exclude<Action, { kind: 'tap-hold' }>[] =>
  action.kind === 'tap-hold' ? [action.tap, action.hold] : [action]

/**
 * Ids of the macros that are bound somewhere, each once, layer by layer in the order of the model's inputs; and behind
 * them those that an image had beside them.
 */
export const macrosUsed = (profile: Profile, model = modelById(profile.model)): string[] => [
  ...new Set([
    ...profile.layers.flatMap(({ bindings }) =>
      inOrder(bindings, model).flatMap(({ action }) => partsOf(action).flatMap(macrosOf)),
    ),
    ...macrosOfLight(profile.light),
    ...Object.keys(profile.later?.macros ?? {}),
  ]),
]

function inOrder(bindings: Layer['bindings'], model: DeviceModel | undefined): Binding[] {
  return model ? model.inputs.flatMap(({ id }) => bindings[id] ?? []) : Object.values(bindings)
}

/** Macros an action plays. */
export const macrosOf = (action: SingleAction): string[] =>
  Object.entries(singleParameters(action.kind)).flatMap(([name, { kind }]) => {
    const id: unknown = kind === 'macro' ? Reflect.get(action, name) : undefined
    return typeof id === 'string' ? [id] : []
  })

/** One binding of a profile, with where it stands. */
export interface PlacedBinding {
  layer: number
  input: DeviceInput
  binding: Binding
}

/** Every binding there is, the factory's on the base layer among them, layer by layer in the order of the inputs. */
export const placedBindings = (profile: Profile, model: DeviceModel): readonly PlacedBinding[] =>
  placedOn(profile)(model)

/** Asked by every check at every edit; a profile is never changed, so one answer for each will do. */
const placedOn = rememberedFor((profile: Profile) =>
  rememberedFor((model: DeviceModel): readonly PlacedBinding[] =>
    profile.layers.flatMap(({ bindings }, layer) =>
      model.inputs.flatMap((input) => {
        const binding = bindings[input.id] ?? (layer === 0 ? { action: factoryAction(input) } : undefined)
        return binding ? [{ layer, input, binding }] : []
      }),
    ),
  ),
)

/** Bindings of inputs the model does not have. */
export const strangeBindings = (profile: Profile, model: DeviceModel): { layer: number; inputId: string }[] =>
  profile.layers.flatMap(({ bindings }, layer) =>
    Object.keys(bindings)
      .filter((inputId) => !inputById(model, inputId))
      .map((inputId) => ({ layer, inputId })),
  )
