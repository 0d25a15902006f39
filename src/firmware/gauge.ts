import { MOST_GAUGE_HOURS, type GaugeHour, type GaugeTotals } from '../core/motion/battery-life'

const US_PER_HOUR = 3.6e9

/** What the gauge beside a battery keeps, with or without power: it is fed by the battery itself. */
export interface GaugeState {
  takenMah: number
  filledMah: number
  /** The hour that is not over. */
  hourUs: number
  batteryUs: number
  hourMah: number
  /** The last hour first. */
  hours: readonly GaugeHour[]
}

const NEW: GaugeState = { takenMah: 0, filledMah: 0, hourUs: 0, batteryUs: 0, hourMah: 0, hours: [] }

/** Counts what a battery gives and takes, hour by hour of the time its device has power. */
export class Gauge {
  private readonly kept: GaugeState

  constructor(state: GaugeState | undefined) {
    this.kept = { ...(state ?? NEW) }
  }

  get state(): GaugeState {
    return { ...this.kept }
  }

  /** No longer than so many µs can be noted at once. */
  get leftUs(): number {
    return US_PER_HOUR - this.kept.hourUs
  }

  /**
   * @param us time that passed, at most {@link leftUs}
   * @param changeMah by how much the charge changed: filled above 0, taken below
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
    // What is left would be lost in the rounding of a long time.
    if (kept.hourUs < US_PER_HOUR - 1) return
    const hour = { percent, batterySeconds: kept.batteryUs / 1e6, takenUah: 1000 * kept.hourMah }
    kept.hours = [hour, ...kept.hours].slice(0, MOST_GAUGE_HOURS)
    kept.hourUs = kept.batteryUs = kept.hourMah = 0
  }

  totals(capacityMah: number): GaugeTotals {
    const { takenMah, filledMah, hourUs, batteryUs, hourMah, hours } = this.kept
    const present = { seconds: hourUs / 1e6, batterySeconds: batteryUs / 1e6, takenUah: 1000 * hourMah }
    return { capacityMah, takenMah, filledMah, present, hours: hours.length }
  }

  /** Hours from a place in the list on, the last hour first. */
  hoursFrom(index: number, count: number): readonly GaugeHour[] {
    return this.kept.hours.slice(index, index + count)
  }
}
