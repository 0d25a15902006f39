import { Computer } from '../computer/computer'
import { layoutOn } from '../computer/layouts'
import { chance } from '../base/random'
import type { Press } from '../document/session-log'

/** What an instrument works on: when each report of movement came and what it counted, and presses. */
export interface Heard {
  timesMs: number[]
  dx: number[]
  dy: number[]
  presses: Press[]
  keys: Press[]
}

/** How a computer of known faults hears. */
export interface HearingTruth {
  seed: number
  /** Standard deviation of when it stamps a report. */
  jitterMs: number
  /** Share of polls that find no answer: their movement comes with the next. */
  lostShare: number
}

/** Reports with the time they were sent, as a computer hears and stamps them. */
export function hear(
  {
    descriptor,
    reports,
  }: { descriptor: Uint8Array; reports: readonly { atUs: number; report: Uint8Array }[] },
  { seed, jitterMs, lostShare }: HearingTruth,
): Heard {
  const computer = new Computer(descriptor, layoutOn('us', 'windows'))
  const { uniform, normal } = chance(seed)
  const out: Heard = { timesMs: [], dx: [], dy: [], presses: [], keys: [] }
  let late = { x: 0, y: 0 }
  for (const { atUs, report } of reports) {
    const isLost = uniform() < lostShare
    const atMs = Math.max(out.timesMs.at(-1) ?? 0, atUs / 1000 + jitterMs * normal())
    for (const event of computer.receive(report)) {
      if (event.kind === 'button') out.presses.push({ what: event.label, atMs, down: event.down })
      if (event.kind === 'key') out.keys.push({ what: event.label, atMs, down: event.down })
      if (event.kind !== 'pointer') continue
      late = { x: late.x + event.x, y: late.y + event.y }
      if (isLost) continue
      out.timesMs.push(atMs)
      out.dx.push(late.x)
      out.dy.push(late.y)
      late = { x: 0, y: 0 }
    }
  }
  return out
}
