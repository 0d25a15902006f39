import type { SensorRange } from '../device/model'
import { MM_PER_INCH, nearestDpi } from './steps'

/** Hand movement for a full turn in a game that turns by so many degrees a count, in mm. */
export const turnMm = (dpi: number, degreesPerCount: number): number =>
  (360 / degreesPerCount / dpi) * MM_PER_INCH

/** Degrees a game turns by for each count, worked out from a full turn that took so much of the hand. */
export const degreesPerCount = (turnedDegrees: number, handMm: number, dpi: number): number =>
  turnedDegrees / ((handMm / MM_PER_INCH) * dpi)

export interface SpreadStep {
  dpi: number
  /** What the same factor everywhere would want. */
  exactDpi: number
  /** How far the factor to the step before is from the wanted one, in percent; 0 for the first. */
  errorPercent: number
}

/**
 * Steps between two, each the same factor from the last, so that each change feels the same: a geometric row taken
 * to what the sensor can be set to. Its ends are the two.
 *
 * @param count how many steps in all, at least 2
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
