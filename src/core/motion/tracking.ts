import { errorFunction } from 'simple-statistics'
import { cutOffQuality, noiseMm, trueLiftOffMm, type Calibration, type Surface } from './surface'

export interface Tracking {
  /** Share of lost movement on the surface, because the quality varies below the threshold. */
  lost: number
  /** Standard deviation over 10 cm, in mm. */
  strayMm: number
  liftMm: number
}

/** Tracking of a surface by a sensor with a given calibration. */
export function trackingOn(surface: Surface, calibration: Calibration, liftOffMm: number): Tracking {
  const { quality, uneven } = surface
  const above = quality - cutOffQuality(calibration, liftOffMm)
  const below = (1 + errorFunction(-above / (quality * uneven || 1) / Math.SQRT2)) / 2
  return {
    lost: uneven === 0 ? Number(above < 0) : below,
    strayMm: noiseMm(surface, calibration, 100),
    liftMm: Math.max(0, trueLiftOffMm(surface, calibration, liftOffMm)),
  }
}
