import { itemAt } from '../core/base/items'
import { AngleSnapper } from '../core/motion/angle-snapping'
import { chance } from '../core/base/random'
import { CountAccumulator } from '../core/motion/steps'
import {
  cutOff,
  FACTORY_CALIBRATION,
  noiseMm,
  qualityAt,
  SURFACES,
  type Calibration,
  type Surface,
} from '../core/motion/surface'

/** What one sensor has from its making, unlike others of its kind: a bench that measures has something to find. */
export interface SensorTraits {
  /** Counts for each count there should be. */
  gain: number
  /** How far it was mounted turned, clockwise, in degrees. */
  turnedDegrees: number
}

export const TRUE_SENSOR: SensorTraits = { gain: 1, turnedDegrees: 0 }

export interface SensorSetting {
  liftOffMm: number
  angleSnapping: boolean
}

/**
 * The optical sensor: movement over a surface to counts. It loses the surface when it is lifted over its lift-off
 * distance, is noisy on surfaces it was not measured in to, and can snap to straight lines.
 */
export class Sensor {
  private surface: Surface = itemAt(SURFACES, 0)
  private heightMm = 0
  private measured: Calibration = FACTORY_CALIBRATION
  private setting: SensorSetting = { liftOffMm: 1, angleSnapping: false }
  private snapper = new AngleSnapper()
  private readonly countsX = new CountAccumulator()
  private readonly countsY = new CountAccumulator()
  /** The same script gives the same reports every time. */
  private readonly chance = chance(7)
  /** What follows from surface, height, calibration and setting, so that a movement need not work it out. */
  private found = 0
  private threshold = 0
  private roughness = 0
  private readonly cosine: number
  private readonly sine: number

  constructor(private readonly traits: SensorTraits = TRUE_SENSOR) {
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

  /** Where it is held, and over what. */
  place(surface: Surface, heightMm: number): void {
    Object.assign(this, { surface, heightMm })
    this.settle()
  }

  set(setting: SensorSetting): void {
    if (setting.angleSnapping !== this.setting.angleSnapping) this.snapper = new AngleSnapper()
    this.setting = setting
    this.settle()
  }

  private settle(): void {
    this.found = qualityAt(this.surface, this.heightMm)
    this.threshold = cutOff(this.measured, this.setting.liftOffMm)
    this.roughness = noiseMm(this.surface, this.measured, 1)
  }

  /** Features found now, unevenness of the surface included. */
  look(): number {
    const { uneven } = this.surface
    return uneven === 0 ? this.found : Math.max(0, this.found * (1 + uneven * this.chance.normal()))
  }

  /**
   * @param dxMm movement of the hand, in mm
   * @returns whole counts, or undefined where the surface was not seen
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

  /** What one axis of a movement is off by, in mm. */
  private stray(dxMm: number, dyMm: number): number {
    if (this.roughness === 0) return 0
    return this.roughness * Math.sqrt(Math.hypot(dxMm, dyMm)) * this.chance.normal()
  }
}
