import { itemAt } from '../base/items'

/** Estimates how often a device reports, from one movement. */
export interface MeasuredPolling {
  rateHz: number
  reports: number
}

/** Fewer reports do not show a rate. */
const MIN_REPORTS = 10

/**
 * A quick estimate of the polling rate from one movement, while it continues; `analysePolling` has the measurement with
 * its interval. If the hand is fast enough, every poll has a report, so the shortest tenth of the intervals are one
 * period. A device never reports more than once per period, so no interval is shorter.
 *
 * @param timesUs time of each report, ascending, in µs
 * @returns the rate in Hz, rounded to a whole number; undefined for fewer than ten reports
 */
export function measurePolling(timesUs: readonly number[]): MeasuredPolling | undefined {
  if (timesUs.length < MIN_REPORTS) return undefined
  const gaps = timesUs.slice(1).map((atUs, at) => atUs - itemAt(timesUs, at))
  const period = itemAt(
    gaps.sort((a, b) => a - b),
    Math.floor(gaps.length / 10),
  )
  return { rateHz: Math.round(1e6 / period), reports: timesUs.length }
}
