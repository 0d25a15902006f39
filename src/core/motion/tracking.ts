import { errorFunction } from 'simple-statistics'
import { cutOff, noiseMm, trueLiftOffMm, type Calibration, type Surface } from './surface'

export interface Tracking {
  /** Share of movement that is not seen at rest, for the quality strays below the cut-off. */
  lost: number
  /** Standard deviation over 10 cm, in mm. */
  strayMm: number
  liftMm: number
}

/** How a sensor that is measured in to something tracks a surface. */
export function trackingOn(surface: Surface, calibration: Calibration, liftOffMm: number): Tracking {
  const { quality, uneven } = surface
  const above = quality - cutOff(calibration, liftOffMm)
  const below = (1 + errorFunction(-above / (quality * uneven || 1) / Math.SQRT2)) / 2
  return {
    lost: uneven === 0 ? Number(above < 0) : below,
    strayMm: noiseMm(surface, calibration, 100),
    liftMm: Math.max(0, trueLiftOffMm(surface, calibration, liftOffMm)),
  }
}
