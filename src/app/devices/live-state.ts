import { fromHex } from '../../core/base/colour'
import { stateAtRest } from '../../core/terms/light-state'
import { NO_BATTERY } from '../../core/link/packets'
import type { LightState } from '../../core/effects/effect'
import type { DeviceInfo } from '../../core/link/packets'
import type { Profile } from '../../core/document/schema'

/** The parts of a known device that its lights depend on. */
interface LitDevice {
  info?: Pick<DeviceInfo, 'activeSlot' | 'activeStep' | 'batteryPercent' | 'charging' | 'connection'>
  slots: readonly { profile?: Profile }[]
}

/** The state that the lights of a device can show, as reported by it: active step, charge, connection. */
export function liveState({ info, slots }: LitDevice): LightState | undefined {
  const profile = info && slots[info.activeSlot]?.profile
  if (!profile) return undefined
  const step = profile.steps[info.activeStep - 1]?.colour
  return {
    ...stateAtRest(profile),
    ...(step !== undefined && { step: fromHex(step) }),
    chargePercent: info.batteryPercent === NO_BATTERY ? 100 : info.batteryPercent,
    charging: info.charging,
    connection: info.connection + 1,
  }
}
