/** One hour in which a device had power, as its battery gauge noted it. */
export interface GaugeHour {
  /** Charge when it ended, 0 to 100. */
  percent: number
  /** Seconds of it that the device ran from its battery: 0 to 3600. */
  batterySeconds: number
  /** What it took out of the battery in those, in µAh. */
  takenUah: number
}

/** What a battery gauge counts from the day the battery was put in. */
export interface GaugeTotals {
  capacityMah: number
  /** All that was ever taken out and filled in, in mAh. */
  takenMah: number
  filledMah: number
  /** The hour that is not over: seconds gone, and what was taken so far. */
  present: { seconds: number } & Omit<GaugeHour, 'percent'>
  /** Hours that are kept. */
  hours: number
}

/** The life of a battery as its device tells it, the last hour first. */
export interface BatteryLife extends Omit<GaugeTotals, 'hours'> {
  hours: readonly GaugeHour[]
}

/** A week of hours in which the device had power. */
export const MOST_GAUGE_HOURS = 168

/** Hours on battery that count as the present use. */
const PRESENT_HOURS = 24
/** Less time on battery than this says nothing of how a device is used. */
const LEAST_SECONDS = 300

export interface LifeEstimate {
  /** Fills from empty that what was filled in makes up. */
  cycles: number
  /** Mean current over the last 24 hours on battery, in mA; undefined before the device ran from it for five minutes. */
  meanMa?: number
  /** Hours on battery that mean is of. */
  ofHours?: number
  /** Hours until the charge is gone at that current, with the device left on. */
  hoursLeft?: number
}

/**
 * How long a battery lasts at its present use, by what was really taken out of it: charge ÷ mean current of the last 24
 * hours in which it ran from its battery, sleep among them, the hour that is not over counted as far as it went.
 *
 * @param percent charge now, 0 to 100
 */
export function lifeEstimate(
  { capacityMah, filledMah, present, hours }: BatteryLife,
  percent: number,
): LifeEstimate {
  const cycles = filledMah / capacityMah
  let [seconds, takenUah] = [present.batterySeconds, present.takenUah]
  for (const hour of hours) {
    if (seconds >= PRESENT_HOURS * 3600) break
    seconds += hour.batterySeconds
    takenUah += hour.takenUah
  }
  if (seconds < LEAST_SECONDS || takenUah === 0) return { cycles }
  const ofHours = seconds / 3600
  const meanMa = takenUah / 1000 / ofHours
  return { cycles, meanMa, ofHours, hoursLeft: (capacityMah * percent) / 100 / meanMa }
}
