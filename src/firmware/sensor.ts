import { itemAt } from '../core/base/items'
import { AngleSnapper } from '../core/motion/angle-snapping'
import { randomSource } from '../core/base/random'
import { CountAccumulator } from '../core/motion/steps'
import {
  cutOffQuality,
  FACTORY_CALIBRATION,
  noiseMm,
  qualityAt,
  SURFACES,
  type Calibration,
  type Surface,
} from '../core/motion/surface'

/** Manufacturing errors of one sensor, which instruments can find. */
export interface SensorErrors {
  /** Actual counts per ideal count. */
  gain: number
  /** Its clockwise rotation, in degrees. */
  turnedDegrees: number
}

export const PERFECT_SENSOR: SensorErrors = { gain: 1, turnedDegrees: 0 }

export interface SensorSettings {
  liftOffMm: number
  angleSnapping: boolean
}

/**
 * The optical sensor: converts movement over a surface to counts. It loses the surface above its lift-off distance, is
 * noisy on surfaces it was not calibrated for, and can snap to straight lines.
 */
export class Sensor {
  private surface: Surface = itemAt(SURFACES, 0)
  private heightMm = 0
  private measured: Calibration = FACTORY_CALIBRATION
  private setting: SensorSettings = { liftOffMm: 1, angleSnapping: false }
  private snapper = new AngleSnapper()
  private readonly countsX = new CountAccumulator()
  private readonly countsY = new CountAccumulator()
  /** The same script always gives the same reports. */
  private readonly chance = randomSource(7)
  /** Values derived from surface, height, calibration and setting, so that movements need not compute them. */
  private found = 0
  private threshold = 0
  private roughness = 0
  private readonly cosine: number
  private readonly sine: number

  constructor(private readonly traits: SensorErrors = PERFECT_SENSOR) {
    const radians = (traits.turnedDegrees * Math.PI) / 180
    this.cosine = Math.cos(radians)
    this.sine = Math.sin(radians)
    this.settle()
  }

  get calibration(): Calibration {
    return this.measured
  }

  set calibration(calibration: Calibration) {
    this.measured = calibration
    this.settle()
  }

  /** Its height, and the surface below. */
  place(surface: Surface, heightMm: number): void {
    Object.assign(this, { surface, heightMm })
    this.settle()
  }

  set(setting: SensorSettings): void {
    if (setting.angleSnapping !== this.setting.angleSnapping) this.snapper = new AngleSnapper()
    this.setting = setting
    this.settle()
  }

  private settle(): void {
    this.found = qualityAt(this.surface, this.heightMm)
    this.threshold = cutOffQuality(this.measured, this.setting.liftOffMm)
    this.roughness = noiseMm(this.surface, this.measured, 1)
  }

  /** Features found now, including the unevenness of the surface. */
  look(): number {
    const { uneven } = this.surface
    return uneven === 0 ? this.found : Math.max(0, this.found * (1 + uneven * this.chance.normal()))
  }

  /**
   * @param dxMm movement of the hand, in mm
   * @returns whole counts, or undefined if the surface was not visible
   */
  take(
    dxMm: number,
    dyMm: number,
    { dpi, dpiY = dpi }: { dpi: number; dpiY?: number },
  ): { x: number; y: number } | undefined {
    if (this.look() < this.threshold) return undefined
    const { gain } = this.traits
    const seenX = gain * (dxMm * this.cosine + dyMm * this.sine) + this.stray(dxMm, dyMm)
    const seenY = gain * (dyMm * this.cosine - dxMm * this.sine) + this.stray(dxMm, dyMm)
    const { dx, dy } = this.setting.angleSnapping ? this.snapper.take(seenX, seenY) : { dx: seenX, dy: seenY }
    return { x: this.countsX.take(dx, dpi), y: this.countsY.take(dy, dpiY) }
  }

  /** Error of a movement on one axis, in mm. */
  private stray(dxMm: number, dyMm: number): number {
    if (this.roughness === 0) return 0
    return this.roughness * Math.sqrt(Math.hypot(dxMm, dyMm)) * this.chance.normal()
  }
}
