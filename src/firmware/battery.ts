import type { BatteryData, Electrical } from '../core/device/model'

const US_PER_HOUR = 3.6e9
/** The sensor goes to rest this long after the last movement. */
const SENSOR_AWAKE_US = 500_000

/** What draws from the battery or fills it at the moment. */
export interface Load {
  /** Current of all lights, mean over their effects. */
  lightMa: number
  charging: boolean
}

/**
 * Charge left, counted whenever something that draws current changes; between those moments the current is
 * constant, so an idle hour is one multiplication.
 */
export class Battery {
  private settledUs: number
  private awakeUntilUs = 0
  private load: Load = { lightMa: 0, charging: false }

  constructor(
    private readonly electrical: Electrical,
    private readonly battery: BatteryData,
    private chargeMah: number,
    nowUs: number,
  ) {
    this.settledUs = nowUs
  }

  /** Percent of the full charge, rounded up, so that a device that still runs never says 0. */
  percent(nowUs: number): number {
    return Math.ceil((100 * this.charge(nowUs)) / this.battery.capacityMah)
  }

  charge(nowUs: number): number {
    this.settle(nowUs)
    return this.chargeMah
  }

  setLoad(load: Load, nowUs: number): void {
    this.settle(nowUs)
    this.load = load
  }

  moved(nowUs: number): void {
    // Movement within the time the sensor is awake anyway only makes that longer.
    if (nowUs > this.awakeUntilUs) this.settle(nowUs)
    this.awakeUntilUs = nowUs + SENSOR_AWAKE_US
  }

  /** One report sent over the air. */
  reported(): void {
    this.chargeMah -= this.battery.reportMicroampereSeconds / 3.6e6
  }

  private settle(nowUs: number): void {
    const { controllerMa, sensorActiveMa, sensorRestMa } = this.electrical
    const { chargeMa, capacityMah } = this.battery
    const elapsedUs = nowUs - this.settledUs
    const awakeUs = Math.max(0, Math.min(nowUs, this.awakeUntilUs) - this.settledUs)
    const drawnMa = this.load.charging ? 0 : controllerMa + this.load.lightMa
    const sensorMaUs = this.load.charging
      ? 0
      : sensorActiveMa * awakeUs + sensorRestMa * (elapsedUs - awakeUs)
    const filledMa = this.load.charging ? chargeMa : 0
    const change = ((filledMa - drawnMa) * elapsedUs - sensorMaUs) / US_PER_HOUR
    this.chargeMah = Math.max(0, Math.min(capacityMah, this.chargeMah + change))
    this.settledUs = nowUs
  }
}
