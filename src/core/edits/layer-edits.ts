import { baseLayer } from '../document/base-layer'
import { itemAt } from '../base/items'
import type { DeviceModel } from '../device/model'
import { MOST_SIGNAL, MOST_UPPER_LAYERS } from '../onboard/image'
import { checked } from './edits'
import { EditRefused } from '../wording/refused'
import { partsOf, placedBindings } from '../terms/profile'
import { rememberedFor } from '../base/remembered'
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

/** Edits of the layers themselves. Actions name layers by their place: where places change, they are rewritten. */

/**
 * Adds a layer over the others, in a colour that no other has.
 *
 * @throws EditRefused for a name that is empty, too long or taken, or when there are as many as can be
 */
export function addLayer(profile: Profile, name: string): Profile {
  if (profile.layers.length > MOST_UPPER_LAYERS)
    throw new EditRefused('most-layers', { most: MOST_UPPER_LAYERS })
  const taken = new Set(profile.layers.slice(1).map(({ colour }) => colour))
  const colour = LAYER_COLOURS.find((each) => !taken.has(each)) ?? LAYER_COLOURS[0]
  return { ...profile, layers: [...profile.layers, { name: freeName(profile, name), colour, bindings: {} }] }
}

/** @throws EditRefused for a name that is empty, too long or taken, or the base layer */
export const renameLayer = (profile: Profile, index: number, name: string): Profile =>
  withLayer(profile, index, (layer) => ({ ...layer, name: freeName(profile, name, index) }))

/** @throws EditRefused for the base layer, which is always on and has no colour of its own */
export const setLayerColour = (profile: Profile, index: number, colour: LayerColour): Profile =>
  withLayer(profile, index, (layer) => ({ ...layer, colour }))

/**
 * Devices on one receiver have the layers of one signal on together.
 *
 * @param signal 1 to 7, or undefined for a layer of this device alone
 * @throws EditRefused for a signal that is none, or one that another layer of the profile has
 */
export function setLayerSignal(profile: Profile, index: number, signal: number | undefined): Profile {
  if (signal !== undefined && (!Number.isInteger(signal) || signal < 1 || signal > MOST_SIGNAL))
    throw new EditRefused('signals', { most: MOST_SIGNAL })
  const other = profile.layers.find((layer, each) => each !== index && layer.signal === signal)
  if (signal !== undefined && other) throw new EditRefused('signal-taken', { layer: other.name, signal })
  return withLayer(profile, index, ({ signal: _, ...layer }) => ({ ...layer, ...(signal && { signal }) }))
}

/** Takes a layer away, and with it every binding that led to it. @throws EditRefused for the base layer */
export function removeLayer(profile: Profile, model: DeviceModel, index: number): Profile {
  layerAt(profile, index)
  const place = (layer: number) => (layer === index ? undefined : layer > index ? layer - 1 : layer)
  const layers = profile.layers.filter((_, each) => each !== index)
  return repointed(withFactoryKeys({ ...profile, layers }, model), place)
}

/** Moves a layer to another place; a later one lies over those before it. @throws EditRefused for the base layer */
export function moveLayer(profile: Profile, model: DeviceModel, from: number, to: number): Profile {
  layerAt(profile, from)
  const order = profile.layers.map((_, index) => index)
  order.splice(Math.max(1, Math.min(to, order.length - 1)), 0, ...order.splice(from, 1))
  const layers = order.map((index) => itemAt(profile.layers, index))
  return repointed(withFactoryKeys({ ...profile, layers }, model), (layer) => order.indexOf(layer))
}

/** With the layer keys of the factory written out as bindings, for they name layers by place as well. */
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

/** An input by which a layer is held or switched. */
export interface LayerKey {
  inputId: string
  /** The layer it is a key on, and the one it leads to. */
  layer: number
  to: number
  how: 'hold' | 'switch'
}

/** Inputs by which a layer is held or switched, on whatever layer they do. */
export const keysOfLayer = (profile: Profile, model: DeviceModel, index: number): LayerKey[] =>
  layerKeys(profile)(model).filter(({ to }) => to === index)

const layerKeys = rememberedFor((profile: Profile) =>
  rememberedFor((model: DeviceModel): LayerKey[] =>
    placedBindings(profile, model).flatMap(({ layer, input, binding }) =>
      partsOf(binding.action).flatMap((part) =>
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

/** The name, trimmed. @throws EditRefused when it cannot be one, or another layer has it */
function freeName(profile: Profile, typed: string, own?: number): string {
  const name = checked(layerNameSchema, typed.trim())
  if (!name) throw new EditRefused('layer-name')
  const same = profile.layers.some(
    (layer, index) => index !== own && layer.name.toLowerCase() === name.toLowerCase(),
  )
  if (same) throw new EditRefused('same-layer', { layer: name })
  return name
}

/** Layer actions lead to where their layer is now; one whose layer has gone takes its binding with it. */
function repointed(profile: Profile, place: (layer: number) => number | undefined): Profile {
  const single = (action: SingleAction): SingleAction | undefined => {
    if (action.kind !== 'layer') return action
    const layer = place(action.layer)
    return layer === undefined || layer < 1 ? undefined : { ...action, layer }
  }
  const moved = (action: Action): Action | undefined => {
    if (action.kind !== 'tap-hold') return single(action)
    const [tap, hold] = [single(action.tap), single(action.hold)]
    // An input that was a layer key when held keeps what it does when tapped.
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
