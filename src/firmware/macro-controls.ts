import type { Alarm, PoweredAlarms } from './clock'
import type { Outbox } from './outbox'

interface Down {
  sinceUs: number
  /** It was let go too soon to be seen, and goes up then. */
  letGo?: Alarm
}

/** Controls that macros have down: each for the length of a press at least, however soon a macro lets it go. */
export class MacroControls {
  private readonly down = new Map<number, Down>()

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly outbox: Outbox,
  ) {}

  /** One that still waits to go up does so first, to be seen going down anew. */
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

  /** All of them at once: another slot comes on, or the connection goes. */
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
