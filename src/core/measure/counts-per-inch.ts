import { itemAt } from '../base/items'
import { MM_PER_INCH } from '../motion/steps'
import { meanEstimate, type Estimate } from '../base/statistics'
import { strokesOf } from './strokes'

/** One movement over a known distance, as it was counted. */
export interface Pass {
  axis: 'across' | 'along'
  /** Counts to the right and towards the hand. */
  x: number
  y: number
}

export interface CountsPerInch {
  axis: Pass['axis']
  dpi: Estimate
  /** Against what it should be, in percent. */
  errorPercent: Estimate
  /** How far the sensor is turned, clockwise, in degrees. */
  turnedDegrees: Estimate
  /** There against back: counts of the one over those of the other, in percent. */
  asymmetryPercent: number
}

/** Length of the short side of an ISO/IEC 7810 ID-1 card, a bank card, and of its long one, in mm. */
export const CARD_MM = { long: 85.6, short: 53.98 }

/**
 * True counts per inch from several passes over one distance, both ways. Each pass is one measurement; the interval
 * is that of their mean, so it holds what a hand adds, not an error in the distance itself.
 *
 * @param distanceMm how far each pass went @param nominalDpi what the device is set to
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

/** A movement that was straight along its axis, and came out turned the other way than the sensor is. */
function turnOf({ axis, x, y }: Pass): number {
  const [along, off] = axis === 'across' ? [x, -y] : [y, x]
  return (Math.atan(off / along) * 180) / Math.PI
}

/** What was moved between two pauses, each as a pass along the axis it went further on. */
export const passesOf = (timesMs: ArrayLike<number>, dx: ArrayLike<number>, dy: ArrayLike<number>): Pass[] =>
  strokesOf(timesMs, dx, dy).map((points) => {
    const { x, y } = itemAt(points, points.length - 1)
    return { axis: Math.abs(x) >= Math.abs(y) ? 'across' : 'along', x, y }
  })
