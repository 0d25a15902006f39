import { meanEstimate, type Estimate } from './statistics'

/**
 * How often reports come. Intervals are counted in bins of a µs in one pass, so that half an hour of 8,000 Hz is
 * looked at as a whole: median and quantiles come from the bins.
 */
export interface PollingFigures {
  reports: number
  /** Time in which something moved, in s; pauses are left out. */
  movedS: number
  /** Reports a second while something moves; the mean over batches with its interval. */
  rateHz: Estimate
  medianMs: number
  /** Spread of the intervals about the median: half of what lies between the 16th and 84th of 100, in ms. */
  jitterMs: number
  p99Ms: number
  /** Reports that should have come between two that did. */
  missed: number
  histogram: { ms: number; count: number }[]
  /** Reports a second over time. */
  overTime: { s: number; rateHz: number }[]
}

const BIN_US = 1
const MOST_US = 100_000
/** Longer than this many usual intervals nothing moved: no report was due. */
const PAUSE = 20
const BATCHES = 20
const MOST_POINTS = 400

/**
 * @param timesMs when each report came, ascending
 * @returns undefined for fewer than ten reports, which say nothing
 */
export function analysePolling(timesMs: Float64Array): PollingFigures | undefined {
  const bins = new Uint32Array(MOST_US / BIN_US + 1)
  let intervals = 0
  for (let at = 1; at < timesMs.length; at++) {
    const us = (timesMs[at] - timesMs[at - 1]) * 1000
    if (us < 0 || us > MOST_US) continue
    bins[(us / BIN_US + 0.5) | 0]++
    intervals++
  }
  if (intervals < 10) return undefined
  const at = (share: number) => (placeIn(bins, share * intervals) * BIN_US) / 1000
  const medianMs = at(0.5)
  const { ms, missed, rates, overTime } = walk(timesMs, medianMs)
  return {
    reports: timesMs.length,
    movedS: ms / 1000,
    rateHz: meanEstimate(rates),
    ...{ medianMs, jitterMs: (at(0.84) - at(0.16)) / 2, p99Ms: at(0.99), missed },
    histogram: histogramOf(bins, at(0.001), Math.max(at(0.995), medianMs * 2.2)),
    overTime,
  }
}

/** In which bin the value of that rank lies, with its place within the bin. */
function placeIn(bins: Uint32Array, rank: number): number {
  let below = 0
  for (let bin = 0; bin < bins.length; bin++) {
    if (below + bins[bin] >= rank) return bins[bin] === 0 ? bin : bin - 0.5 + (rank - below) / bins[bin]
    below += bins[bin]
  }
  return bins.length - 1
}

/**
 * One walk along all reports: time and intervals that were due, pauses left out; the rate of each batch, its due
 * intervals over their time; reports in each window of time.
 */
function walk(timesMs: Float64Array, medianMs: number) {
  const pauseMs = medianMs * PAUSE
  const usual = 1.5 * medianMs
  const each = Math.max(1, Math.floor((timesMs.length - 1) / BATCHES))
  const startMs = timesMs[0]
  const windowMs = Math.max(100, 20 * medianMs, (timesMs[timesMs.length - 1] - startMs) / MOST_POINTS)
  const rates: number[] = []
  const overTime: PollingFigures['overTime'] = []
  let [ms, missed, batchMs, batchSteps, inWindow] = [0, 0, 0, 0, 1]
  let windowEnd = startMs + windowMs
  for (let at = 1; at < timesMs.length; at++) {
    const time = timesMs[at]
    for (; time >= windowEnd; windowEnd += windowMs) {
      overTime.push({ s: (windowEnd - startMs - windowMs / 2) / 1000, rateHz: (1000 * inWindow) / windowMs })
      inWindow = 0
    }
    inWindow++
    const interval = time - timesMs[at - 1]
    if (interval <= pauseMs && interval >= 0) {
      const due = interval < usual ? 1 : Math.round(interval / medianMs)
      ms += interval
      batchMs += interval
      batchSteps += due
      missed += due - 1
    }
    if (at % each === 0 && batchSteps > 0) {
      rates.push((1000 * batchSteps) / batchMs)
      batchMs = batchSteps = 0
    }
  }
  return { ms, missed, rates, overTime }
}

const BARS = 60

function histogramOf(bins: Uint32Array, fromMs: number, toMs: number): PollingFigures['histogram'] {
  const from = Math.max(0, Math.floor((fromMs * 1000) / BIN_US))
  const wide = Math.max(1, Math.ceil(((toMs - fromMs) * 1000) / BIN_US / BARS))
  return Array.from({ length: BARS }, (_, bar) => {
    const start = from + bar * wide
    let count = 0
    for (let bin = start; bin < Math.min(bins.length, start + wide); bin++) count += bins[bin]
    return { ms: ((start + wide / 2) * BIN_US) / 1000, count }
  })
}
