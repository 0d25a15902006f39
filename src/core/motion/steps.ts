/** Sensitivity steps: what a hand's movement becomes in counts. */
import type { SensorRange } from '../device/model'

export const MM_PER_INCH = 25.4

/** The nearest setting the sensor has: within its range, on its grid. */
export function nearestDpi(sensor: SensorRange, dpi: number): number {
  const onGrid = Math.round(dpi / sensor.resolutionDpi) * sensor.resolutionDpi
  return Math.min(sensor.maxDpi, Math.max(sensor.minDpi, onGrid))
}

/** Why a step cannot be; words are made of it higher up. */
export type DpiProblem =
  | { key: 'dpi-whole'; facts: undefined }
  | { key: 'dpi-range'; facts: { least: number; most: number } }
  | { key: 'dpi-grid'; facts: { by: number } }

/** Why a sensor cannot be set to `dpi`, or undefined where it can. */
export function dpiProblem(sensor: SensorRange, dpi: number): DpiProblem | undefined {
  const { minDpi: least, maxDpi: most, resolutionDpi: by } = sensor
  if (!Number.isFinite(dpi)) return { key: 'dpi-whole', facts: undefined }
  if (dpi < least || dpi > most) return { key: 'dpi-range', facts: { least, most } }
  return nearestDpi(sensor, dpi) === dpi ? undefined : { key: 'dpi-grid', facts: { by } }
}

/** Hand movement in mm that moves the pointer across `counts` counts. */
export const handDistanceMm = (counts: number, dpi: number): number => (counts / dpi) * MM_PER_INCH

/**
 * Turns physical motion into whole counts along one axis. The part of a count that is left over is kept for
 * the next movement, so that a slow hand travels as far as a fast one.
 */
export class CountAccumulator {
  private remainder = 0

  /** @returns whole counts for a movement of `mm` at `dpi`; negative one way, positive the other */
  take(mm: number, dpi: number): number {
    const exact = (mm * dpi) / MM_PER_INCH + this.remainder
    const counts = Math.trunc(exact)
    this.remainder = exact - counts
    return counts
  }
}
