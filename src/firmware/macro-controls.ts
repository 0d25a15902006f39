import type { Alarm, PoweredAlarms } from './clock'
import type { Outbox } from './outbox'

interface Down {
  sinceUs: number
  /** It was released too soon to be noticed, and is released at that time instead. */
  letGo?: Alarm
}

/** Controls pressed by macros: each lasts at least as long as a press, however soon the macro releases it. */
export class MacroControls {
  private readonly down = new Map<number, Down>()

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly outbox: Outbox,
  ) {}

  /** One that still waits for its release is released first, so that the new press is visible. */
  press(usage: number): void {
    this.up(usage)
    this.down.set(usage, { sinceUs: this.alarms.nowUs })
    this.outbox.pressControl(usage)
  }

  release(usage: number): void {
    const down = this.down.get(usage)
    if (!down || down.letGo) return
    const endUs = down.sinceUs + this.outbox.pressUs
    if (this.alarms.nowUs >= endUs) this.up(usage)
    else down.letGo = this.alarms.at(endUs, () => this.up(usage))
  }

  /** Releases all of them: another slot becomes active, or the connection ends. */
  releaseAll(): void {
    for (const usage of [...this.down.keys()]) this.up(usage)
  }

  private up(usage: number): void {
    const down = this.down.get(usage)
    if (!down) return
    if (down.letGo) this.alarms.cancel(down.letGo)
    this.down.delete(usage)
    this.outbox.releaseControl(usage)
  }
}
