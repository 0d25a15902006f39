import { CONFIDENCE, tQuantile, type Estimate } from '../base/statistics'

/**
 * How often reports arrive. Intervals are counted in bins of 1 µs in one pass, so that half an hour at 8,000 Hz is
 * analysed as a whole; median and quantiles come from the bins.
 */
export interface PollingFigures {
  reports: number
  /** Polls per second while something moves, including those without a report; undefined if the clock is too coarse. */
  rateHz: Estimate
  /** Reports per second while something moves, without polls that have none; known even if the rate is not. */
  reportsHz: Estimate
  /** Resolution of the clock in ms, if it is too coarse for a rate. */
  clockMs: number | undefined
  medianMs: number
  /** Spread of the intervals around the median: half the distance between the 16th and 84th percentiles, in ms. */
  jitterMs: number
  /** Polls without a report between two reports; 0 if the clock is too coarse. */
  missed: number
  histogram: { ms: number; count: number }[]
  /** Reports per second over time. */
  overTime: { s: number; rateHz: number }[]
}

const BIN_US = 1
const MAX_US = 100_000
/** After this many typical intervals, nothing moved and no report was expected. */
const PAUSE = 20
const MAX_POINTS = 400

/**
 * @param timesMs time of each report, ascending
 * @returns undefined for fewer than ten reports, which show nothing
 */
export function analysePolling(timesMs: Float64Array): PollingFigures | undefined {
  const bins = new Uint32Array(MAX_US / BIN_US + 1)
  let intervals = 0
  let before = timesMs[0] ?? 0
  for (let at = 1; at < timesMs.length; at++) {
    const time = timesMs[at] ?? 0
    const us = (time - before) * 1000
    before = time
    if (us < 0 || us > MAX_US) continue
    bins[(us / BIN_US + 0.5) | 0] = (bins[(us / BIN_US + 0.5) | 0] ?? 0) + 1
    intervals++
  }
  if (intervals < 10) return undefined
  const at = (share: number) => (placeIn(bins, share * intervals) * BIN_US) / 1000
  const runs = runsOf(timesMs, at)
  const clockMs = clockOf(timesMs)
  const byCount = (1000 * sum(runs, ({ from, to }) => to - from - 1)) / sum(runs, ({ ms }) => ms)
  const coarse = isCoarse(timesMs, clockMs, 1000 / byCount)
  const rateHz = coarse ? NO_RATE : withClock(rateOf(timesMs, runs, byCount), clockMs, runs)
  const medianMs = at(0.5)
  return {
    reports: timesMs.length,
    rateHz,
    reportsHz: reportsOf(timesMs, runs),
    clockMs: coarse ? clockMs : undefined,
    medianMs,
    jitterMs: (at(0.84) - at(0.16)) / 2,
    missed: Number.isNaN(rateHz.value)
      ? 0
      : sum(runs, ({ ms, from, to }) =>
          Math.max(0, Math.round((ms * rateHz.value) / 1000) - (to - from - 1)),
        ),
    histogram: histogramOf(bins, at(0.001), Math.max(at(0.995), medianMs * 2.2)),
    overTime: overTimeOf(timesMs, 1000 / byCount),
  }
}

const sum = <T>(list: readonly T[], of: (item: T) => number): number =>
  list.reduce((total, item) => total + of(item), 0)

/** The bin of the value with this rank, and its position within the bin. */
function placeIn(bins: Uint32Array, rank: number): number {
  let below = 0
  for (let bin = 0; bin < bins.length; bin++) {
    if (below + (bins[bin] ?? 0) >= rank)
      return bins[bin] === 0 ? bin : bin - 0.5 + (rank - below) / (bins[bin] ?? 0)
    below += bins[bin] ?? 0
  }
  return bins.length - 1
}

/** Sequences of reports without a pause: their indices, and the time from first to last. */
interface Run {
  from: number
  to: number
  ms: number
}

/**
 * A pause has the length of many intervals; an interval is at most as long as three of four are, whatever the clock.
 */
function runsOf(timesMs: Float64Array, at: (share: number) => number): Run[] {
  const pauseMs = PAUSE * Math.max(at(0.75), 0.05)
  const runs: Run[] = []
  let from = 0
  for (let here = 1; here <= timesMs.length; here++) {
    // The last run ends with the list.
    const interval = (timesMs[here] ?? Infinity) - (timesMs[here - 1] ?? 0)
    if (interval <= pauseMs && interval >= 0) continue
    if (here - from > 1) runs.push({ from, to: here, ms: (timesMs[here - 1] ?? 0) - (timesMs[from] ?? 0) })
    from = here
  }
  return runs
}

/** From the mean of the intervals within runs, by Student's t. */
function reportsOf(timesMs: Float64Array, runs: readonly Run[]): Estimate {
  const count = sum(runs, ({ from, to }) => to - from - 1)
  const meanMs = sum(runs, ({ ms }) => ms) / count
  let squares = 0
  for (const { from, to } of runs)
    for (let at = from + 1; at < to; at++)
      squares += ((timesMs[at] ?? 0) - (timesMs[at - 1] ?? 0) - meanMs) ** 2
  if (count < 2) return NO_RATE
  const half = tQuantile((1 + CONFIDENCE) / 2, count - 1) * Math.sqrt(squares / (count - 1) / count)
  const low = 1000 / (meanMs + half)
  const high = half < meanMs ? 1000 / (meanMs - half) : Number.NaN
  return { value: 1000 / meanMs, low, high, count }
}

const CLOCKS_MS = [1, 0.5, 0.2, 0.1, 0.05, 0.02, 0.01, 0.005]
const MAX_LOOKED_AT = 2000

/** The coarsest of the usual clocks whose ticks match all stamps; undefined for a finer one. */
function clockOf(timesMs: Float64Array): number | undefined {
  const looked = timesMs.subarray(0, MAX_LOOKED_AT)
  return CLOCKS_MS.find((tick) =>
    looked.every((time) => Math.abs(time / tick - Math.round(time / tick)) < 1e-3),
  )
}

/**
 * Whether a clock is too coarse for a rate: its tick is a large part of the period, and the stamps vary. Losses, jitter
 * and the clock then look alike, unless nearly all intervals are equal.
 */
function isCoarse(timesMs: Float64Array, clockMs: number | undefined, periodMs: number): boolean {
  if (clockMs === undefined || clockMs <= 0.35 * periodMs) return false
  const counts = new Map<number, number>()
  const looked = timesMs.subarray(0, MAX_LOOKED_AT)
  for (let at = 1; at < looked.length; at++) {
    const ticks = Math.round(((looked[at] ?? 0) - (looked[at - 1] ?? 0)) / clockMs)
    counts.set(ticks, (counts.get(ticks) ?? 0) + 1)
  }
  return Math.max(...counts.values()) < 0.95 * (looked.length - 1)
}

/**
 * Ticks of a clock are not normally distributed, so an interval is at least as wide as one tick over the whole time
 * makes it.
 */
function withClock(rate: Estimate, clockMs: number | undefined, runs: readonly Run[]): Estimate {
  const more = (rate.value * (clockMs ?? 0)) / sum(runs, ({ ms }) => ms)
  return { ...rate, low: rate.low - more, high: rate.high + more }
}

const NO_RATE: Estimate = { value: Number.NaN, low: -Infinity, high: Infinity, count: 0 }

/** Reports in the first step, and the factor for each further step. */
const FIRST = 1024
const LONGER = 4
const BATCHES = 20
const MIN_IN_BATCH = 32
/** More reports do not improve the phase, and half an hour has millions. */
const MAX_IN_BATCH = 8192

/**
 * The rate at which a computer polls, from stamps with jitter and with missing reports: polls are on a grid, and the
 * stamps keep the phase of its rate. First the peak of the periodogram of the first reports (Rayleigh's statistic;
 * Bretthorst, Bayesian Spectrum Analysis, 1988, ch. 2, has it as the best estimate of one frequency), then the slope of
 * the phase from batch to batch, over increasingly longer stretches, with an interval by least squares. A missing
 * report does not affect the phase, and neither does symmetrical jitter.
 */
function rateOf(timesMs: Float64Array, runs: readonly Run[], byCountHz: number): Estimate {
  const max = sum(runs, ({ from, to }) => to - from)
  let reports = Math.min(FIRST, max)
  const peak = peakNear(timesMs, firstOf(runs, reports), byCountHz)
  if (peak === undefined) return NO_RATE
  let rate: Estimate = { ...NO_RATE, value: peak }
  for (;;) {
    rate = bySlope(timesMs, firstOf(runs, reports), rate.value)
    if (reports === max) return rate
    reports = Math.min(max, reports * LONGER)
  }
}

/** That many reports from the start, run by run. */
function firstOf(runs: readonly Run[], reports: number): Run[] {
  let left = reports
  return runs.flatMap((run) => {
    const to = Math.min(run.to, run.from + left)
    left -= Math.max(0, to - run.from)
    return to - run.from > 1 ? [{ ...run, to }] : []
  })
}

/** Sum of the stamps' phases at a frequency, as a vector. */
function phasor(timesMs: Float64Array, from: number, to: number, hz: number): { x: number; y: number } {
  const turn = (2 * Math.PI * hz) / 1000
  const start = timesMs[from] ?? 0
  let [x, y] = [0, 0]
  for (let at = from; at < to; at++) {
    const angle = turn * ((timesMs[at] ?? 0) - start)
    x += Math.cos(angle)
    y += Math.sin(angle)
  }
  return { x, y }
}

/** Up to a quarter of the reports may be missing; a few per cent may be duplicated. */
const MIN_FACTOR = 0.97
const MAX_FACTOR = 1.35

/** @returns undefined if no frequency stands out from chance */
function peakNear(timesMs: Float64Array, runs: readonly Run[], byCountHz: number): number | undefined {
  const longestMs = Math.max(...runs.map(({ from, to }) => (timesMs[to - 1] ?? 0) - (timesMs[from] ?? 0)))
  const powerAt = (hz: number) =>
    sum(runs, ({ from, to }) => {
      const { x, y } = phasor(timesMs, from, to, hz)
      return x * x + y * y
    })
  let best = { hz: byCountHz, power: -1 }
  let looks = 0
  const look = (low: number, high: number, step: number) => {
    for (let hz = low; hz <= high; hz += step) {
      looks++
      const power = powerAt(hz)
      if (power > best.power) best = { hz, power }
    }
  }
  const width = 1000 / longestMs
  look(MIN_FACTOR * byCountHz, MAX_FACTOR * byCountHz, width / 5)
  look(best.hz - width / 5, best.hz + width / 5, width / 50)
  // For stamps without a grid, power divided by their number is distributed exponentially at each frequency.
  const reports = sum(runs, ({ from, to }) => to - from)
  return best.power / reports > Math.log(looks) + SURE ? best.hz : undefined
}

/** Chance would be taken for a grid once in e to the power of this. */
const SURE = 4

/** The slope of the phase from batch to batch at a nearly correct frequency. */
function bySlope(timesMs: Float64Array, runs: readonly Run[], hz: number): Estimate {
  const reports = sum(runs, ({ from, to }) => to - from)
  const each = Math.max(MIN_IN_BATCH, Math.ceil(reports / BATCHES))
  let [spread, together, count, lines] = [0, 0, 0, 0]
  const points: { s: number; cycles: number }[][] = runs.map(({ from, to }) =>
    phasesOf(timesMs, from, to, each, hz),
  )
  const centred = points
    .filter((line) => line.length > 1)
    .map((line) => {
      const [s, cycles] = [sum(line, (at) => at.s) / line.length, sum(line, (at) => at.cycles) / line.length]
      return line.map((at) => ({ s: at.s - s, cycles: at.cycles - cycles }))
    })
  for (const line of centred) {
    lines++
    for (const { s, cycles } of line) {
      spread += s * s
      together += s * cycles
      count++
    }
  }
  if (spread === 0) return { value: hz, low: -Infinity, high: Infinity, count: reports }
  const slope = together / spread
  const free = count - lines - 1
  const strays = sum(centred, (line) => sum(line, ({ s, cycles }) => (cycles - slope * s) ** 2))
  const margin = free > 0 ? tQuantile(CONFIDENCE, free) * Math.sqrt(strays / free / spread) : Infinity
  // At too high a rate, the phase runs ahead of the stamps.
  return { value: hz - slope, low: hz - slope - margin, high: hz - slope + margin, count: reports }
}

/** The phase of each batch of a run in cycles, relative to the start of the run, without jumps by whole cycles. */
function phasesOf(timesMs: Float64Array, from: number, to: number, each: number, hz: number) {
  const batches = Math.max(1, Math.floor((to - from) / each))
  const size = (to - from) / batches
  const startMs = timesMs[from] ?? 0
  const line: { s: number; cycles: number }[] = []
  for (let batch = 0; batch < batches; batch++) {
    const first = from + Math.round(batch * size)
    const behind = Math.min(from + Math.round((batch + 1) * size), first + MAX_IN_BATCH)
    const { x, y } = phasor(timesMs, first, behind, hz)
    // Whole turns are removed first: they are many, and would reduce the precision.
    const turns = (((timesMs[first] ?? 0) - startMs) * hz) / 1000
    const cycles = Math.atan2(y, x) / (2 * Math.PI) + (turns - Math.round(turns))
    const before = line.at(-1)?.cycles ?? 0
    line.push({
      s: (((timesMs[first] ?? 0) + (timesMs[behind - 1] ?? 0)) / 2 - startMs) / 1000,
      cycles: cycles - Math.round(cycles - before),
    })
  }
  return line
}

/** Reports in each window of time, without the last, unfinished one. */
function overTimeOf(timesMs: Float64Array, medianMs: number): PollingFigures['overTime'] {
  const startMs = timesMs[0] ?? 0
  const lastMs = (timesMs[timesMs.length - 1] ?? 0) - startMs
  const windowMs = Math.max(100, 20 * medianMs, lastMs / MAX_POINTS)
  const edges = Array.from({ length: Math.floor(lastMs / windowMs) + 1 }, (_, window) =>
    firstFrom(timesMs, startMs + window * windowMs),
  )
  return edges.slice(1).map((edge, window) => ({
    s: ((window + 0.5) * windowMs) / 1000,
    rateHz: (1000 * (edge - (edges[window] ?? 0))) / windowMs,
  }))
}

/** Index of the first report at or after a time. */
function firstFrom(timesMs: Float64Array, ms: number): number {
  let [low, high] = [0, timesMs.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((timesMs[middle] ?? 0) < ms) low = middle + 1
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
    for (let bin = start; bin < Math.min(bins.length, start + wide); bin++) count += bins[bin] ?? 0
    return { ms: ((start + wide / 2) * BIN_US) / 1000, count }
  })
}
