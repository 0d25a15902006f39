import { clamp } from '../base/numbers'
import { baseLayer } from '../document/base-layer'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { MAX_SIGNAL, MAX_UPPER_LAYERS } from '../onboard/image'
import { validateEdit } from './edits'
import { EditRefused } from '../wording/edit-refused'
import { singleActions, placedBindings } from '../terms/profile'
import { memoizeByObject } from '../base/memoize'
import {
  LAYER_COLOURS,
  layerNameSchema,
  type Action,
  type Binding,
  type Layer,
  type LayerColour,
  type Profile,
  type SingleAction,
} from '../document/schema'

/** Edits of the layers themselves. Actions refer to layers by index, so they are updated when layers move. */

/**
 * Adds a layer above the others, in an unused colour.
 *
 * @throws EditRefused for an empty, too long or existing name, or too many layers
 */
export function addLayer(profile: Profile, name: string): Profile {
  if (profile.layers.length > MAX_UPPER_LAYERS)
    throw new EditRefused('most-layers', { max: MAX_UPPER_LAYERS })
  const taken = new Set(profile.layers.slice(1).map(({ colour }) => colour))
  const colour = LAYER_COLOURS.find((each) => !taken.has(each)) ?? LAYER_COLOURS[0]
  return { ...profile, layers: [...profile.layers, { name: freeName(profile, name), colour, bindings: {} }] }
}

/** @throws EditRefused for an empty, too long or existing name, or the base layer */
export const renameLayer = (profile: Profile, index: number, name: string): Profile =>
  withLayer(profile, index, (layer) => ({ ...layer, name: freeName(profile, name, index) }))

/** @throws EditRefused for the base layer, which is always active and has no colour */
export const setLayerColour = (profile: Profile, index: number, colour: LayerColour): Profile =>
  withLayer(profile, index, (layer) => ({ ...layer, colour }))

/**
 * Shares a layer with other devices on one receiver that have the same signal.
 *
 * @param signal 1 to 7, or undefined for a layer of this device only
 * @throws EditRefused for an invalid signal, or one used by another layer of the profile
 */
export function setLayerSignal(profile: Profile, index: number, signal: number | undefined): Profile {
  if (signal !== undefined && (!Number.isInteger(signal) || signal < 1 || signal > MAX_SIGNAL))
    throw new EditRefused('signals', { max: MAX_SIGNAL })
  const other = profile.layers.find((layer, each) => each !== index && layer.signal === signal)
  if (signal !== undefined && other) throw new EditRefused('signal-taken', { layer: other.name, signal })
  return withLayer(profile, index, ({ signal: _, ...layer }) => ({ ...layer, ...(signal && { signal }) }))
}

/** Removes a layer and all bindings that activate it. @throws EditRefused for the base layer */
export function removeLayer(profile: Profile, model: DeviceModel, index: number): Profile {
  layerAt(profile, index)
  const place = (layer: number) => (layer === index ? undefined : layer > index ? layer - 1 : layer)
  const layers = profile.layers.filter((_, each) => each !== index)
  return repointed(withFactoryKeys({ ...profile, layers }, model), place)
}

/** Moves a layer to another index; later layers are above earlier ones. @throws EditRefused for the base layer */
export function moveLayer(profile: Profile, model: DeviceModel, from: number, to: number): Profile {
  layerAt(profile, from)
  const order = profile.layers.map((_, index) => index)
  order.splice(clamp(to, 1, order.length - 1), 0, ...order.splice(from, 1))
  const layers = order.map((index) => itemAt(profile.layers, index))
  return repointed(withFactoryKeys({ ...profile, layers }, model), (layer) => order.indexOf(layer))
}

/** Writes out the layer keys of the factory as bindings, because they also refer to layers by index. */
function withFactoryKeys(profile: Profile, model: DeviceModel): Profile {
  const base = baseLayer(profile)
  const keys = model.inputs.flatMap(({ id, factory }) =>
    factory.kind === 'layer' && !base.bindings[id] ? [[id, { action: factory }] as const] : [],
  )
  return {
    ...profile,
    layers: [
      { ...base, bindings: { ...base.bindings, ...Object.fromEntries(keys) } },
      ...profile.layers.slice(1),
    ],
  }
}

/** An input that holds or toggles a layer. */
export interface LayerKey {
  inputId: string
  /** The layer on which it is a key, and the layer it activates. */
  layer: number
  to: number
  how: 'hold' | 'switch'
}

/** Inputs that hold or toggle a layer, on any layer. */
export const keysOfLayer = (profile: Profile, model: DeviceModel, index: number): LayerKey[] =>
  layerKeys(profile)(model).filter(({ to }) => to === index)

const layerKeys = memoizeByObject((profile: Profile) =>
  memoizeByObject((model: DeviceModel): LayerKey[] =>
    placedBindings(profile, model).flatMap(({ layer, input, binding }) =>
      singleActions(binding.action).flatMap((part) =>
        part.kind === 'layer' ? [{ inputId: input.id, layer, to: part.layer, how: part.how }] : [],
      ),
    ),
  ),
)

function layerAt(profile: Profile, index: number): Layer {
  const layer = profile.layers[index]
  if (index < 1 || !layer) throw new EditRefused('base-layer')
  return layer
}

function withLayer(profile: Profile, index: number, change: (layer: Layer) => Layer): Profile {
  const changed = change(layerAt(profile, index))
  return { ...profile, layers: profile.layers.map((layer, each) => (each === index ? changed : layer)) }
}

/** The trimmed name. @throws EditRefused if it is invalid, or used by another layer */
function freeName(profile: Profile, typed: string, own?: number): string {
  const name = validateEdit(layerNameSchema, typed.trim())
  if (!name) throw new EditRefused('layer-name')
  const same = profile.layers.some(
    (layer, index) => index !== own && layer.name.toLowerCase() === name.toLowerCase(),
  )
  if (same) throw new EditRefused('same-layer', { layer: name })
  return name
}

/** Updates layer actions to the new index of their layer; bindings to a removed layer are removed. */
function repointed(profile: Profile, place: (layer: number) => number | undefined): Profile {
  const single = (action: SingleAction): SingleAction | undefined => {
    if (action.kind !== 'layer') return action
    const layer = place(action.layer)
    return layer === undefined || layer < 1 ? undefined : { ...action, layer }
  }
  const moved = (action: Action): Action | undefined => {
    if (action.kind !== 'tap-hold') return single(action)
    const [tap, hold] = [single(action.tap), single(action.hold)]
    // An input that held a layer keeps its tap action.
    return tap && hold ? { ...action, tap, hold } : (tap ?? hold)
  }
  const bindings = (of: Record<string, Binding>, base: boolean) =>
    Object.fromEntries(
      Object.entries(of).flatMap(([id, binding]): [string, Binding][] => {
        const action = moved(binding.action) ?? (base ? ({ kind: 'off' } as const) : undefined)
        return action ? [[id, { ...binding, action }]] : []
      }),
    )
  return {
    ...profile,
    layers: profile.layers.map((layer, index) => ({
      ...layer,
      bindings: bindings(layer.bindings, index === 0),
    })),
  }
}
