import type { Stroke } from '../core/actions/strokes'
import { chordUsages } from '../core/actions/key'
import type { Alarm, PoweredAlarms } from './clock'
import type { Outbox } from './outbox'

/** Maximum number of waiting texts; further presses are ignored. */
const MAX_WAITING = 4

/**
 * Types sequences of keys, one text after the other: a key lasts as long as a press by the device, followed by one
 * polling interval, so that each is its own report at any rate.
 */
export class Typist {
  private readonly waiting: (readonly Stroke[])[] = []
  private current: readonly Stroke[] = []
  private next = 0
  private down: number[] | undefined
  private alarm: Alarm | undefined

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly outbox: Outbox,
  ) {}

  type(strokes: readonly Stroke[]): void {
    if (this.outbox.intervalUs === 0 || this.waiting.length >= MAX_WAITING) return
    this.waiting.push(strokes)
    if (!this.alarm) this.goOn()
  }

  /** Stops all current and waiting texts; a pressed key is released. */
  stop(): void {
    if (this.alarm) this.alarms.cancel(this.alarm)
    this.alarm = undefined
    this.waiting.length = 0
    this.current = []
    this.next = 0
    this.lift()
  }

  private readonly goOn = (): void => {
    this.alarm = undefined
    if (this.down) {
      this.lift()
      return this.goOnAfter(this.outbox.intervalUs)
    }
    if (this.next >= this.current.length) {
      this.current = this.waiting.shift() ?? []
      this.next = 0
    }
    const stroke = this.current[this.next]
    if (!stroke) return
    this.next++
    if (stroke.kind === 'wait') return this.goOnAfter(stroke.ms * 1000)
    this.down = chordUsages(stroke)
    this.outbox.pressKeys(this.down)
    this.goOnAfter(this.outbox.pressUs)
  }

  private goOnAfter(delayUs: number): void {
    this.alarm = this.alarms.after(delayUs, this.goOn)
  }

  private lift(): void {
    if (this.down) this.outbox.releaseKeys(this.down)
    this.down = undefined
  }
}
