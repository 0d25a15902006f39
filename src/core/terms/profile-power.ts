import type { Connection, DeviceModel } from '../device/model'
import { lightFigures, type LightFigures } from '../light/current'
import { estimatePower, PLAY, type PowerEstimate, type Usage } from '../motion/power'
import { rememberedFor } from '../base/remembered'
import { settingsInForce } from '../document/device-settings'
import { lowerShown, withoutMacros } from './light'
import { brightnessOf, restOf } from './light-state'
import type { Profile } from '../document/schema'

/** What the lights of a profile draw with its default step in force and nothing pressed. */
export const profileLight = (profile: Profile, model: DeviceModel): LightFigures => figuresOf(profile)(model)

/** A profile is never changed: its figures are worked out once. */
const figuresOf = rememberedFor((profile: Profile) =>
  rememberedFor((model: DeviceModel) => {
    const stack = lowerShown(profile.light, withoutMacros(model))
    return lightFigures(stack, model, restOf(profile), brightnessOf(profile, model))
  }),
)

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
  const lightMa = profileLight(profile, model).meanMa
  return estimatePower(model.electrical, battery, { rateHz, lightMa, sleepMinutes }, usage)
}
