import { itemAt } from '../base/items'
import { debounceEdges, type Edge } from './debounce'
import type { DebounceStrategy } from '../onboard/settings'
import { randomSource } from '../base/random'

/** Wear of a switch: 0 is new, 1 is worn out. */
export interface SwitchWear {
  wear: number
  seed: number
}

export interface ClickSeries {
  /** Edges of the contact, in order. */
  edges: Edge[]
  /** Times at which the finger pressed and released. */
  clicks: { pressUs: number; releaseUs: number }[]
}

/**
 * A finger clicking a simulated switch. The contact bounces when it closes and opens: a few interruptions, more and
 * longer ones with wear. A worn contact also fails briefly in the middle of a press, which causes unwanted double
 * clicks. The figures are our own, similar to data sheets of snap-action switches (bounce up to about 5 ms).
 */
export function simulateClicks(count: number, { wear, seed }: SwitchWear): ClickSeries {
  const by = randomSource(seed)
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

/** The contact settles at `closed`. @returns the time */
function bounce(
  edges: Edge[],
  fromUs: number,
  closed: boolean,
  wear: number,
  by: ReturnType<typeof randomSource>,
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
  /** Share of clicks that are sent as two or more presses. */
  doubled: number
  /** Share of clicks that are not sent. */
  missed: number
  /** Mean time from the finger to the sent press, in ms. */
  delayMs: number
}

/** Effect of a debounce time on a series of clicks: unwanted double clicks and added delay. */
export function debounceOutcome(
  { edges, clicks }: ClickSeries,
  strategy: DebounceStrategy,
  ms: number,
): DebounceOutcome {
  const presses = debounceEdges(edges, { strategy, us: ms * 1000 }).filter(({ down }) => down)
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
