import { itemAt } from '../base/items'
import { DARK, fromHex } from '../base/colour'
import type { DeviceModel } from '../device/model'
import type { ActiveLayer, LightState } from '../effects/effect'
import { levelOf } from '../effects/fixed'
import { STATE_AT_REST } from '../light/compose'
import { LAYER_LIGHTS } from '../onboard/layer-colours'
import { effectiveSettings } from '../document/device-settings'
import { LAYER_COLOURS, type Profile } from '../document/schema'

/**
 * The state of a device just after a profile's slot became active: its default step, the base layer, fully charged.
 *
 * @param step another active step, by its index
 */
export function stateAtRest(profile: Profile, step = profile.defaultStep): LightState {
  const colour = profile.steps[step]?.colour
  return { ...STATE_AT_REST, step: colour === undefined ? DARK : fromHex(colour) }
}

/** Brightness of all lights, 0 to 65,536: on battery, or on the cable if there is no battery. */
export function brightnessOf({ settings }: Profile, model: DeviceModel): number {
  const { lightBatteryPercent, lightCablePercent = 100 } = effectiveSettings(settings, model)
  return levelOf(lightBatteryPercent ?? lightCablePercent)
}

/** A layer of a profile for the lights. @param atMs time since it is active */
export function activeLayerOf(
  profile: Profile,
  model: DeviceModel,
  layer: number,
  atMs: number,
): ActiveLayer {
  const { bindings, colour } = itemAt(profile.layers, layer)
  return {
    layer,
    atMs,
    colour: LAYER_LIGHTS[LAYER_COLOURS.indexOf(colour)] ?? itemAt(LAYER_LIGHTS, 0),
    inputs: new Set(model.inputs.flatMap(({ id, number }) => (bindings[id] ? number : []))),
  }
}
