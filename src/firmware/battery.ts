import { clamp } from '../core/base/numbers'
import type { BatteryData, ElectricalData } from '../core/device/model'
import type { GaugeTotals } from '../core/motion/battery-life'
import { Gauge, type GaugeState } from './gauge'
import { currentMa, totalMa, type PowerState } from '../core/motion/power'

const US_PER_HOUR = 3.6e9
/** Sensor and radio become idle this long after the last movement or report. */
const ACTIVE_US = 500_000

/** Current drawn from the battery or charging it, until the load changes. */
export interface Load extends Omit<PowerState, 'active'> {
  charging: boolean
}

/**
 * Remaining charge, updated whenever the load changes; in between the current is constant, so an idle hour needs a
 * single multiplication.
 */
export class Battery {
  private settledUs: number
  private activeUntilUs = 0
  /** None while the device is off: no load and no charging. */
  private load: Load | undefined
  readonly gauge: Gauge

  constructor(
    private readonly electrical: ElectricalData,
    readonly data: BatteryData,
    private chargeMah: number,
    nowUs: number,
    gauge?: GaugeState,
  ) {
    this.settledUs = nowUs
    this.gauge = new Gauge(gauge)
  }

  /** Percent of the full charge, rounded up, so that a running device never reports 0. */
  percent(nowUs: number): number {
    return Math.ceil((100 * this.charge(nowUs)) / this.data.capacityMah)
  }

  charge(nowUs: number): number {
    this.settle(nowUs)
    return this.chargeMah
  }

  /** Counters of its gauge until now. */
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
    // Movement while the sensor is awake only extends that time.
    if (nowUs > this.activeUntilUs) this.settle(nowUs)
    this.activeUntilUs = nowUs + ACTIVE_US
  }

  /** The earliest time in µs until the charge is down to this level, if the load does not change. */
  soonestUs(mah: number, nowUs: number): number {
    return (Math.max(0, this.charge(nowUs) - mah) / this.ma(true)) * US_PER_HOUR
  }

  private ma(active: boolean): number {
    return this.load ? totalMa(currentMa(this.electrical, this.data, { ...this.load, active })) : 0
  }

  /** In steps with constant current that do not cross an hour of the gauge. */
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
    this.chargeMah = clamp(before + (ma * us) / US_PER_HOUR, 0, capacityMah)
    this.gauge.note(us, this.chargeMah - before, charging, (100 * this.chargeMah) / capacityMah)
  }
}
