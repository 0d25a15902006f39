import { tableOf } from '../base/tables'
import type { BatteryData, Electrical } from '../device/model'

/** What decides how much current flows at a moment. */
export interface PowerState {
  /** Polls a second of the radio; 0 where none is in use. */
  rateHz: number
  /** Whether something moves or is pressed: the sensor looks at full rate and each poll is answered. */
  active: boolean
  asleep: boolean
  /** Current of all lights, mean over their effects. */
  lightMa: number
}

export type PowerPart = 'controller' | 'sensor' | 'radio' | 'light'
export const POWER_PARTS: readonly PowerPart[] = ['controller', 'sensor', 'radio', 'light']

/** Current of each part in mA. Asleep, all that is drawn counts as the controller's. */
export function drawMa(
  { controllerMa, sensorActiveMa, sensorRestMa }: Electrical,
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

/** How a device is used: what an estimate of hours is made for. */
export interface Usage {
  /** Share of the time in hand in which it moves or is pressed. */
  activeShare: number
  /** Hours a day in hand; the rest of the day it lies there. */
  hoursADay: number
}

export const PLAY: Usage = { activeShare: 0.6, hoursADay: 4 }

export interface PowerEstimate {
  /** Mean current of each part while it is in hand, in mA. */
  parts: Record<PowerPart, number>
  meanMa: number
  /** Hours in hand that a full battery lasts. */
  hoursInHand: number
  /** Days it lasts when it is used so many hours a day and sleeps in between. */
  days: number
}

/**
 * What a full battery gives. The mean current is that of moving and of resting, each by its share of the time;
 * a day also has the time until the device sleeps, once, and its sleep.
 */
export function estimatePower(
  electrical: Electrical,
  battery: BatteryData,
  setting: { rateHz: number; lightMa: number; sleepMinutes: number },
  { activeShare, hoursADay }: Usage = PLAY,
): PowerEstimate {
  const state = { rateHz: setting.rateHz, lightMa: setting.lightMa, asleep: false }
  const drawn = (active: boolean) => drawMa(electrical, battery, { ...state, active })
  const [moving, resting] = [drawn(true), drawn(false)]
  const mean = (part: PowerPart) => activeShare * moving[part] + (1 - activeShare) * resting[part]
  const parts = tableOf(POWER_PARTS, mean)
  const meanMa = totalMa(parts)
  const waiting = Math.min(24 - hoursADay, setting.sleepMinutes / 60)
  const dayMah =
    hoursADay * meanMa + waiting * totalMa(resting) + (24 - hoursADay - waiting) * battery.sleepMa
  return { parts, meanMa, hoursInHand: battery.capacityMah / meanMa, days: battery.capacityMah / dayMah }
}
