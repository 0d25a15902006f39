import { MAX_GAUGE_HOURS, type GaugeHour, type GaugeTotals } from '../core/motion/battery-life'

const US_PER_HOUR = 3.6e9

/** Counters of a battery gauge, which the battery itself powers. */
export interface GaugeState {
  takenMah: number
  filledMah: number
  /** The unfinished hour. */
  hourUs: number
  batteryUs: number
  hourMah: number
  /** The latest hour first. */
  hours: readonly GaugeHour[]
}

const NEW: GaugeState = { takenMah: 0, filledMah: 0, hourUs: 0, batteryUs: 0, hourMah: 0, hours: [] }

/** Counts the charge of a battery, in both directions, for each hour in which its device has power. */
export class Gauge {
  private readonly kept: GaugeState

  constructor(state: GaugeState | undefined) {
    this.kept = { ...(state ?? NEW) }
  }

  get state(): GaugeState {
    return { ...this.kept }
  }

  /** Maximum time in µs for one update. */
  get leftUs(): number {
    return US_PER_HOUR - this.kept.hourUs
  }

  /**
   * @param us elapsed time, at most {@link leftUs}
   * @param changeMah change of the charge: positive for charging, negative for use
   * @param percent charge at its end
   */
  note(us: number, changeMah: number, charging: boolean, percent: number): void {
    const { kept } = this
    kept.hourUs += us
    if (charging) kept.filledMah += Math.max(0, changeMah)
    else {
      kept.batteryUs += us
      kept.takenMah -= changeMah
      kept.hourMah -= changeMah
    }
    // The remainder would be lost when rounding a long time.
    if (kept.hourUs < US_PER_HOUR - 1) return
    const hour = { percent, batterySeconds: kept.batteryUs / 1e6, takenUah: 1000 * kept.hourMah }
    kept.hours = [hour, ...kept.hours].slice(0, MAX_GAUGE_HOURS)
    kept.hourUs = kept.batteryUs = kept.hourMah = 0
  }

  totals(capacityMah: number): GaugeTotals {
    const { takenMah, filledMah, hourUs, batteryUs, hourMah, hours } = this.kept
    const present = { seconds: hourUs / 1e6, batterySeconds: batteryUs / 1e6, takenUah: 1000 * hourMah }
    return { capacityMah, takenMah, filledMah, present, hours: hours.length }
  }

  /** Hours from an index in the list, the latest hour first. */
  hoursFrom(index: number, count: number): readonly GaugeHour[] {
    return this.kept.hours.slice(index, index + count)
  }
}
