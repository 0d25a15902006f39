import { medianEstimate, quantile, shareEstimate, type Estimate } from '../base/statistics'
import type { Press } from '../document/session-log'

export interface ClickFigures {
  what: string
  clicks: number
  /** Most in any one second. */
  mostASecond: number
  heldMs: Estimate
  /** Presses that came sooner after the last release than a finger can. */
  chatter: Estimate & { presses: number }
  /** From release to the next press, the shortest, in ms. */
  shortestGapMs: number
}

/** A finger does not lift and press again within this: whatever does is the switch. */
export const CHATTER_MS = 30

/** Clicks of each button, by how often it was pressed. @param presses in order of time */
export function analyseClicks(presses: readonly Press[], chatterMs = CHATTER_MS): ClickFigures[] {
  const names = [...new Set(presses.map(({ what }) => what))]
  return names
    .map((what) => ofOne(what, presses, chatterMs))
    .filter(({ clicks }) => clicks > 0)
    .sort((a, b) => b.clicks - a.clicks)
}

function ofOne(what: string, all: readonly Press[], chatterMs: number): ClickFigures {
  const own = all.filter((press) => press.what === what)
  const downs = own.filter(({ down }) => down).map(({ atMs }) => atMs)
  const held: number[] = []
  const gaps: number[] = []
  own.slice(1).forEach(({ atMs, down }, index) => {
    const before = own[index]
    if (before.down !== down) (down ? gaps : held).push(atMs - before.atMs)
  })
  held.sort((a, b) => a - b)
  gaps.sort((a, b) => a - b)
  const chattered = gaps.filter((gap) => gap < chatterMs).length
  // A press that the switch made is no click of the finger's.
  const meant = downs.length - chattered
  return {
    what,
    clicks: downs.length,
    mostASecond: mostWithin(downs, 1000),
    heldMs: medianEstimate(held),
    chatter: { ...shareEstimate(Math.min(chattered, meant), meant), presses: chattered },
    shortestGapMs: gaps.length === 0 ? Number.NaN : gaps[0],
  }
}

/** How many of some moments, ascending, fit into one window. */
function mostWithin(times: readonly number[], windowMs: number): number {
  let [most, from] = [0, 0]
  times.forEach((time, at) => {
    while (time - times[from] > windowMs) from++
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
