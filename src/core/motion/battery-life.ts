/** One hour in which a device had power, as recorded by its battery gauge. */
export interface GaugeHour {
  /** Charge at its end, 0 to 100. */
  percent: number
  /** Seconds on battery: 0 to 3600. */
  batterySeconds: number
  /** Charge drawn from the battery, in µAh. */
  takenUah: number
}

/** Counters of a battery gauge since the battery was installed. */
export interface GaugeTotals {
  capacityMah: number
  /** Total charge drawn and charged, in mAh. */
  takenMah: number
  filledMah: number
  /** The current hour: elapsed seconds, and the charge drawn so far. */
  present: { seconds: number } & Omit<GaugeHour, 'percent'>
  /** Number of hours kept. */
  hours: number
}

/** The life of a battery as reported by its device, the latest hour first. */
export interface BatteryLife extends Omit<GaugeTotals, 'hours'> {
  hours: readonly GaugeHour[]
}

/** A week of hours in which the device had power. */
export const MAX_GAUGE_HOURS = 168

/** Hours on battery that define the present use. */
const PRESENT_HOURS = 24
/** Minimum time on battery for an estimate. */
const MIN_SECONDS = 300

export interface LifeEstimate {
  /** Equivalent number of full charges. */
  cycles: number
  /** Mean current over the last 24 hours on battery, in mA; undefined before five minutes on battery. */
  meanMa?: number
  /** Hours on battery behind the mean. */
  ofHours?: number
  /** Hours until the battery is empty at that current, with the device on. */
  hoursLeft?: number
}

/**
 * Remaining battery life at its present use, from the charge actually drawn: charge ÷ mean current of the last 24 hours
 * on battery, including sleep and the current hour so far.
 *
 * @param percent current charge, 0 to 100
 */
export function estimateLife(
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
  if (seconds < MIN_SECONDS || takenUah === 0) return { cycles }
  const ofHours = seconds / 3600
  const meanMa = takenUah / 1000 / ofHours
  return { cycles, meanMa, ofHours, hoursLeft: (capacityMah * percent) / 100 / meanMa }
}
