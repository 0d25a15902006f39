import type { BatteryData, Electrical } from '../core/device/model'
import { drawMa, totalMa, type PowerState } from '../core/motion/power'

const US_PER_HOUR = 3.6e9
/** Sensor and radio go to rest this long after the last movement or report. */
const ACTIVE_US = 500_000

/** What draws from the battery or fills it, until something of it changes. */
export interface Load extends Omit<PowerState, 'active'> {
  charging: boolean
}

const NO_LOAD: Load = { rateHz: 0, lightMa: 0, asleep: false, charging: false }

/**
 * Charge left, counted whenever something that draws current changes; between those moments the current is
 * constant, so an idle hour is one multiplication.
 */
export class Battery {
  private settledUs: number
  private activeUntilUs = 0
  private load = NO_LOAD

  constructor(
    private readonly electrical: Electrical,
    readonly data: BatteryData,
    private chargeMah: number,
    nowUs: number,
  ) {
    this.settledUs = nowUs
  }

  /** Percent of the full charge, rounded up, so that a device that still runs never says 0. */
  percent(nowUs: number): number {
    return Math.ceil((100 * this.charge(nowUs)) / this.data.capacityMah)
  }

  charge(nowUs: number): number {
    this.settle(nowUs)
    return this.chargeMah
  }

  setLoad(load: Load, nowUs: number): void {
    this.settle(nowUs)
    this.load = load
  }

  /** Nothing runs and nothing fills it. */
  noLoad(nowUs: number): void {
    this.setLoad(NO_LOAD, nowUs)
  }

  /** Something moved, or a report was sent. */
  active(nowUs: number): void {
    // Movement within the time the sensor is awake anyway only makes that longer.
    if (nowUs > this.activeUntilUs) this.settle(nowUs)
    this.activeUntilUs = nowUs + ACTIVE_US
  }

  /** No sooner than in so many µs is the charge down to this, as long as the load stays as it is. */
  soonestUs(mah: number, nowUs: number): number {
    return (Math.max(0, this.charge(nowUs) - mah) / this.ma(true)) * US_PER_HOUR
  }

  private ma(active: boolean): number {
    return totalMa(drawMa(this.electrical, this.data, { ...this.load, active }))
  }

  private settle(nowUs: number): void {
    const elapsedUs = nowUs - this.settledUs
    const activeUs = Math.max(0, Math.min(nowUs, this.activeUntilUs) - this.settledUs)
    const change = this.load.charging
      ? this.data.chargeMa * elapsedUs
      : -this.ma(true) * activeUs - this.ma(false) * (elapsedUs - activeUs)
    this.chargeMah = Math.max(0, Math.min(this.data.capacityMah, this.chargeMah + change / US_PER_HOUR))
    this.settledUs = nowUs
  }
}
