/** DPI steps: converts hand movement to counts. */
import { clamp } from '../base/numbers'
import type { SensorRange } from '../device/model'

export const MM_PER_INCH = 25.4

/** The nearest supported value: within the range, at its resolution. */
export function nearestDpi(sensor: SensorRange, dpi: number): number {
  const onGrid = Math.round(dpi / sensor.resolutionDpi) * sensor.resolutionDpi
  return clamp(onGrid, sensor.minDpi, sensor.maxDpi)
}

/** Why a step is invalid; the text is made elsewhere. */
export type DpiProblem =
  | { key: 'dpi-whole'; facts: undefined }
  | { key: 'dpi-range'; facts: { min: number; max: number } }
  | { key: 'dpi-grid'; facts: { by: number } }

/** Why a sensor does not support `dpi`, or undefined if it does. */
export function dpiProblem(sensor: SensorRange, dpi: number): DpiProblem | undefined {
  const { minDpi: min, maxDpi: max, resolutionDpi: by } = sensor
  if (!Number.isFinite(dpi)) return { key: 'dpi-whole', facts: undefined }
  if (dpi < min || dpi > max) return { key: 'dpi-range', facts: { min, max } }
  return nearestDpi(sensor, dpi) === dpi ? undefined : { key: 'dpi-grid', facts: { by } }
}

/** Hand movement in mm that moves the pointer across `counts` counts. */
export const handDistanceMm = (counts: number, dpi: number): number => (counts / dpi) * MM_PER_INCH

/**
 * Converts physical movement to whole counts on one axis. The remaining fraction is added to the next movement, so that
 * a slow hand travels as far as a fast one.
 */
export class CountAccumulator {
  private remainder = 0

  /** @returns whole counts for a movement of `mm` at `dpi`; the sign is the direction */
  take(mm: number, dpi: number): number {
    const exact = (mm * dpi) / MM_PER_INCH + this.remainder
    const counts = Math.trunc(exact)
    this.remainder = exact - counts
    return counts
  }
}
