import type { DeviceInput, DeviceModel } from '../device/model'
import { singleParameters } from '../document/action-schema'
import { inputById } from '../device/lookups'
import { modelById } from '../device/models'
import { toHex } from '../base/colour'
import { deepEqual } from '../base/deep-equal'
import { memoizeByObject } from '../base/memoize'
import { macrosOfLight, raiseEntry, withoutMacros } from './light'
import { plainAction } from './commands'
import { raiseAction } from './onboard-terms'
import type { Action, Binding, Layer, Profile, SingleAction } from '../document/schema'
import type { TargetComputer } from '../computer/shortcuts'

/** The default computer of a new profile. */
const UNSAID: TargetComputer = { layout: 'us' }

/** The name and colour of the base layer in factory settings. */
export const BASE_LAYER = { name: 'Base', colour: 'indigo' } as const

/** A named profile with factory settings. */
export function factoryProfile(model: DeviceModel, name: string, computer: TargetComputer = UNSAID): Profile {
  return {
    format: 'unisera-profile',
    version: 7,
    name,
    tags: [],
    rules: [],
    model: model.id,
    computer,
    hand: 'right',
    layers: [{ ...BASE_LAYER, bindings: {} }, ...factoryLayers(model)],
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

/** Factory layers above the base. */
export const factoryLayers = memoizeByObject((model: DeviceModel): readonly Layer[] =>
  (model.factory.layers ?? []).map(({ name, bindings }) => ({
    name,
    colour: 'sky' as const,
    bindings: Object.fromEntries(
      Object.entries(bindings).map(([input, action]) => [input, { action: raised(action) }]),
    ),
  })),
)

const raised = (action: DeviceInput['factory']): Action => raiseAction(action, UNSAID)

/** The factory action of an input. */
export const factoryAction = memoizeByObject((input: DeviceInput): Action => raised(input.factory))

/** The action of an input on the base layer: its binding, or the factory action. */
export const actionOf = (layer: Pick<Layer, 'bindings'>, input: DeviceInput): Action =>
  layer.bindings[input.id]?.action ?? factoryAction(input)

/** The own binding of an input on one layer; undefined if it is inherited. */
export const bindingOn = (profile: Profile, layer: number, inputId: string): Binding | undefined =>
  profile.layers[layer]?.bindings[inputId]

/** The action of an input while a layer is active directly above the base, and the layer it comes from. */
export function effectiveBinding(
  profile: Profile,
  layer: number,
  input: DeviceInput,
): { action: Action; name?: string; from: number } {
  const own = bindingOn(profile, layer, input.id)
  if (own) return { action: own.action, ...(own.name && { name: own.name }), from: layer }
  return layer === 0 ? { action: factoryAction(input), from: 0 } : effectiveBinding(profile, 0, input)
}

/** Whether an action is the computer's left click, pressed once and held as long as the input. */
export function isLeftClick(action: Action): boolean {
  const plain = plainAction(action)
  return plain.kind === 'button' && plain.button === 1 && plain.clicks === 1
}

/** Inputs with a left click on the base layer; one as a tap action cannot be held to drag. */
export const leftClicks = (model: DeviceModel, layer: Pick<Layer, 'bindings'>): DeviceInput[] =>
  model.inputs.filter((input) => {
    const action = actionOf(layer, input)
    return input.kind === 'press' && isLeftClick(action)
  })

/** Whether an input differs from factory settings on any layer. */
export function differsFromFactory(profile: Profile, model: DeviceModel, inputId: string): boolean {
  const factory = [{ bindings: {} }, ...factoryLayers(model)]
  return profile.layers.some(
    ({ bindings }, layer) => !deepEqual(bindings[inputId], bindingIn(factory[layer]?.bindings, inputId)),
  )
}

const bindingIn = (bindings: Record<string, Binding> | undefined, inputId: string): Binding | undefined =>
  bindings?.[inputId]

/** A single action in an action: all of it, or its tap or its hold. */
export interface ActionPart {
  part: 'whole' | 'tap' | 'hold'
  single: SingleAction
}

export const actionParts = (action: Action): ActionPart[] =>
  action.kind === 'tap-hold'
    ? [
        { part: 'tap', single: action.tap },
        { part: 'hold', single: action.hold },
      ]
    : [{ part: 'whole', single: action }]

/** The single actions in an action: itself, or the two of tap and hold. */
export const singleActions = (action: Action): SingleAction[] =>
  actionParts(action).map(({ single }) => single)

/**
 * Ids of the bound macros, each once, layer by layer in the order of the model's inputs, followed by those that an
 * image had in addition.
 */
export const macrosUsed = (profile: Profile, model = modelById(profile.model)): string[] => [
  ...new Set([
    ...profile.layers.flatMap(({ bindings }) =>
      inOrder(bindings, model).flatMap(({ action }) => singleActions(action).flatMap(macrosOf)),
    ),
    ...macrosOfLight(profile.light),
    ...Object.keys(profile.later?.macros ?? {}),
  ]),
]

function inOrder(bindings: Layer['bindings'], model: DeviceModel | undefined): Binding[] {
  return model ? model.inputs.flatMap(({ id }) => bindings[id] ?? []) : Object.values(bindings)
}

/** Macros that an action plays. */
export const macrosOf = (action: SingleAction): string[] =>
  Object.entries(singleParameters(action.kind)).flatMap(([name, { kind }]) => {
    const id: unknown = kind === 'macro' ? Reflect.get(action, name) : undefined
    return typeof id === 'string' ? [id] : []
  })

/** One binding of a profile, with its place. */
export interface PlacedBinding {
  layer: number
  input: DeviceInput
  binding: Binding
}

/** All bindings, including the factory's on the base layer, layer by layer in the order of the inputs. */
export const placedBindings = (profile: Profile, model: DeviceModel): readonly PlacedBinding[] =>
  placedOn(profile)(model)

/** Every check reads it at every edit. Profiles are immutable, so it is computed once. */
const placedOn = memoizeByObject((profile: Profile) =>
  memoizeByObject((model: DeviceModel): readonly PlacedBinding[] =>
    profile.layers.flatMap(({ bindings }, layer) =>
      model.inputs.flatMap((input) => {
        const binding = bindings[input.id] ?? (layer === 0 ? { action: factoryAction(input) } : undefined)
        return binding ? [{ layer, input, binding }] : []
      }),
    ),
  ),
)

/** Bindings of inputs that the model does not have. */
export const unknownInputBindings = (
  profile: Profile,
  model: DeviceModel,
): { layer: number; inputId: string }[] =>
  profile.layers.flatMap(({ bindings }, layer) =>
    Object.keys(bindings)
      .filter((inputId) => !inputById(model, inputId))
      .map((inputId) => ({ layer, inputId })),
  )
