import { clamp } from '../core/base/numbers'
import { Clock } from '../firmware/clock'

/** The slowest speed: half a millisecond of the devices per second. */
const SLOWEST = 0.0005

/** Keeps a virtual clock in step with real time, or slower, so that short events can be interrupted. */
export class RealTime {
  readonly clock = new Clock()
  pace = 1
  private anchorRealMs: number
  private anchorVirtualUs = 0
  private timer: ReturnType<typeof setTimeout> | undefined

  /** @param realMs a monotonic clock of real time */
  constructor(readonly realMs: () => number) {
    this.anchorRealMs = realMs()
  }

  /** @param pace virtual seconds per real second */
  setPace(pace: number): void {
    this.catchUp()
    this.anchorVirtualUs = this.clock.nowUs
    this.anchorRealMs = this.realMs()
    this.pace = clamp(pace, SLOWEST, 1)
    this.wakeForNextAlarm()
  }

  /** Runs a function at the virtual time that corresponds to real time. */
  during<T>(act: () => T): T {
    this.catchUp()
    const result = act()
    this.wakeForNextAlarm()
    return result
  }

  catchUp(): void {
    const elapsedUs = (this.realMs() - this.anchorRealMs) * 1000 * this.pace
    this.clock.runUntil(this.anchorVirtualUs + elapsedUs)
  }

  /** Advances the time of the devices at once. */
  skip(us: number): void {
    this.catchUp()
    this.clock.runUntil(this.clock.nowUs + us)
    this.anchorVirtualUs = this.clock.nowUs
    this.anchorRealMs = this.realMs()
  }

  wakeForNextAlarm(): void {
    clearTimeout(this.timer)
    const next = this.clock.nextAlarmUs
    if (next === undefined) return
    const delayMs = (next - this.clock.nowUs) / 1000 / this.pace
    this.timer = setTimeout(() => this.during(() => {}), Math.min(delayMs, 60_000))
  }
}
