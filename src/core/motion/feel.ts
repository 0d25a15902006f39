import type { SensorRange } from '../device/model'
import { MM_PER_INCH, nearestDpi } from './steps'

/** Hand movement for a full turn in a game that turns by this many degrees per count, in mm. */
export const turnMm = (dpi: number, degreesPerCount: number): number =>
  (360 / degreesPerCount / dpi) * MM_PER_INCH

/** Degrees per count of a game, from the hand movement of a full turn. */
export const degreesPerCount = (turnedDegrees: number, handMm: number, dpi: number): number =>
  turnedDegrees / ((handMm / MM_PER_INCH) * dpi)

export interface SpreadStep {
  dpi: number
  /** The DPI that an equal factor would need. */
  exactDpi: number
  /** Deviation of the factor to the previous step, in percent; 0 for the first. */
  errorPercent: number
}

/**
 * Steps between two values with equal factors, so that each change feels the same: a geometric series, rounded to
 * values that the sensor supports. It starts and ends with the two values.
 *
 * @param count total number of steps, at least 2
 */
export function equalFeelSteps(
  sensor: SensorRange,
  fromDpi: number,
  toDpi: number,
  count: number,
): SpreadStep[] {
  const factor = (toDpi / fromDpi) ** (1 / (count - 1))
  const steps = Array.from({ length: count }, (_, index) => {
    const exactDpi = fromDpi * factor ** index
    return { dpi: nearestDpi(sensor, exactDpi), exactDpi }
  })
  return steps.map((step, index) => {
    const before = steps[index - 1]
    return { ...step, errorPercent: before ? (step.dpi / before.dpi / factor - 1) * 100 : 0 }
  })
}
