import { itemAt } from '../base/items'
import { debounced, type Edge } from './debounce'
import type { DebounceStrategy } from '../onboard/settings'
import { chance } from '../base/random'

/** A switch by its wear: 0 as new, 1 worn out. */
export interface SwitchWear {
  wear: number
  seed: number
}

export interface ClickSeries {
  /** Edges of the contact, in order. */
  edges: Edge[]
  /** When the finger pressed and lifted. */
  clicks: { pressUs: number; releaseUs: number }[]
}

/**
 * A finger clicking a simulated switch. On making and breaking the contact bounces: a few openings, longer and
 * more of them with wear. A worn contact also loses touch for a moment in the middle of a press, which is what
 * gives unwanted double clicks. The figures are ours, of the size that data sheets give for snap-action switches
 * (bounce up to about 5 ms).
 */
export function wornClicks(count: number, { wear, seed }: SwitchWear): ClickSeries {
  const by = chance(seed)
  const edges: Edge[] = []
  const clicks: ClickSeries['clicks'] = []
  let nowUs = 20_000
  for (let click = 0; click < count; click++) {
    const pressUs = nowUs
    const releaseUs = Math.round(pressUs + 55_000 + by.uniform() * 60_000)
    clicks.push({ pressUs, releaseUs })
    const settledUs = bounce(edges, pressUs, true, wear, by)
    if (by.uniform() < 0.35 * wear ** 2) {
      const lostUs = settledUs + by.uniform() * (releaseUs - settledUs - 30_000)
      const backUs = lostUs + Math.min(25_000, by.exponential(3500 + 4500 * wear))
      edges.push({ atUs: lostUs, closed: false }, { atUs: backUs, closed: true })
    }
    bounce(edges, releaseUs, false, wear, by)
    nowUs = Math.round(releaseUs + 90_000 + by.uniform() * 120_000)
  }
  return { edges: edges.map(({ atUs, closed }) => ({ atUs: Math.round(atUs), closed })), clicks }
}

/** The contact comes to rest at `closed`. @returns when it does */
function bounce(
  edges: Edge[],
  fromUs: number,
  closed: boolean,
  wear: number,
  by: ReturnType<typeof chance>,
): number {
  const times = Math.floor(by.exponential(1 + 3 * wear))
  let atUs = fromUs
  edges.push({ atUs, closed })
  for (let each = 0; each < Math.min(times, 12); each++) {
    for (const state of [!closed, closed]) {
      atUs += 40 + by.exponential(120 + 350 * wear)
      edges.push({ atUs, closed: state })
    }
  }
  return atUs
}

export interface DebounceOutcome {
  ms: number
  /** Share of the finger's clicks that came out as two or more presses. */
  doubled: number
  /** Share that did not come out at all. */
  missed: number
  /** Mean time from finger to press, in ms. */
  delayMs: number
}

/** What a debounce time does with a series of clicks: unwanted double clicks against added delay. */
export function debounceOutcome(
  { edges, clicks }: ClickSeries,
  strategy: DebounceStrategy,
  ms: number,
): DebounceOutcome {
  const presses = debounced(edges, { strategy, us: ms * 1000 }).filter(({ down }) => down)
  let [doubled, missed, delayUs, met, at] = [0, 0, 0, 0, 0]
  clicks.forEach(({ pressUs }, index) => {
    const nextUs = clicks[index + 1]?.pressUs ?? Infinity
    const first = at
    while (at < presses.length && itemAt(presses, at).atUs < nextUs) at++
    if (at === first) missed++
    else {
      met++
      delayUs += itemAt(presses, first).atUs - pressUs
      if (at - first > 1) doubled++
    }
  })
  const share = (part: number) => (clicks.length === 0 ? 0 : part / clicks.length)
  return { ms, doubled: share(doubled), missed: share(missed), delayMs: met === 0 ? 0 : delayUs / met / 1000 }
}
