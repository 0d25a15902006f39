import type { DeviceInput, DeviceModel } from '../device/model'
import { toHex } from '../light/colour'
import { raiseAction, raiseEffect } from './onboard-terms'
import type { Action, Layer, Profile } from './schema'

/** A profile as the device comes from the factory, under a name. */
export function factoryProfile(model: DeviceModel, name: string): Profile {
  return {
    format: 'unisera-profile',
    version: 1,
    name,
    model: model.id,
    layers: [{ bindings: {} }],
    steps: model.factory.steps.map(({ dpi, colour }) => ({ dpi, colour: toHex(colour) })),
    defaultStep: model.factory.defaultStep,
    polling: Object.fromEntries(
      model.connections
        .filter(({ configurable }) => configurable)
        .map(({ id, factoryRateHz }) => [id, factoryRateHz]),
    ),
    light: Object.fromEntries(model.zones.map((zone) => [zone.id, raiseEffect(zone.factory)])),
  }
}

/** What an input does from the factory. */
export const factoryAction = (input: DeviceInput): Action => raiseAction(input.factory) ?? { kind: 'off' }

/** What an input does in a layer: its binding there, or what the factory set. */
export const actionOf = (layer: Layer, input: DeviceInput): Action =>
  layer.bindings[input.id]?.action ?? factoryAction(input)

/** True for an action that is the computer's left click, pressed once and held as long as the input is. */
export const isLeftClick = (action: Action): boolean =>
  action.kind === 'button' && action.button === 1 && action.clicks === 1

/** Inputs that give a left click on a layer. */
export const leftClicks = (model: DeviceModel, layer: Layer): DeviceInput[] =>
  model.inputs.filter((input) => input.kind === 'press' && isLeftClick(actionOf(layer, input)))
