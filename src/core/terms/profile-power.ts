import type { Connection, DeviceModel } from '../device/model'
import { lightFigures, type LightFigures } from '../light/current'
import { estimatePower, PLAY_USAGE, type PowerEstimate, type Usage } from '../motion/power'
import { memoizeByObject } from '../base/memoize'
import { effectiveSettings } from '../document/device-settings'
import { lowerShownLight, withoutMacros } from './light'
import { brightnessOf, stateAtRest } from './light-state'
import type { Profile } from '../document/schema'

/** Current of a profile's lights with its default step active and nothing pressed. */
export const profileLight = (profile: Profile, model: DeviceModel): LightFigures => figuresOf(profile)(model)

/** Profiles are immutable, so figures are computed once. */
const figuresOf = memoizeByObject((profile: Profile) =>
  memoizeByObject((model: DeviceModel) => {
    const stack = lowerShownLight(profile.light, withoutMacros(model))
    return lightFigures(stack, model, stateAtRest(profile), brightnessOf(profile, model))
  }),
)

/** Battery life of a full battery with a profile over a connection; undefined for a device without a battery. */
export function profilePower(
  profile: Profile,
  model: DeviceModel,
  connection: Connection,
  {
    rateHz = profile.polling[connection.id] ?? connection.factoryRateHz,
    usage = PLAY_USAGE,
  }: { rateHz?: number; usage?: Usage } = {},
): PowerEstimate | undefined {
  const { battery } = model.electrical
  if (!battery) return undefined
  const { sleepMinutes = battery.sleepMinutes } = effectiveSettings(profile.settings, model)
  const lightMa = profileLight(profile, model).meanMa
  return estimatePower(model.electrical, battery, { rateHz, lightMa, sleepMinutes }, usage)
}
