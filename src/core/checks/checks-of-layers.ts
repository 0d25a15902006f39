import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { unbind } from '../edits/edits'
import { cell, cellOf, error, fix, named, warning, type Check, type Finding } from './finding'
import { keysOfLayer, removeLayer } from '../edits/layer-edits'
import { bindingOn, partsOf, placedBindings } from '../terms/profile'
import type { Profile } from '../document/schema'

/** Rules about layers: each can be reached, and left again. */

/** A layer is reached from the base layer by its keys, over other layers if need be, or by a shared signal. */
const unreachable: Check = (profile, model) => {
  const reached = reachableLayers(profile, model)
  return profile.layers.flatMap(({ name }, index) =>
    reached.has(index)
      ? []
      : [
          warning('unreachable-layer', { view: 'buttons', at: { layer: index } }, { layer: name }, [
            fix('remove-layer', undefined, (current) => removeLayer(current, model, index)),
          ]),
        ],
  )
}

/** Layers that can be on, the base layer among them. */
export function reachableLayers(profile: Profile, model: DeviceModel): Set<number> {
  const reached = new Set(
    profile.layers.flatMap(({ signal }, index) => (index === 0 || signal ? [index] : [])),
  )
  for (let before = -1; before !== reached.size;) {
    before = reached.size
    profile.layers.forEach((_, index) => {
      if (keysOfLayer(profile, model, index).some(({ layer }) => reached.has(layer))) reached.add(index)
    })
  }
  return reached
}

const strangeLayer: Check = (profile, model) =>
  placedBindings(profile, model).flatMap((where) =>
    partsOf(where.binding.action).flatMap((action): Finding[] =>
      action.kind === 'layer' && !profile.layers[action.layer]
        ? [
            error('layer', cellOf(where), { where: named(profile, where), layer: action.layer }, [
              fix('clear', undefined, (current) => unbind(current, model, where.layer, where.input.id)),
            ]),
          ]
        : [],
    ),
  )

/** The key of a layer is still down while its layer is on, and the switch of a layer is what turns it off. */
const lostKey: Check = (profile, model) =>
  profile.layers.flatMap(({ name }, index) =>
    keysOfLayer(profile, model, index).flatMap(({ inputId, layer, how }): Finding[] => {
      const input = inputById(model, inputId)
      const own = layer === index ? undefined : bindingOn(profile, index, inputId)
      if (!input || !own) return []
      const leadsBack = partsOf(own.action).some((part) => part.kind === 'layer' && part.layer === index)
      const facts = { input: input.name, layer: name }
      const fixes = [fix('leave-alone', { layer: name }, (current) => unbind(current, model, index, inputId))]
      if (how === 'hold') return [warning('layer-key-held', cell(index, inputId), facts, fixes)]
      const others = keysOfLayer(profile, model, index).some(
        (key) => key.inputId !== inputId && key.how === 'switch',
      )
      if (leadsBack || others) return []
      return [warning('layer-key-switch', cell(index, inputId), facts, fixes)]
    }),
  )

/** Over a single device, a signal that no other has is still heard by nobody; said once, as a hint. */
const sharedName = (profile: Profile, model: DeviceModel): Finding[] =>
  profile.layers.flatMap(({ signal, name }, index) =>
    signal && !model.connections.some(({ id }) => id === 'receiver')
      ? [
          warning(
            'signal',
            { view: 'buttons', at: { layer: index } },
            { layer: name, signal, model: model.name },
          ),
        ]
      : [],
  )

export const CHECKS_OF_LAYERS: readonly Check[] = [strangeLayer, unreachable, lostKey, sharedName]
