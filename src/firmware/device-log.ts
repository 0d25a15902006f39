import { MET, type LogLine } from '../core/link/packets'

/** Lines the log holds; the one that was met first goes when another comes. */
const MOST_LINES = 8
const MOST_TIMES = 255

export type Met = keyof typeof MET

/**
 * What the firmware met in images and does not implement: of a later version, or beyond what a device can do; and what
 * its memory did not take. It does what it can and says here what it could not. Gone when the power is.
 */
export class DeviceLog {
  private readonly met = new Map<string, LogLine>()

  note(what: Met, code: number): void {
    const key = `${what} ${code}`
    const times = this.met.get(key)?.times ?? 0
    this.met.set(key, { what: MET[what], code, times: Math.min(MOST_TIMES, times + 1) })
    const [first] = this.met.keys()
    if (this.met.size > MOST_LINES && first !== undefined) this.met.delete(first)
  }

  get lines(): LogLine[] {
    return [...this.met.values()]
  }
}
