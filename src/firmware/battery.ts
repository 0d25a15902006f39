import type { BatteryData, Electrical } from '../core/device/model'
import type { GaugeTotals } from '../core/motion/battery-life'
import { Gauge, type GaugeState } from './gauge'
import { drawMa, totalMa, type PowerState } from '../core/motion/power'

const US_PER_HOUR = 3.6e9
/** Sensor and radio go to rest this long after the last movement or report. */
const ACTIVE_US = 500_000

/** What draws from the battery or fills it, until something of it changes. */
export interface Load extends Omit<PowerState, 'active'> {
  charging: boolean
}

/**
 * Charge left, counted whenever something that draws current changes; between those moments the current is
 * constant, so an idle hour is one multiplication.
 */
export class Battery {
  private settledUs: number
  private activeUntilUs = 0
  /** None while the device is off: nothing runs and nothing fills it. */
  private load: Load | undefined
  readonly gauge: Gauge

  constructor(
    private readonly electrical: Electrical,
    readonly data: BatteryData,
    private chargeMah: number,
    nowUs: number,
    gauge?: GaugeState,
  ) {
    this.settledUs = nowUs
    this.gauge = new Gauge(gauge)
  }

  /** Percent of the full charge, rounded up, so that a device that still runs never says 0. */
  percent(nowUs: number): number {
    return Math.ceil((100 * this.charge(nowUs)) / this.data.capacityMah)
  }

  charge(nowUs: number): number {
    this.settle(nowUs)
    return this.chargeMah
  }

  /** What its gauge has counted until now. */
  counted(nowUs: number): { totals(): GaugeTotals; hoursFrom: Gauge['hoursFrom'] } {
    this.settle(nowUs)
    const { gauge, data } = this
    return {
      totals: () => gauge.totals(data.capacityMah),
      hoursFrom: (index, count) => gauge.hoursFrom(index, count),
    }
  }

  setLoad(load: Load | undefined, nowUs: number): void {
    this.settle(nowUs)
    this.load = load
  }

  /** The device is off. */
  noLoad(nowUs: number): void {
    this.setLoad(undefined, nowUs)
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
    return this.load ? totalMa(drawMa(this.electrical, this.data, { ...this.load, active })) : 0
  }

  /** In pieces within which the current is the same and no hour of the gauge ends. */
  private settle(nowUs: number): void {
    const { load } = this
    while (load && this.settledUs < nowUs) {
      const active = this.settledUs < this.activeUntilUs
      const endUs = Math.min(
        nowUs,
        this.settledUs + this.gauge.leftUs,
        active ? this.activeUntilUs : Infinity,
      )
      this.pass(endUs - this.settledUs, active, load.charging)
      this.settledUs = endUs
    }
    this.settledUs = nowUs
  }

  private pass(us: number, active: boolean, charging: boolean): void {
    const { capacityMah, chargeMa } = this.data
    const ma = charging ? chargeMa : -this.ma(active)
    const before = this.chargeMah
    this.chargeMah = Math.max(0, Math.min(capacityMah, before + (ma * us) / US_PER_HOUR))
    this.gauge.note(us, this.chargeMah - before, charging, (100 * this.chargeMah) / capacityMah)
  }
}
