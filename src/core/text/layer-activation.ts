import { inputById } from '../device/lookups'
import type { DeviceModel } from '../device/model'
import { keysOfLayer } from '../edits/layer-edits'
import type { Profile } from '../document/schema'

/** How a layer is activated, as text: `while Side, rear is held`. */
export function layerActivationText(profile: Profile, model: DeviceModel, index: number): string {
  if (index === 0) return 'always'
  const keys = keysOfLayer(profile, model, index)
  const names = (how: 'hold' | 'switch') =>
    keys.filter((key) => key.how === how).map(({ inputId }) => inputById(model, inputId)?.name ?? inputId)
  const [held, switched] = [names('hold'), names('switch')]
  const signal = profile.layers[index]?.signal
  const ways = [
    ...(held.length > 0 ? [`while ${held.join(' or ')} is held`] : []),
    ...(switched.length > 0 ? [`toggled by ${switched.join(' or ')}`] : []),
    ...(signal ? [`with signal ${signal} over the receiver`] : []),
  ]
  return ways.join(', ') || 'not activated by any input yet'
}
