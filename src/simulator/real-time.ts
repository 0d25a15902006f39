import { Clock } from '../firmware/clock'

/** As slow as it goes: half a millisecond of the devices in a second. */
const SLOWEST = 0.0005

/** Lets a virtual clock keep up with real time, or run slower so that hands can reach into what is else over at once. */
export class RealTime {
  readonly clock = new Clock()
  pace = 1
  private anchorRealMs: number
  private anchorVirtualUs = 0
  private timer: ReturnType<typeof setTimeout> | undefined

  /** @param realMs a clock of real time that never goes back */
  constructor(readonly realMs: () => number) {
    this.anchorRealMs = realMs()
  }

  /** @param pace virtual seconds that pass in one real second */
  setPace(pace: number): void {
    this.catchUp()
    this.anchorVirtualUs = this.clock.nowUs
    this.anchorRealMs = this.realMs()
    this.pace = Math.min(1, Math.max(SLOWEST, pace))
    this.wakeForNextAlarm()
  }

  /** Does something at the virtual moment that real time has reached. */
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

  /** So much time of the devices passes at once. */
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
