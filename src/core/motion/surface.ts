import { message, type Message } from '../message/message'
import { clamp } from '../base/numbers'
/**
 * The surface under a sensor and its effects. A sensor compares pictures of the surface: the more features it finds
 * (the surface quality), the better it tracks. When it is lifted, the picture blurs and the quality drops; below a
 * threshold the sensor counts nothing, which defines the lift-off distance. The threshold is computed for cloth unless
 * the sensor has been calibrated for its surface.
 */
export interface Surface {
  id: string
  name: Message
  about: Message
  /** Features found on the surface; {@link CLOTH_QUALITY} on cloth. */
  quality: number
  /** Height at which the quality drops to 1/e, in mm. */
  fallMm: number
  /** Unevenness: relative standard deviation of the quality along a path. */
  uneven: number
}

const CLOTH_QUALITY = 100
const CLOTH_FALL_MM = 1.2

export const SURFACES: readonly Surface[] = [
  {
    id: 'cloth',
    name: message('starters.surfaceCloth'),
    about: message('starters.surfaceClothAbout'),
    quality: CLOTH_QUALITY,
    fallMm: CLOTH_FALL_MM,
    uneven: 0,
  },
  {
    id: 'hard',
    name: message('starters.surfaceHard'),
    about: message('starters.surfaceHardAbout'),
    quality: 170,
    fallMm: 1.25,
    uneven: 0.05,
  },
  {
    id: 'desk',
    name: message('starters.surfaceDesk'),
    about: message('starters.surfaceDeskAbout'),
    quality: 62,
    fallMm: 1.1,
    uneven: 0.18,
  },
  {
    id: 'glass',
    name: message('starters.surfaceGlass'),
    about: message('starters.surfaceGlassAbout'),
    quality: 42,
    fallMm: 1.0,
    uneven: 0.25,
  },
]

export const surfaceById = (id: string): Surface | undefined => SURFACES.find((surface) => surface.id === id)

/** The surface that a sensor is calibrated for. */
export interface Calibration {
  quality: number
}

/** From the factory: cloth. */
export const FACTORY_CALIBRATION: Calibration = { quality: CLOTH_QUALITY }

/** Features found at a height above a surface. */
export const qualityAt = ({ quality, fallMm }: Surface, heightMm: number): number =>
  quality * Math.exp(-Math.max(0, heightMm) / fallMm)

/** The quality below which a sensor with a given lift-off distance counts nothing. */
export const cutOffQuality = ({ quality }: Calibration, liftOffMm: number): number =>
  quality * Math.exp(-liftOffMm / CLOTH_FALL_MM)

/** The height at which tracking is actually lost; below 0 if it is lost on the surface. */
export const trueLiftOffMm = (surface: Surface, calibration: Calibration, liftOffMm: number): number =>
  surface.fallMm * Math.log(surface.quality / cutOffQuality(calibration, liftOffMm))

/** Maximum factor by which exposure compensates for a poor surface after calibration. */
const MAX_GAIN = 2.4
/** Noise of a movement of 1 mm at half the quality of cloth, in mm. */
const NOISE_MM = 0.035

/**
 * Standard deviation of a counted movement, in mm; 0 on cloth. It grows with the square root of the path, because
 * errors of single pictures add up like a random walk.
 */
export function noiseMm(surface: Surface, { quality }: Calibration, pathMm: number): number {
  const gain = clamp(CLOTH_QUALITY / quality, 1, MAX_GAIN)
  const seen = Math.min(1, (surface.quality * gain) / CLOTH_QUALITY)
  return NOISE_MM * (1 / seen - 1) * Math.sqrt(Math.max(0, pathMm))
}
