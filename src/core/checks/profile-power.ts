import type { Connection, DeviceModel } from '../device/model'
import { levelOf } from '../effects/fixed'
import { lightFigures, type LightFigures } from '../light/current'
import { estimatePower, PLAY, type PowerEstimate, type Usage } from '../motion/power'
import { rememberedFor } from '../base/remembered'
import { settingsInForce } from '../document/device-settings'
import { lowerShown, withoutMacros } from '../document/light'
import { restOf } from '../document/light-state'
import type { Profile } from '../document/schema'

/** What the lights of a profile draw with its default step in force and nothing pressed. */
export function profileLight(
  profile: Profile,
  model: DeviceModel,
  { connection }: { connection: Connection['id'] } = { connection: 'receiver' },
): LightFigures {
  const { lightCablePercent = 100, lightBatteryPercent = 100 } = settingsInForce(profile.settings, model)
  const level = levelOf(connection === 'cable' ? lightCablePercent : lightBatteryPercent)
  return figuresOf(profile.light, profile, model, level)
}

/** A profile is never changed: its figures are worked out once for each brightness. */
const known = rememberedFor((_: Profile) => new Map<string, LightFigures>())

function figuresOf(
  light: Profile['light'],
  profile: Profile,
  model: DeviceModel,
  level: number,
): LightFigures {
  const kept = known(profile)
  const key = `${model.id} ${level}`
  const found = kept.get(key)
  if (found) return found
  const figures = lightFigures(lowerShown(light, withoutMacros(model)), model, restOf(profile), level)
  kept.set(key, figures)
  return figures
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
  // The battery's brightness counts: an estimate is of what it gives.
  const lightMa = profileLight(profile, model).meanMa
  return estimatePower(model.electrical, battery, { rateHz, lightMa, sleepMinutes }, usage)
}
