import {
  errorFunction,
  mean,
  medianSorted,
  probit,
  quantileSorted,
  sampleStandardDeviation,
} from 'simple-statistics'

/** A figure with its confidence interval. */
export interface Estimate {
  value: number
  low: number
  high: number
  /** Number of values behind it. */
  count: number
}

/** Default confidence of an interval. */
export const CONFIDENCE = 0.95

/** Quantile of the normal distribution: the library's approximation, improved by one Newton step. */
export function normalQuantile(p: number): number {
  const guess = probit(p)
  const below = (1 + errorFunction(guess / Math.SQRT2)) / 2
  return guess - (below - p) / (Math.exp(-(guess ** 2) / 2) / Math.sqrt(2 * Math.PI))
}

/**
 * Quantile of Student's t: Hill, "Algorithm 396: Student's t-Quantiles", Communications of the ACM 13 (1970). Accurate
 * to about 1e-4 from 3 degrees of freedom; exact for 1 and 2.
 *
 * @param confidence two-sided, such as 0.95
 */
export function tQuantile(confidence: number, degrees: number): number {
  const p = 1 - confidence
  if (degrees < 1) return Infinity
  if (degrees === 1) return 1 / Math.tan((p * Math.PI) / 2)
  if (degrees === 2) return Math.sqrt(2 / (p * (2 - p)) - 2)
  const a = 1 / (degrees - 0.5)
  const b = 48 / a ** 2
  let c = ((20700 * a) / b - 98) * a - 16
  c = c * a + 96.36
  const d = ((94.5 / (b + c) - 3) / b + 1) * Math.sqrt((a * Math.PI) / 2) * degrees
  let y = (d * p) ** (2 / degrees)
  if (y > 0.05 + a) {
    const x = normalQuantile(p / 2)
    y = x ** 2
    let c2 = c
    if (degrees < 5) c2 += 0.3 * (degrees - 4.5) * (x + 0.6)
    c2 = (((0.05 * d * x - 5) * x - 7) * x - 2) * x + b + c2
    y = (((((0.4 * y + 6.3) * y + 36) * y + 94.5) / c2 - y - 3) / b + 1) * x
    y = Math.expm1(a * y ** 2)
  } else {
    y =
      ((1 / (((degrees + 6) / (degrees * y) - 0.089 * d - 0.822) * (degrees + 2) * 3) + 0.5 / (degrees + 4)) *
        y -
        1) *
        ((degrees + 1) / (degrees + 2)) +
      1 / y
  }
  return Math.sqrt(degrees * y)
}

/** The mean of normally distributed values, by Student's t. A single value has no interval. */
export function meanEstimate(values: readonly number[], confidence = CONFIDENCE): Estimate {
  const count = values.length
  if (count === 0) return { value: Number.NaN, low: -Infinity, high: Infinity, count }
  const value = mean([...values])
  if (count === 1) return { value, low: -Infinity, high: Infinity, count }
  const margin = (tQuantile(confidence, count - 1) * sampleStandardDeviation([...values])) / Math.sqrt(count)
  return { value, low: value - margin, high: value + margin, count }
}

/**
 * The median of values of any distribution with its confidence interval between two of the values: order statistics
 * with the normal approximation of the binomial (Conover, Practical Nonparametric Statistics, 3.2).
 */
export function medianEstimate(sorted: ArrayLike<number>, confidence = CONFIDENCE): Estimate {
  const count = sorted.length
  if (count === 0) return { value: Number.NaN, low: -Infinity, high: Infinity, count }
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- simple-statistics reads any list with a length
  const values = sorted as number[]
  const half = (-normalQuantile((1 - confidence) / 2) * Math.sqrt(count)) / 2
  // Ranks from 1, both rounded up as in the source; indices count from 0.
  const low = Math.ceil(count / 2 - half) - 1
  const high = Math.ceil(count / 2 + half) - 1
  return {
    value: medianSorted(values),
    low: low < 0 ? -Infinity : (values[low] ?? 0),
    high: high >= count ? Infinity : (values[high] ?? 0),
    count,
  }
}

/** A proportion of trials with its interval: Wilson, Journal of the American Statistical Association 22 (1927). */
export function proportionEstimate(hits: number, count: number, confidence = CONFIDENCE): Estimate {
  if (count === 0) return { value: Number.NaN, low: 0, high: 1, count }
  const z = -normalQuantile((1 - confidence) / 2)
  const share = hits / count
  const centre = (share + z ** 2 / (2 * count)) / (1 + z ** 2 / count)
  const margin =
    (z * Math.sqrt((share * (1 - share)) / count + z ** 2 / (4 * count ** 2))) / (1 + z ** 2 / count)
  return { value: share, low: Math.max(0, centre - margin), high: Math.min(1, centre + margin), count }
}

/** @param sorted ascending @param at from 0 to 1 */
export const quantile = (sorted: ArrayLike<number>, at: number): number =>
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- simple-statistics reads any list with a length
  sorted.length === 0 ? Number.NaN : quantileSorted(sorted as number[], at)
