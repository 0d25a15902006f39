import { reportText } from '../messages/english.test-support'
import type { DeviceModel } from '../core/device/model'
import { contextOf } from '../core/text/context'
import { parseCell } from '../core/text/cell-text'
import { bindAll } from '../core/edits/edits'
import { addLayer } from '../core/edits/layer-edits'
import { factoryProfile } from '../core/terms/profile'
import type { Profile } from '../core/document/schema'
import { deviceWith } from './device.test-support'

/** A profile from typed cells: `input layer: text`. */
export function sheet(
  model: DeviceModel,
  layers: string[],
  ...cells: [input: string, layer: number, text: string][]
): Profile {
  const blank: Profile = { ...factoryProfile(model, 'Sheet', { system: 'windows', layout: 'us' }) }
  const profile = layers.reduce(addLayer, { ...blank, layers: blank.layers.slice(0, 1) })
  const context = contextOf(profile, model)
  return bindAll(
    profile,
    model,
    cells.map(([input, layer, text]) => {
      const parsed = parseCell(text, context)
      if (!('action' in parsed)) throw new Error(JSON.stringify(parsed))
      return { input, layer, put: parsed.action }
    }),
  )
}

/** A device pressed and released at given times, and the received events with their times, in µs after the first. */
export async function timed(
  profile: Profile,
  steps: [atMs: number, verb: 'press' | 'release' | 'turn', input: string][],
) {
  const device = await deviceWith(profile)
  const startUs = Math.ceil(device.clock.nowUs / 1e6) * 1e6
  for (const [atMs, verb, input] of steps) {
    device.clock.runUntil(startUs + atMs * 1000)
    if (verb === 'turn') device.device.turn(input, 1)
    else device.device[verb](input)
  }
  device.clock.runUntil(startUs + 5e6)
  return device.heard().map(({ atUs, event }) => `${atUs - startUs} ${reportText(event)}`)
}
