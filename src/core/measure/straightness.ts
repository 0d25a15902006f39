import { errorFunction } from 'simple-statistics'
import { itemAt } from '../base/items'

/** A point of a stroke, in counts. */
export interface StrokePoint {
  x: number
  y: number
}

export interface StrokeFigures {
  /** From end to end, in counts. */
  length: number
  /** Direction of the fitted line, in degrees, 0 to the right and 90 towards the hand; from -90 to 90. */
  degrees: number
  /** Root mean square and maximum distance from that line, in counts. */
  strayRms: number
  strayMost: number
}

/**
 * Straightness of a stroke: distances from the line that fits best at right angles (total least squares: Pearson,
 * Philosophical Magazine 2 (1901)). Points are weighted by the path before them, so that slow parts do not weigh more.
 *
 * @param points at least two
 */
export function analyseStroke(points: readonly StrokePoint[]): StrokeFigures {
  const weights = points.map(({ x, y }, index) => {
    const before = points[index - 1]
    return before ? Math.hypot(x - before.x, y - before.y) : 0
  })
  const total = weights.reduce((sum, weight) => sum + weight, 0) || 1
  const mean = (of: (point: StrokePoint) => number) =>
    points.reduce((sum, point, index) => sum + (weights[index] ?? 0) * of(point), 0) / total
  const [meanX, meanY] = [mean(({ x }) => x), mean(({ y }) => y)]
  const xx = mean(({ x }) => (x - meanX) ** 2)
  const yy = mean(({ y }) => (y - meanY) ** 2)
  const xy = mean(({ x, y }) => (x - meanX) * (y - meanY))
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const [cosine, sine] = [Math.cos(angle), Math.sin(angle)]
  const strays = points.map(({ x, y }) => (y - meanY) * cosine - (x - meanX) * sine)
  const rms = Math.sqrt(
    strays.reduce((sum, stray, index) => sum + (weights[index] ?? 0) * stray ** 2, 0) / total,
  )
  const [first, last] = [itemAt(points, 0), itemAt(points, points.length - 1)]
  return {
    length: Math.hypot(last.x - first.x, last.y - first.y),
    degrees: (angle * 180) / Math.PI,
    strayRms: rms,
    strayMost: Math.max(...strays.map(Math.abs)),
  }
}

export interface SnappingFigures {
  /** Strokes within {@link NEAR_AXIS_DEGREES} of horizontal or vertical. */
  near: number
  /** Those of them that are exactly straight. */
  exact: number
  /** Probability of so many from a hand alone. */
  chance: number
  verdict: 'snaps' | 'does not' | 'not enough strokes'
}

export const NEAR_AXIS_DEGREES = 4.5
/** Strokes this close to an axis count as exactly on it. */
const EXACT_DEGREES = 0.2
const SURE = 0.01
/** Fewer strokes prove nothing, even if all were exact. */
const MIN_NEAR = 4

/** The straightest possible hand: its directions vary normally by half a degree. */
const STRAIGHTEST_SD = 0.5
/** How often such a hand is exact: a normal error within {@link EXACT_DEGREES}. */
const EXACT_BY_HAND = errorFunction(EXACT_DEGREES / (STRAIGHTEST_SD * Math.SQRT2))

/**
 * Whether strokes are snapped to the axes. Even the straightest hand is exactly on an axis in three of ten strokes near
 * one, any other hand less often, and a snapping sensor nearly always. The binomial tail is the probability of as many
 * exact strokes from that hand: at most 1 in 100 hands is mistaken for a sensor.
 */
export function detectSnapping(strokes: readonly StrokeFigures[]): SnappingFigures {
  const off = strokes.map(({ degrees }) => Math.min(Math.abs(degrees), 90 - Math.abs(degrees)))
  const near = off.filter((degrees) => degrees <= NEAR_AXIS_DEGREES)
  const exact = near.filter((degrees) => degrees <= EXACT_DEGREES).length
  const chance = binomialTail(exact, near.length, EXACT_BY_HAND)
  const enough = near.length >= MIN_NEAR
  const verdict = chance < SURE ? 'snaps' : enough ? 'does not' : 'not enough strokes'
  return { near: near.length, exact, chance, verdict }
}

/** Probability of at least so many hits in so many trials. */
function binomialTail(hits: number, trials: number, share: number): number {
  let tail = 0
  let term = (1 - share) ** trials
  for (let at = 0; at <= trials; at++) {
    if (at >= hits) tail += term
    term *= ((trials - at) / (at + 1)) * (share / (1 - share))
  }
  return Math.min(1, tail)
}
