import type { Rgb } from '../core/base/colour'
import type { Alarm, PoweredAlarms } from './clock'

/** One countdown per input; pressing it again restarts the countdown. */
export class Countdowns {
  private readonly running = new Map<number, Alarm>()
  private started: { input: number; atUs: number; lengthUs: number; colour: Rgb } | undefined

  constructor(private readonly alarms: PoweredAlarms) {}

  /** The latest one, while it runs. */
  get latest(): { atUs: number; lengthUs: number; colour: Rgb } | undefined {
    return this.started && this.running.has(this.started.input) ? this.started : undefined
  }

  start(input: number, seconds: number, colour: Rgb, ring: () => void): void {
    const before = this.running.get(input)
    if (before) this.alarms.cancel(before)
    const alarm = this.alarms.after(seconds * 1e6, () => {
      this.running.delete(input)
      ring()
    })
    this.running.set(input, alarm)
    this.started = { input, atUs: this.alarms.nowUs, lengthUs: seconds * 1e6, colour }
  }
}
