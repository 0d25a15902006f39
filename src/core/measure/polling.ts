import { meanEstimate, type Estimate } from '../base/statistics'

/**
 * How often reports come. Intervals are counted in bins of a µs in one pass, so that half an hour of 8,000 Hz is
 * looked at as a whole: median and quantiles come from the bins.
 */
export interface PollingFigures {
  reports: number
  /** Reports a second while something moves; the mean over batches with its interval. */
  rateHz: Estimate
  medianMs: number
  /** Spread of the intervals about the median: half of what lies between the 16th and 84th of 100, in ms. */
  jitterMs: number
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
  let before = timesMs[0]
  for (let at = 1; at < timesMs.length; at++) {
    const time = timesMs[at]
    const us = (time - before) * 1000
    before = time
    if (us < 0 || us > MOST_US) continue
    bins[(us / BIN_US + 0.5) | 0]++
    intervals++
  }
  if (intervals < 10) return undefined
  const at = (share: number) => (placeIn(bins, share * intervals) * BIN_US) / 1000
  const medianMs = at(0.5)
  const batches = batchesOf(timesMs, medianMs)
  const sum = (of: (batch: Stretch) => number) => batches.reduce((total, batch) => total + of(batch), 0)
  return {
    reports: timesMs.length,
    rateHz: meanEstimate(batches.map(({ ms, due }) => (1000 * due) / ms)),
    medianMs,
    jitterMs: (at(0.84) - at(0.16)) / 2,
    missed: sum(({ due, came }) => due - came),
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

interface Stretch {
  /** Time that passed, pauses left out, and the intervals that were due and that came in it. */
  ms: number
  due: number
  came: number
}

/**
 * What lies between some reports. One small loop of its own: written into a larger one it took three times as long,
 * and half an hour has millions of reports.
 */
function stretchOf(timesMs: Float64Array, from: number, to: number, medianMs: number): Stretch {
  const pauseMs = medianMs * PAUSE
  const usual = 1.5 * medianMs
  let [ms, due, came] = [0, 0, 0]
  let before = timesMs[from - 1]
  for (let at = from; at < to; at++) {
    const time = timesMs[at]
    const interval = time - before
    before = time
    if (interval > pauseMs || interval < 0) continue
    ms += interval
    due += interval < usual ? 1 : Math.round(interval / medianMs)
    came++
  }
  return { ms, due, came }
}

/** All reports, in batches of as many each. */
function batchesOf(timesMs: Float64Array, medianMs: number): Stretch[] {
  const each = Math.ceil((timesMs.length - 1) / BATCHES)
  const starts = Array.from(
    { length: Math.ceil((timesMs.length - 1) / each) },
    (_, batch) => 1 + batch * each,
  )
  return starts
    .map((from) => stretchOf(timesMs, from, Math.min(timesMs.length, from + each), medianMs))
    .filter(({ ms }) => ms > 0)
}

/** Reports in each window of time; the last one, which is not over, is left out. */
function overTimeOf(timesMs: Float64Array, medianMs: number): PollingFigures['overTime'] {
  const startMs = timesMs[0]
  const lastMs = timesMs[timesMs.length - 1] - startMs
  const windowMs = Math.max(100, 20 * medianMs, lastMs / MOST_POINTS)
  const edges = Array.from({ length: Math.floor(lastMs / windowMs) + 1 }, (_, window) =>
    firstFrom(timesMs, startMs + window * windowMs),
  )
  return edges.slice(1).map((edge, window) => ({
    s: ((window + 0.5) * windowMs) / 1000,
    rateHz: (1000 * (edge - edges[window])) / windowMs,
  }))
}

/** Where the first report at or after a moment stands. */
function firstFrom(timesMs: Float64Array, ms: number): number {
  let [low, high] = [0, timesMs.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (timesMs[middle] < ms) low = middle + 1
    else high = middle
  }
  return low
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
