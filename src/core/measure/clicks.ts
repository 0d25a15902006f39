import { clamp } from '../base/numbers'
import { errorFunction } from 'simple-statistics'
import { itemAt } from '../base/items'
import {
  medianEstimate,
  normalQuantile,
  quantile,
  proportionEstimate,
  type Estimate,
} from '../base/statistics'
import type { Press } from '../document/session-log'

export interface ClickFigures {
  what: string
  clicks: number
  /** Maximum in any second. */
  maxPerSecond: number
  heldMs: Estimate
  /** Presses that came sooner after the last release than a finger can press. */
  chatter: Estimate & { presses: number }
  /**
   * The gap below which a press counts as made by the switch, and the share of the finger's own gaps that are shorter.
   */
  threshold: { ms: number; falseAlarms: number }
  /** Shortest time from a release to the next press, in ms. */
  shortestGapMs: number
}

/** No finger can release and press again this fast, so it must be the switch. */
export const CHATTER_MS = 30
/** Maximum probability of attributing a finger's gap to the switch. */
const FALSE_ALARMS = 0.005
/** Fewer values do not show a spread. */
const MIN_GAPS = 8

/**
 * The gap below which a press counts as made by the switch: {@link CHATTER_MS}, or less if this finger comes close to
 * it. Its own gaps are assumed to be normal around their median, with a spread from the median of their distances from
 * it, which the few presses of the switch do not affect (Hampel, Journal of the American Statistical Association 69
 * (1974)).
 *
 * @param gaps ascending, in ms
 */
function thresholdOf(gaps: readonly number[]): { ms: number; falseAlarms: number } {
  if (gaps.length < MIN_GAPS) return { ms: CHATTER_MS, falseAlarms: 0 }
  const median = quantile(gaps, 0.5)
  const away = gaps.map((gap) => Math.abs(gap - median)).sort((a, b) => a - b)
  const sd = Math.max(1.4826 * quantile(away, 0.5), median / 10)
  const ms = clamp(median + normalQuantile(FALSE_ALARMS) * sd, 0, CHATTER_MS)
  return { ms, falseAlarms: (1 + errorFunction((ms - median) / sd / Math.SQRT2)) / 2 }
}

/** Clicks of each button, the most frequent first. @param presses in order of time */
export function analyseClicks(presses: readonly Press[]): ClickFigures[] {
  const names = [...new Set(presses.map(({ what }) => what))]
  return names
    .map((what) => ofOne(what, presses))
    .filter(({ clicks }) => clicks > 0)
    .sort((a, b) => b.clicks - a.clicks)
}

function ofOne(what: string, all: readonly Press[]): ClickFigures {
  const own = all.filter((press) => press.what === what)
  const downs = own.filter(({ down }) => down).map(({ atMs }) => atMs)
  const held: number[] = []
  const gaps: number[] = []
  own.slice(1).forEach(({ atMs, down }, index) => {
    const before = itemAt(own, index)
    if (before.down !== down) (down ? gaps : held).push(atMs - before.atMs)
  })
  held.sort((a, b) => a - b)
  gaps.sort((a, b) => a - b)
  const threshold = thresholdOf(gaps)
  const chattered = gaps.filter((gap) => gap < threshold.ms).length
  // A press made by the switch is not a click of the finger.
  const meant = downs.length - chattered
  return {
    what,
    clicks: downs.length,
    maxPerSecond: maxWithin(downs, 1000),
    heldMs: medianEstimate(held),
    chatter: { ...proportionEstimate(Math.min(chattered, meant), meant), presses: chattered },
    threshold,
    shortestGapMs: gaps.length === 0 ? Number.NaN : (gaps[0] ?? 0),
  }
}

/** Maximum number of ascending times within one window. */
function maxWithin(times: readonly number[], windowMs: number): number {
  let [max, from] = [0, 0]
  times.forEach((time, at) => {
    while (time - (times[from] ?? 0) > windowMs) from++
    max = Math.max(max, at - from + 1)
  })
  return max
}

export interface KeyFigures {
  /** The largest sets of keys held together, in descending order. */
  together: string[][]
  max: number
  /** Time from one press to the next of any key, in ms: the minimum, and the median. */
  fastestMs: number
  medianMs: number
}

const SETS_SHOWN = 5

/** Keys reported together, and the times between them. @param presses in order of time */
export function analyseKeys(presses: readonly Press[]): KeyFigures {
  const down = new Set<string>()
  const sets = new Map<string, string[]>()
  const gaps: number[] = []
  let lastMs: number | undefined
  for (const { what, atMs, down: pressed } of presses) {
    if (!pressed) {
      down.delete(what)
      continue
    }
    if (lastMs !== undefined) gaps.push(atMs - lastMs)
    lastMs = atMs
    down.add(what)
    const set = [...down].sort()
    sets.set(set.join(' '), set)
  }
  gaps.sort((a, b) => a - b)
  const together = [...sets.values()].sort((a, b) => b.length - a.length)
  return {
    together: together.slice(0, SETS_SHOWN),
    max: together[0]?.length ?? 0,
    fastestMs: gaps[0] ?? Number.NaN,
    medianMs: quantile(gaps, 0.5),
  }
}
