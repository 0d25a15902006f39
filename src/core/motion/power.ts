import { recordFromKeys } from '../base/tables'
import type { BatteryData, ElectricalData } from '../device/model'

/** State that determines the current at a moment. */
export interface PowerState {
  /** Polls per second of the radio; 0 if none is in use. */
  rateHz: number
  /** Whether something moves or is pressed: the sensor works at its full rate and each poll is answered. */
  active: boolean
  asleep: boolean
  /** Current of all lights, averaged over their effects. */
  lightMa: number
}

export type PowerPart = 'controller' | 'sensor' | 'radio' | 'light'
export const POWER_PARTS: readonly PowerPart[] = ['controller', 'sensor', 'radio', 'light']

/** Current of each part in mA. During sleep, all current counts as the controller's. */
export function currentMa(
  { controllerMa, sensorActiveMa, sensorRestMa }: ElectricalData,
  battery: BatteryData,
  { rateHz, active, asleep, lightMa }: PowerState,
): Record<PowerPart, number> {
  if (asleep) return { controller: battery.sleepMa, sensor: 0, radio: 0, light: 0 }
  const answered = (battery.reportMicroampereSeconds * rateHz) / 1000
  return {
    controller: controllerMa,
    sensor: active ? sensorActiveMa : sensorRestMa,
    radio: rateHz === 0 ? 0 : active ? answered : battery.radioRestMa,
    light: lightMa,
  }
}

export const totalMa = (parts: Record<PowerPart, number>): number =>
  POWER_PARTS.reduce((sum, part) => sum + parts[part], 0)

/** Usage pattern for an estimate of battery life. */
export interface Usage {
  /** Share of its use in which it moves or is pressed. */
  activeShare: number
  /** Hours of use per day; it is idle for the rest of the day. */
  hoursADay: number
}

export const PLAY_USAGE: Usage = { activeShare: 0.6, hoursADay: 4 }

export interface PowerEstimate {
  /** Mean current of each part during use, in mA. */
  parts: Record<PowerPart, number>
  meanMa: number
  /** Hours of use with a full battery. */
  hoursInHand: number
  /** Days with a full battery, at so many hours of use per day with sleep in between. */
  days: number
}

/**
 * Battery life with a full battery. The mean current combines moving and idle, weighted by their shares; a day also has
 * the time until sleep, once, and the sleep.
 */
export function estimatePower(
  electrical: ElectricalData,
  battery: BatteryData,
  setting: { rateHz: number; lightMa: number; sleepMinutes: number },
  { activeShare, hoursADay }: Usage = PLAY_USAGE,
): PowerEstimate {
  const state = { rateHz: setting.rateHz, lightMa: setting.lightMa, asleep: false }
  const drawn = (active: boolean) => currentMa(electrical, battery, { ...state, active })
  const [moving, resting] = [drawn(true), drawn(false)]
  const mean = (part: PowerPart) => activeShare * moving[part] + (1 - activeShare) * resting[part]
  const parts = recordFromKeys(POWER_PARTS, mean)
  const meanMa = totalMa(parts)
  const waiting = Math.min(24 - hoursADay, setting.sleepMinutes / 60)
  const dayMah =
    hoursADay * meanMa + waiting * totalMa(resting) + (24 - hoursADay - waiting) * battery.sleepMa
  return { parts, meanMa, hoursInHand: battery.capacityMah / meanMa, days: battery.capacityMah / dayMah }
}
