import type { DeviceModel } from '../device/model'
import { STEP_COLOURS } from '../light/step-colours'
import { planStarter, type Starter } from '../motion/starters'
import { settingProblems } from '../document/device-settings'
import { setPolling, setSettings, setStepsDpi } from './motion-edits'
import type { Profile } from '../document/schema'

/**
 * Applies the steps, rates and device settings of a starter, as far as the device supports them. @throws EditRefused
 */
export function applyStarter(profile: Profile, model: DeviceModel, starter: Starter): Profile {
  const { dpis, rates } = planStarter(starter, model)
  const stepped = model.sensor ? setStepsDpi(profile, model, dpis, STEP_COLOURS) : profile
  const polled = Object.entries(rates).reduce(
    (next, [id, rateHz]) => setPolling(next, model, id, rateHz),
    stepped,
  )
  const known = Object.entries(starter.settings).filter(
    ([key, value]) => settingProblems({ [key]: value }, model).length === 0,
  )
  return setSettings(polled, model, Object.fromEntries(known))
}
