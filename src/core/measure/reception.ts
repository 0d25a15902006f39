import { Computer } from '../computer/computer'
import { layoutFor } from '../computer/layouts'
import { keyByUsage } from '../hid/keyboard-page'
import { randomSource } from '../base/random'
import type { Press } from '../document/session-log'

/** Input of an instrument: the time and the counts of each movement report, and presses. */
export interface ReceivedReports {
  timesMs: number[]
  dx: number[]
  dy: number[]
  presses: Press[]
  keys: Press[]
}

/** A computer with known faults in its reception. */
export interface ReceptionFaults {
  seed: number
  /** Standard deviation of its time stamps. */
  jitterMs: number
  /** Share of polls without an answer: their movement is in the next report. */
  lostShare: number
}

/** Reports as a computer receives and stamps them, with the time they were sent. */
export function receiveReports(
  {
    descriptor,
    reports,
  }: { descriptor: Uint8Array; reports: readonly { atUs: number; report: Uint8Array }[] },
  { seed, jitterMs, lostShare }: ReceptionFaults,
): ReceivedReports {
  const computer = new Computer(descriptor, layoutFor('us', 'windows'))
  const { uniform, normal } = randomSource(seed)
  const out: ReceivedReports = { timesMs: [], dx: [], dy: [], presses: [], keys: [] }
  let late = { x: 0, y: 0 }
  for (const { atUs, report } of reports) {
    const isLost = uniform() < lostShare
    const atMs = Math.max(out.timesMs.at(-1) ?? 0, atUs / 1000 + jitterMs * normal())
    for (const event of computer.receive(report)) {
      if (event.kind === 'button')
        out.presses.push({ what: `button ${event.button}`, atMs, down: event.down })
      if (event.kind === 'key')
        out.keys.push({ what: keyByUsage(event.usage)?.code ?? '', atMs, down: event.down })
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
