import type { SensorData } from '../core/device/model'
import { CALIBRATION_OPERATION, type CalibrationStatus } from '../core/link/packets'
import type { DeviceSettings } from '../core/onboard/settings'
import { FACTORY_CALIBRATION } from '../core/motion/surface'
import { Calibrator, CALIBRATION_MM } from './calibrator'
import type { Outbox } from './outbox'
import { Sensor, type SensorErrors } from './sensor'
import type { Steps } from './steps'

/** From the movement of the hand to counts, and the surface calibration. */
export class Motion {
  readonly sensor: Sensor
  private readonly calibrator = new Calibrator()

  /** @param changed the calibration changed and must be stored */
  constructor(
    traits: SensorErrors,
    private readonly outbox: Outbox,
    private readonly changed: () => void,
  ) {
    this.sensor = new Sensor(traits)
  }

  /** The calibrated surface quality; 0 for the factory calibration. */
  get measuredIn(): number {
    const { calibration } = this.sensor
    return calibration === FACTORY_CALIBRATION ? 0 : calibration.quality
  }

  set measuredIn(quality: number) {
    this.sensor.calibration = quality > 0 ? { quality } : FACTORY_CALIBRATION
  }

  load(sensor: SensorData | undefined, settings: DeviceSettings): void {
    const { liftOffMm = sensor?.liftOffMm?.[0] ?? 1, angleSnapping = false } = settings
    this.sensor.set({ liftOffMm, angleSnapping })
  }

  move(dxMm: number, dyMm: number, steps: Steps): void {
    const step = steps.inForce
    if (!step) return
    if (this.calibrator.running) {
      const measured = this.calibrator.take(Math.hypot(dxMm, dyMm), this.sensor.look())
      if (measured) this.measureIn(measured.quality)
    }
    const counts = this.sensor.take(dxMm, dyMm, step)
    if (counts) this.outbox.move(counts.x, counts.y)
  }

  /** @param what one of {@link CALIBRATION_OPERATION}; any other value only queries */
  calibrate(what: number): CalibrationStatus {
    if (what === CALIBRATION_OPERATION.begin) this.calibrator.begin()
    else if (what === CALIBRATION_OPERATION.stop) this.calibrator.stop()
    else if (what === CALIBRATION_OPERATION.forget) this.measureIn(0)
    const { running, progress } = this.calibrator
    return { running, ...progress, neededMm: CALIBRATION_MM, stored: this.measuredIn }
  }

  private measureIn(quality: number): void {
    this.measuredIn = quality
    this.changed()
  }
}
