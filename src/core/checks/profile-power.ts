import type { Connection, DeviceModel } from '../device/model'
import { DARK, fromHex } from '../base/colour'
import { lightsMa } from '../light/current'
import { meanColour } from '../light/effects'
import { estimatePower, PLAY, type PowerEstimate, type Usage } from '../motion/power'
import { settingsInForce } from '../document/device-settings'
import { lowerEffect } from '../document/onboard-terms'
import type { Profile } from '../document/schema'

/** Current of the lights of a profile in mA, mean over their effects, with its default step in force. */
export function profileLightMa(profile: Profile, model: DeviceModel): number {
  const colour = profile.steps[profile.defaultStep]?.colour
  const step = colour === undefined ? DARK : fromHex(colour)
  const means = model.zones.map(({ id }) => {
    const effect = profile.light[id]
    return effect ? meanColour([lowerEffect(effect)], step) : DARK
  })
  return lightsMa(means, model.zones, model.electrical)
}

/** What a full battery gives with a profile over a connection; undefined for a device without one. */
export function profilePower(
  profile: Profile,
  model: DeviceModel,
  connection: Connection,
  {
    rateHz = profile.polling[connection.id] ?? connection.factoryRateHz,
    usage = PLAY,
  }: { rateHz?: number; usage?: Usage } = {},
): PowerEstimate | undefined {
  const { battery } = model.electrical
  if (!battery) return undefined
  const { sleepMinutes = battery.sleepMinutes } = settingsInForce(profile.settings, model)
  const lightMa = profileLightMa(profile, model)
  return estimatePower(model.electrical, battery, { rateHz, lightMa, sleepMinutes }, usage)
}
