import type { Alarm, PoweredAlarms } from './clock'

/** One countdown an input; pressed again, it starts from the beginning. */
export class Countdowns {
  private readonly running = new Map<number, Alarm>()

  constructor(private readonly alarms: PoweredAlarms) {}

  start(input: number, seconds: number, ring: () => void): void {
    const before = this.running.get(input)
    if (before) this.alarms.cancel(before)
    const alarm = this.alarms.after(seconds * 1e6, () => {
      this.running.delete(input)
      ring()
    })
    this.running.set(input, alarm)
  }
}
