import type { DeviceModel } from '../device/model'
import { inputById } from '../device/lookups'
import { unbind } from '../edits/edits'
import {
  cellPlace,
  bindingPlace,
  errorFinding,
  createFix,
  nameInput,
  warningFinding,
  type Check,
  type Finding,
} from './finding'
import { keysOfLayer, removeLayer } from '../edits/layer-edits'
import { bindingOn, singleActions, placedBindings } from '../terms/profile'
import type { Profile } from '../document/schema'

/** Rules for layers: each can be activated, and left again. */

/** A layer is activated from the base layer by its keys, through other layers if needed, or by a shared signal. */
const unreachable: Check = (profile, model) => {
  const reached = reachableLayers(profile, model)
  return profile.layers.flatMap(({ name }, index) =>
    reached.has(index)
      ? []
      : [
          warningFinding('unreachable-layer', { view: 'buttons', at: { layer: index } }, { layer: name }, [
            createFix('remove-layer', undefined, (current) => removeLayer(current, model, index)),
          ]),
        ],
  )
}

/** Layers that can be active, including the base layer. */
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
    singleActions(where.binding.action).flatMap((action): Finding[] =>
      action.kind === 'layer' && !profile.layers[action.layer]
        ? [
            errorFinding(
              'layer',
              bindingPlace(where),
              { where: nameInput(profile, where), layer: action.layer },
              [
                createFix('clear', undefined, (current) =>
                  unbind(current, model, where.layer, where.input.id),
                ),
              ],
            ),
          ]
        : [],
    ),
  )

/** The key of a layer is still held while its layer is active, and a toggle is also what deactivates its layer. */
const lostKey: Check = (profile, model) =>
  profile.layers.flatMap(({ name }, index) =>
    keysOfLayer(profile, model, index).flatMap(({ inputId, layer, how }): Finding[] => {
      const input = inputById(model, inputId)
      const own = layer === index ? undefined : bindingOn(profile, index, inputId)
      if (!input || !own) return []
      const leadsBack = singleActions(own.action).some(
        (part) => part.kind === 'layer' && part.layer === index,
      )
      const facts = { input: input.name, layer: name }
      const fixes = [
        createFix('leave-alone', { layer: name }, (current) => unbind(current, model, index, inputId)),
      ]
      if (how === 'hold') return [warningFinding('layer-key-held', cellPlace(index, inputId), facts, fixes)]
      const others = keysOfLayer(profile, model, index).some(
        (key) => key.inputId !== inputId && key.how === 'switch',
      )
      if (leadsBack || others) return []
      return [warningFinding('layer-key-switch', cellPlace(index, inputId), facts, fixes)]
    }),
  )

/** With a single device, no other device receives the signal; reported once, as a hint. */
const sharedName = (profile: Profile, model: DeviceModel): Finding[] =>
  profile.layers.flatMap(({ signal, name }, index) =>
    signal && !model.connections.some(({ id }) => id === 'receiver')
      ? [
          warningFinding(
            'signal',
            { view: 'buttons', at: { layer: index } },
            { layer: name, signal, model: model.name },
          ),
        ]
      : [],
  )

export const LAYER_CHECKS: readonly Check[] = [strangeLayer, unreachable, lostKey, sharedName]
