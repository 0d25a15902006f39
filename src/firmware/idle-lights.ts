import type { Alarm, PoweredAlarms } from './clock'
import type { Lights } from './lights'

/** Turns lights off without input, and on again with the next. */
export class IdleLights {
  private alarm: Alarm | undefined

  /** @param changed their current has changed */
  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly lights: Lights,
    private readonly changed: () => void,
  ) {}

  /** They draw no current from the moment they are off. */
  watch(): void {
    if (this.alarm) this.alarms.cancel(this.alarm)
    this.alarm = undefined
    const { offAtUs } = this.lights
    if (offAtUs > this.alarms.nowUs) this.alarm = this.alarms.at(offAtUs, this.changed)
  }

  /** An input, or a movement. */
  awake(): void {
    const { nowUs } = this.alarms
    const { offAtUs } = this.lights
    const wereOut = offAtUs > 0 && nowUs >= offAtUs
    this.lights.moved(nowUs)
    if (wereOut) this.changed()
  }
}
