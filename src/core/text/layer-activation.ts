import { factList, message, type MessageFact } from '../message/message'
import { inputById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { keysOfLayer } from '../edits/layer-edits'
import type { Profile } from '../document/schema'

/** How a layer is activated: `while Side, rear is held`. */
export function layerActivation(profile: Profile, model: DeviceModel, index: number): MessageFact {
  if (index === 0) return message('actions.always')
  const keys = keysOfLayer(profile, model, index)
  const names = (how: 'hold' | 'switch') =>
    keys.filter((key) => key.how === how).map(({ inputId }) => inputById(model, inputId)?.name ?? inputId)
  const [held, switched] = [names('hold'), names('switch')]
  const signal = profile.layers[index]?.signal
  const ways = [
    ...(held.length > 0 ? [message('actions.whileInputHeld', { inputs: factList(held, 'or') })] : []),
    ...(switched.length > 0 ? [message('actions.toggledBy', { inputs: factList(switched, 'or') })] : []),
    ...(signal ? [message('actions.withSignal', { signal })] : []),
  ]
  return ways.length > 0 ? factList(ways, 'comma') : message('actions.notActivated')
}
