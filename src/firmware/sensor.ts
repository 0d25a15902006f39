import { AngleSnapper } from '../core/motion/angle-snapping'
import { chance } from '../core/motion/random'
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
  surface: Surface = SURFACES[0]
  heightMm = 0
  calibration: Calibration = FACTORY_CALIBRATION
  private setting: SensorSetting = { liftOffMm: 1, angleSnapping: false }
  private snapper = new AngleSnapper()
  private readonly countsX = new CountAccumulator()
  private readonly countsY = new CountAccumulator()
  /** The same script gives the same reports every time. */
  private readonly chance = chance(7)
  private readonly cosine: number
  private readonly sine: number

  constructor(private readonly traits: SensorTraits = TRUE_SENSOR) {
    const radians = (traits.turnedDegrees * Math.PI) / 180
    this.cosine = Math.cos(radians)
    this.sine = Math.sin(radians)
  }

  set(setting: SensorSetting): void {
    if (setting.angleSnapping !== this.setting.angleSnapping) this.snapper = new AngleSnapper()
    this.setting = setting
  }

  /** Features found now, unevenness of the surface included. */
  look(): number {
    const { uneven } = this.surface
    const found = qualityAt(this.surface, this.heightMm)
    return uneven === 0 ? found : Math.max(0, found * (1 + uneven * this.chance.normal()))
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
    if (this.look() < cutOff(this.calibration, this.setting.liftOffMm)) return undefined
    const { dx, dy } = this.setting.angleSnapping
      ? this.snapper.take(...this.seen(dxMm, dyMm))
      : pair(this.seen(dxMm, dyMm))
    return { x: this.countsX.take(dx, dpi), y: this.countsY.take(dy, dpiY) }
  }

  /** Movement as the sensor sees it: turned as it is mounted, with its gain and its noise. */
  private seen(dxMm: number, dyMm: number): [number, number] {
    const { gain } = this.traits
    const noise = noiseMm(this.surface, this.calibration, Math.hypot(dxMm, dyMm))
    const stray = () => (noise === 0 ? 0 : noise * this.chance.normal())
    return [
      gain * (dxMm * this.cosine + dyMm * this.sine) + stray(),
      gain * (dyMm * this.cosine - dxMm * this.sine) + stray(),
    ]
  }
}

const pair = ([dx, dy]: [number, number]) => ({ dx, dy })
