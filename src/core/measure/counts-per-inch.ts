import { itemAt } from '../base/items'
import { MM_PER_INCH } from '../motion/steps'
import { meanEstimate, type Estimate } from '../base/statistics'
import { findStrokes } from './strokes'

/** One movement over a known distance, with its counts. */
export interface Pass {
  axis: 'across' | 'along'
  /** Counts to the right and towards the hand. */
  x: number
  y: number
}

export interface CountsPerInch {
  axis: Pass['axis']
  dpi: Estimate
  /** Error compared with the nominal value, in percent. */
  errorPercent: Estimate
  /** Clockwise rotation of the sensor, in degrees. */
  turnedDegrees: Estimate
  /** Counts of forward movements relative to those back, in percent. */
  asymmetryPercent: number
}

/** Length of the short and of the long side of an ISO/IEC 7810 ID-1 card, such as a bank card, in mm. */
export const CARD_SIDES_MM = { long: 85.6, short: 53.98 }

/**
 * True counts per inch from several passes over one distance, in both directions. Each pass is one measurement. The
 * interval is that of their mean: it includes the variation of the hand, but not an error of the distance.
 *
 * @param distanceMm length of each pass @param nominalDpi DPI set on the device
 */
export function analysePasses(
  passes: readonly Pass[],
  distanceMm: number,
  nominalDpi: number,
): CountsPerInch[] {
  return (['across', 'along'] as const).flatMap((axis) => {
    const own = passes.filter((pass) => pass.axis === axis)
    if (own.length === 0) return []
    const dpis = own.map(({ x, y }) => (Math.hypot(x, y) / distanceMm) * MM_PER_INCH)
    const forth = own.map(({ x, y }) => (axis === 'across' ? x > 0 : y > 0))
    const dpi = meanEstimate(dpis)
    const error = (value: number) => (value / nominalDpi - 1) * 100
    const mean = (which: boolean) => meanEstimate(dpis.filter((_, index) => forth[index] === which)).value
    return [
      {
        axis,
        dpi,
        errorPercent: { ...dpi, value: error(dpi.value), low: error(dpi.low), high: error(dpi.high) },
        turnedDegrees: meanEstimate(own.map(turnOf)),
        asymmetryPercent:
          forth.includes(true) && forth.includes(false) ? (mean(true) / mean(false) - 1) * 100 : 0,
      },
    ]
  })
}

/** A movement straight along its axis, which appears rotated against the rotation of the sensor. */
function turnOf({ axis, x, y }: Pass): number {
  const [along, off] = axis === 'across' ? [x, -y] : [y, x]
  return (Math.atan(off / along) * 180) / Math.PI
}

/** Movements between two pauses, each as a pass along its main axis. */
export const findPasses = (
  timesMs: ArrayLike<number>,
  dx: ArrayLike<number>,
  dy: ArrayLike<number>,
): Pass[] =>
  findStrokes(timesMs, dx, dy).map((points) => {
    const { x, y } = itemAt(points, points.length - 1)
    return { axis: Math.abs(x) >= Math.abs(y) ? 'across' : 'along', x, y }
  })
