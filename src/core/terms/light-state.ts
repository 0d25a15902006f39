import { itemAt } from '../base/items'
import { DARK, fromHex } from '../base/colour'
import type { DeviceModel } from '../device/model'
import type { LayerOn, LightState } from '../effects/effect'
import { levelOf } from '../effects/fixed'
import { AT_REST } from '../light/compose'
import { LAYER_LIGHTS } from '../onboard/layer-colours'
import { settingsInForce } from '../document/device-settings'
import { LAYER_COLOURS, type Profile } from '../document/schema'

/**
 * The state a device is in when a profile's slot has just come on: its default step, the base layer, all charged.
 *
 * @param step another in force, by its place from 0
 */
export function restOf(profile: Profile, step = profile.defaultStep): LightState {
  const colour = profile.steps[step]?.colour
  return { ...AT_REST, step: colour === undefined ? DARK : fromHex(colour) }
}

/** Brightness of all lights, 0 to 65,536: from the battery, or on the cable where there is none. */
export function brightnessOf({ settings }: Profile, model: DeviceModel): number {
  const { lightBatteryPercent, lightCablePercent = 100 } = settingsInForce(settings, model)
  return levelOf(lightBatteryPercent ?? lightCablePercent)
}

/** A layer of a profile as the lights see it. @param atMs since when it is on */
export function layerOn(profile: Profile, model: DeviceModel, layer: number, atMs: number): LayerOn {
  const { bindings, colour } = itemAt(profile.layers, layer)
  return {
    layer,
    atMs,
    colour: LAYER_LIGHTS[LAYER_COLOURS.indexOf(colour)] ?? itemAt(LAYER_LIGHTS, 0),
    inputs: new Set(model.inputs.flatMap(({ id, number }) => (bindings[id] ? number : []))),
  }
}
