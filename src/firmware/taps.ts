import type { Alarm, PoweredAlarms } from './clock'

/** What is done, and how long it is left like that, in µs; asked for when it is done. */
export interface TapStep {
  run: () => void
  lastsUs: () => number
}

interface Line {
  waiting: TapStep[]
  alarm?: Alarm
}

/** Presses of one input that wait behind the one under way, each two steps; with more, all of them are short ones. */
const MANY_WAITING = 8

/**
 * Presses that the device makes by itself: by a tap, a turn of a wheel, a second click. Those of one input follow each
 * other, each down for as long as is set, so that a game that looks only now and then sees every one.
 */
export class Taps {
  private readonly lines = new Map<number, Line>()

  constructor(private readonly alarms: PoweredAlarms) {}

  /** Does the steps behind those of this input that wait; the first at once where none does. */
  add(input: number, ...steps: readonly TapStep[]): void {
    const line = this.lines.get(input)
    if (line) line.waiting.push(...steps)
    else this.goOn(input, [...steps])
  }

  /** Whether so many presses of an input wait that they have to be short. */
  hurried(input: number): boolean {
    return (this.lines.get(input)?.waiting.length ?? 0) > MANY_WAITING
  }

  /** Does at once what an input still waits for: what it does is another thing from now on. */
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
    // There before the step is done: what the step adds comes behind the rest.
    const line: Line = { waiting }
    this.lines.set(input, line)
    step.run()
    if (this.lines.get(input) !== line) return
    line.alarm = this.alarms.after(step.lastsUs(), () => this.goOn(input, waiting))
  }
}
