import { LOG_KINDS, type LogLine } from '../core/link/packets'

/** Maximum number of log entries; the oldest one is replaced. */
const MAX_LINES = 8
const MAX_TIMES = 255

export type LogKind = keyof typeof LOG_KINDS

/**
 * The log of items in images that the firmware does not support (from a later version, or beyond the device's limits),
 * and of failures of its memory. It is lost with the power.
 */
export class DeviceLog {
  private readonly met = new Map<string, LogLine>()

  note(what: LogKind, code: number): void {
    const key = `${what} ${code}`
    const times = this.met.get(key)?.times ?? 0
    this.met.set(key, { what: LOG_KINDS[what], code, times: Math.min(MAX_TIMES, times + 1) })
    const [first] = this.met.keys()
    if (this.met.size > MAX_LINES && first !== undefined) this.met.delete(first)
  }

  get lines(): LogLine[] {
    return [...this.met.values()]
  }
}
