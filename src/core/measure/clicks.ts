import { errorFunction } from 'simple-statistics'
import { itemAt } from '../base/items'
import { medianEstimate, normalQuantile, quantile, shareEstimate, type Estimate } from '../base/statistics'
import type { Press } from '../document/session-log'

export interface ClickFigures {
  what: string
  clicks: number
  /** Most in any one second. */
  mostASecond: number
  heldMs: Estimate
  /** Presses that came sooner after the last release than a finger can. */
  chatter: Estimate & { presses: number }
  /** Below which gap a press counts as the switch's, and how many of the finger's own gaps would be shorter. */
  threshold: { ms: number; falseAlarms: number }
  /** From release to the next press, the shortest, in ms. */
  shortestGapMs: number
}

/** No finger lifts and presses again within this: whatever does is the switch. */
export const CHATTER_MS = 30
/** How often a gap of the finger's own may be taken for the switch's. */
const FALSE_ALARMS = 0.005
/** Fewer say nothing of a spread. */
const LEAST_GAPS = 8

/**
 * Below which gap a press is the switch's: {@link CHATTER_MS}, or less where this finger itself comes near it. Its own
 * gaps are taken as normal about their median, with the spread that the median of their distances from it gives, which
 * the few of the switch do not move (Hampel, Journal of the American Statistical Association 69 (1974)).
 *
 * @param gaps ascending, in ms
 */
function thresholdOf(gaps: readonly number[]): { ms: number; falseAlarms: number } {
  if (gaps.length < LEAST_GAPS) return { ms: CHATTER_MS, falseAlarms: 0 }
  const median = quantile(gaps, 0.5)
  const away = gaps.map((gap) => Math.abs(gap - median)).sort((a, b) => a - b)
  const sd = Math.max(1.4826 * quantile(away, 0.5), median / 10)
  const ms = Math.max(0, Math.min(CHATTER_MS, median + normalQuantile(FALSE_ALARMS) * sd))
  return { ms, falseAlarms: (1 + errorFunction((ms - median) / sd / Math.SQRT2)) / 2 }
}

/** Clicks of each button, by how often it was pressed. @param presses in order of time */
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
  // A press that the switch made is no click of the finger's.
  const meant = downs.length - chattered
  return {
    what,
    clicks: downs.length,
    mostASecond: mostWithin(downs, 1000),
    heldMs: medianEstimate(held),
    chatter: { ...shareEstimate(Math.min(chattered, meant), meant), presses: chattered },
    threshold,
    shortestGapMs: gaps.length === 0 ? Number.NaN : (gaps[0] ?? 0),
  }
}

/** How many of some moments, ascending, fit into one window. */
function mostWithin(times: readonly number[], windowMs: number): number {
  let [most, from] = [0, 0]
  times.forEach((time, at) => {
    while (time - (times[from] ?? 0) > windowMs) from++
    most = Math.max(most, at - from + 1)
  })
  return most
}

export interface KeyFigures {
  /** The largest sets that were down together, largest first. */
  together: string[][]
  most: number
  /** From one press to the next of any key, in ms: the fastest, and the middle. */
  fastestMs: number
  medianMs: number
}

const SETS_SHOWN = 5

/** What keys registered together, and how close after each other. @param presses in order of time */
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
    most: together[0]?.length ?? 0,
    fastestMs: gaps[0] ?? Number.NaN,
    medianMs: quantile(gaps, 0.5),
  }
}
