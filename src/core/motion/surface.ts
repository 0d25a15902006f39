/**
 * What lies under a sensor, and what that does to it. A sensor compares pictures of the surface: the more it finds
 * in them (its surface quality), the surer it tracks. Lifted, the picture blurs and the quality falls; below a
 * threshold the sensor counts nothing, and that is all a lift-off distance is. The threshold is worked out for
 * cloth unless the sensor has been measured in to the surface it is on.
 */
export interface Surface {
  id: string
  name: string
  about: string
  /** Features found at rest; {@link CLOTH_QUALITY} on cloth. */
  quality: number
  /** Height over which the quality falls to 1/e, in mm. */
  fallMm: number
  /** How uneven it is: standard deviation of the quality along a path, as a share of it. */
  uneven: number
}

const CLOTH_QUALITY = 100
const CLOTH_FALL_MM = 1.2

export const SURFACES: readonly Surface[] = [
  {
    id: 'cloth',
    name: 'Cloth pad',
    about: 'What the factory measured in',
    quality: CLOTH_QUALITY,
    fallMm: CLOTH_FALL_MM,
    uneven: 0,
  },
  {
    id: 'hard',
    name: 'Hard pad',
    about: 'Smooth and bright: much is found, lifted too',
    quality: 170,
    fallMm: 1.25,
    uneven: 0.05,
  },
  {
    id: 'desk',
    name: 'Lacquered desk',
    about: 'Shiny: little is found',
    quality: 62,
    fallMm: 1.1,
    uneven: 0.18,
  },
  {
    id: 'glass',
    name: 'Frosted glass',
    about: 'Hardly anything is found',
    quality: 42,
    fallMm: 1.0,
    uneven: 0.25,
  },
]

export const surfaceById = (id: string): Surface | undefined => SURFACES.find((surface) => surface.id === id)

/** The surface a sensor takes itself to be on. */
export interface Calibration {
  quality: number
}

/** From the factory: cloth. */
export const FACTORY_CALIBRATION: Calibration = { quality: CLOTH_QUALITY }

/** Features found at a height over a surface. */
export const qualityAt = ({ quality, fallMm }: Surface, heightMm: number): number =>
  quality * Math.exp(-Math.max(0, heightMm) / fallMm)

/** The quality below which a sensor that is set to a lift-off distance counts nothing. */
export const cutOff = ({ quality }: Calibration, liftOffMm: number): number =>
  quality * Math.exp(-liftOffMm / CLOTH_FALL_MM)

/** The height at which a surface is really lost; below 0 when it is lost at rest already. */
export const trueLiftOffMm = (surface: Surface, calibration: Calibration, liftOffMm: number): number =>
  surface.fallMm * Math.log(surface.quality / cutOff(calibration, liftOffMm))

/** Exposure can make up for this much of what a surface lacks, once the sensor knows of it. */
const MOST_GAIN = 2.4
/** Noise of a movement of 1 mm at a quality of half of cloth's, in mm. */
const NOISE_MM = 0.035

/**
 * Standard deviation of what a movement is counted as, in mm; 0 on cloth. It grows with the square root of the
 * path, for errors of single pictures add up as a random walk does.
 */
export function noiseMm(surface: Surface, { quality }: Calibration, pathMm: number): number {
  const gain = Math.min(MOST_GAIN, Math.max(1, CLOTH_QUALITY / quality))
  const seen = Math.min(1, (surface.quality * gain) / CLOTH_QUALITY)
  return NOISE_MM * (1 / seen - 1) * Math.sqrt(Math.max(0, pathMm))
}
