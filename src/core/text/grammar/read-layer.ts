import { factList, message } from '../../message/message'
import { itemAt } from '../../base/items'
import { layerNameSchema } from '../../document/schema'
import { MAX_UPPER_LAYERS } from '../../onboard/image'
import type { ActionContext } from '../context'
import { normalise } from '../normalise'
import type { Parsed } from './grammar'

/**
 * Parses `hold dive`, `hold layer Dive`, `switch layer 2`.
 *
 * @param raw as it was typed
 * @param text the same, normalised
 * @returns undefined if it is not about a layer; a name, if a layer could be added
 */
export function readLayer(raw: string, text: string, { layers }: ActionContext): Parsed | undefined {
  const match = /^(?:(hold|switch|toggle|lock)(?: to)?:? )?(layer )?(.+?)( layer)?$/.exec(text)
  if (!match) return undefined
  const [, verb, before, name = '', behind] = match
  const named = layers.findIndex((layer, index) => index > 0 && normalise(layer.name) === name)
  const exact = layers.findIndex((layer, index) => index > 0 && raw.endsWith(layer.name))
  const number = /^[1-7]$/.test(name) && (before || behind) && layers[Number(name)] ? Number(name) : -1
  const layer =
    exact > 0 && normalise(itemAt(layers, exact).name) === name ? exact : named > 0 ? named : number
  if (layer > 0 && (verb || before || behind))
    return {
      action: { kind: 'layer', layer, how: verb === undefined || verb === 'hold' ? 'hold' : 'switch' },
    }
  if (!before && !behind) return undefined
  const there = layers.slice(1).map((each) => each.name)
  // As typed, with capitals.
  const begin = raw.toLowerCase().lastIndexOf(name)
  const wanted = raw.slice(begin, begin + name.length)
  const possible = there.length < MAX_UPPER_LAYERS && begin >= 0 && layerNameSchema.isValidSync(wanted)
  const problem =
    there.length === 0
      ? message('parse.onlyBaseLayer', { layer: wanted })
      : message('parse.noLayer', { layer: wanted, layers: factList(there) })
  return { problem, ...(possible && { layer: wanted }) }
}
