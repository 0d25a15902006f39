import type { Alarm, PoweredAlarms } from './clock'

/** A step, and how long it lasts in µs; read when it is performed. */
export interface TapStep {
  run: () => void
  lastsUs: () => number
}

interface Line {
  waiting: TapStep[]
  alarm?: Alarm
}

/** Maximum number of waiting presses of one input, two steps each; beyond it, all of them are short. */
const MANY_WAITING = 8

/**
 * Presses that the device makes itself: for a tap, a wheel turn, a second click. Those of one input are performed in
 * sequence, each for the set duration, so that even a slow game sees every one.
 */
export class Taps {
  private readonly lines = new Map<number, Line>()

  constructor(private readonly alarms: PoweredAlarms) {}

  /** Performs steps after the waiting ones of this input; the first at once if none wait. */
  add(input: number, ...steps: readonly TapStep[]): void {
    const line = this.lines.get(input)
    if (line) line.waiting.push(...steps)
    else this.goOn(input, [...steps])
  }

  /** Whether so many presses of an input wait that they must be short. */
  hurried(input: number): boolean {
    return (this.lines.get(input)?.waiting.length ?? 0) > MANY_WAITING
  }

  /** Performs all waiting steps of an input at once, because its action changes. */
  finish(input: number): void {
    const line = this.lines.get(input)
    if (!line) return
    if (line.alarm) this.alarms.cancel(line.alarm)
    this.lines.delete(input)
    for (const { run } of line.waiting) run()
  }

  finishAll(): void {
    for (const input of [...this.lines.keys()]) this.finish(input)
  }

  private goOn(input: number, waiting: TapStep[]): void {
    const step = waiting.shift()
    if (!step) {
      this.lines.delete(input)
      return
    }
    // Queued before the step is performed: steps that it adds come after the others.
    const line: Line = { waiting }
    this.lines.set(input, line)
    step.run()
    if (this.lines.get(input) !== line) return
    line.alarm = this.alarms.after(step.lastsUs(), () => this.goOn(input, waiting))
  }
}
