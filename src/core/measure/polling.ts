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
    bins[Math.round(us / BIN_US)]++
    intervals++
  }
  if (intervals < 10) return undefined
  const at = (share: number) => (placeIn(bins, share * intervals) * BIN_US) / 1000
  const medianMs = at(0.5)
  const pauseMs = Math.max(medianMs * PAUSE, 4 * medianMs)
  const moved = stepsOf(timesMs, medianMs, pauseMs)
  return {
    reports: timesMs.length,
    movedS: moved.ms / 1000,
    rateHz: rateOf(timesMs, medianMs, pauseMs, moved.steps),
    ...{ medianMs, jitterMs: (at(0.84) - at(0.16)) / 2, p99Ms: at(0.99), missed: moved.missed },
    histogram: histogramOf(bins, at(0.001), Math.max(at(0.995), medianMs * 2.2)),
    overTime: overTimeOf(timesMs, medianMs),
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

/** Intervals that were due, time they took, and those that are missing, pauses left out. */
function stepsOf(timesMs: Float64Array, medianMs: number, pauseMs: number) {
  let [ms, steps, missed] = [0, 0, 0]
  for (let at = 1; at < timesMs.length; at++) {
    const interval = timesMs[at] - timesMs[at - 1]
    if (interval > pauseMs || interval < 0) continue
    const due = Math.max(1, Math.round(interval / medianMs))
    ms += interval
    steps += due
    missed += due - 1
  }
  return { ms, steps, missed }
}

/** The rate of polls by batches of equal length: each its due intervals over their time, then their mean. */
function rateOf(timesMs: Float64Array, medianMs: number, pauseMs: number, total: number): Estimate {
  const rates: number[] = []
  const each = Math.max(1, Math.floor(total / BATCHES))
  let [ms, steps] = [0, 0]
  for (let at = 1; at < timesMs.length; at++) {
    const interval = timesMs[at] - timesMs[at - 1]
    if (interval > pauseMs || interval < 0) continue
    ms += interval
    steps += Math.max(1, Math.round(interval / medianMs))
    if (steps < each) continue
    rates.push((1000 * steps) / ms)
    ms = steps = 0
  }
  return meanEstimate(rates)
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

const MOST_POINTS = 400

function overTimeOf(timesMs: Float64Array, medianMs: number): PollingFigures['overTime'] {
  const startMs = timesMs[0]
  const lastMs = timesMs[timesMs.length - 1] - startMs
  const windowMs = Math.max(100, 20 * medianMs, lastMs / MOST_POINTS)
  const counts = new Float64Array(Math.floor(lastMs / windowMs) + 1)
  for (const time of timesMs) counts[Math.floor((time - startMs) / windowMs)]++
  // The last window is not over yet.
  return Array.from(counts.slice(0, -1), (count, index) => ({
    s: ((index + 0.5) * windowMs) / 1000,
    rateHz: (1000 * count) / windowMs,
  }))
}
