import { clamp } from '../core/base/numbers'
import { consumerReport, keyboardReport, mouseReport } from '../core/hid/reports'
import type { Alarm, PoweredAlarms } from './clock'

/** Pressed usages. They are counted, because two inputs may hold the same key. */
class Held {
  private readonly counts = new Map<number, number>()

  /** @returns true if the usage was up before */
  press(usage: number): boolean {
    const count = this.counts.get(usage) ?? 0
    this.counts.set(usage, count + 1)
    return count === 0
  }

  /** @returns true if the usage is up now */
  release(usage: number): boolean {
    const count = this.counts.get(usage) ?? 0
    if (count <= 1) return this.counts.delete(usage)
    this.counts.set(usage, count - 1)
    return false
  }

  get usages(): number[] {
    return [...this.counts.keys()]
  }
}

interface MouseChange {
  buttons: number
  wheel: number
  pan: number
}

const MAX_COUNTS = 32_767

/**
 * Reports for the computer. It polls once per interval and receives at most one report of each id: changes of keys and
 * buttons wait in a queue, so that none is lost, and motion is added to the next report.
 */
export class Outbox {
  private readonly keys = new Held()
  private readonly buttons = new Held()
  private readonly controls = new Held()
  private readonly keyboardLine: Uint8Array[] = []
  private readonly consumerLine: Uint8Array[] = []
  private readonly mouseLine: MouseChange[] = []
  private buttonBits = 0
  private motionX = 0
  private motionY = 0
  /** Polling interval; 0 while no computer polls. */
  intervalUs = 0
  /** Minimum duration of a press made by the device, from the settings. */
  minPressUs = 0
  private attachedUs = 0
  /** Reports before this time are not received. */
  heardFromUs = 0
  private answeredUs = -1
  private poll: Alarm | undefined

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly send: (report: Uint8Array) => void,
  ) {}

  /** The effective duration: at least two reports, at any rate. */
  get pressUs(): number {
    return Math.max(this.minPressUs, this.shortPressUs)
  }

  get shortPressUs(): number {
    return 2 * this.intervalUs
  }

  /** A computer starts polling at this rate, or none polls at 0. Reports waiting for another computer are dropped. */
  attach(rateHz: number): void {
    this.keyboardLine.length = this.consumerLine.length = this.mouseLine.length = 0
    this.motionX = this.motionY = 0
    this.attachedUs = this.alarms.nowUs
    this.answeredUs = -1
    this.setRate(rateHz)
  }

  /** The same computer changes its polling rate; waiting reports are sent at the new rate. */
  setRate(rateHz: number): void {
    if (this.poll) this.alarms.cancel(this.poll)
    this.poll = undefined
    this.intervalUs = rateHz === 0 ? 0 : 1e6 / rateHz
    if (this.waiting()) this.requestPoll()
  }

  /** Keys of a chord are pressed together, in one report. */
  pressKeys(usages: readonly number[]): void {
    const changed = usages.filter((usage) => this.keys.press(usage))
    if (changed.length > 0) this.queueKeyboard()
  }

  releaseKeys(usages: readonly number[]): void {
    const changed = usages.filter((usage) => this.keys.release(usage))
    if (changed.length > 0) this.queueKeyboard()
  }

  pressButton(button: number): void {
    if (this.buttons.press(button)) this.queueMouse(0, 0)
  }

  releaseButton(button: number): void {
    if (this.buttons.release(button)) this.queueMouse(0, 0)
  }

  pressControl(usage: number): void {
    if (this.controls.press(usage)) this.queueConsumer()
  }

  releaseControl(usage: number): void {
    if (this.controls.release(usage)) this.queueConsumer()
  }

  scroll(wheel: number, pan: number): void {
    this.queueMouse(wheel, pan)
  }

  move(countsX: number, countsY: number): void {
    if (this.intervalUs === 0 || (countsX === 0 && countsY === 0)) return
    this.motionX += countsX
    this.motionY += countsY
    this.requestPoll()
  }

  private queueKeyboard(): void {
    this.queue(this.keyboardLine, keyboardReport(this.keys.usages))
  }

  private queueConsumer(): void {
    this.queue(this.consumerLine, consumerReport(this.controls.usages))
  }

  private queueMouse(wheel: number, pan: number): void {
    this.buttonBits = this.buttons.usages.reduce((bits, button) => bits | (1 << (button - 1)), 0)
    this.queue(this.mouseLine, { buttons: this.buttonBits, wheel, pan })
  }

  private queue<T>(line: T[], entry: T): void {
    if (this.intervalUs === 0) return
    line.push(entry)
    this.requestPoll()
  }

  /** Polls are at multiples of the interval since the computer started polling. */
  private requestPoll(from = this.alarms.nowUs): void {
    if (this.poll) return
    // An answered poll takes no more reports.
    if (from === this.answeredUs) from++
    // A radio that wakes up is received a little later; reports wait meanwhile.
    from = Math.max(from, this.heardFromUs)
    const interval = Math.ceil((from - this.attachedUs) / this.intervalUs)
    this.poll = this.alarms.at(this.attachedUs + interval * this.intervalUs, this.answerPoll)
  }

  private readonly answerPoll = (): void => {
    this.poll = undefined
    this.answeredUs = this.alarms.nowUs
    const keyboard = this.keyboardLine.shift()
    if (keyboard) this.send(keyboard)
    const consumer = this.consumerLine.shift()
    if (consumer) this.send(consumer)
    if (this.mouseLine.length > 0 || this.motionX !== 0 || this.motionY !== 0) this.sendMouse()
    if (this.waiting()) this.requestPoll(this.alarms.nowUs + 1)
  }

  /** Number of polls until all waiting reports are sent. */
  get backlog(): number {
    return Math.max(this.keyboardLine.length, this.consumerLine.length, this.mouseLine.length)
  }

  private waiting(): boolean {
    const lines = this.keyboardLine.length + this.consumerLine.length + this.mouseLine.length
    return lines > 0 || this.motionX !== 0 || this.motionY !== 0
  }

  private sendMouse(): void {
    const change = this.mouseLine.shift()
    const x = withinReport(this.motionX)
    const y = withinReport(this.motionY)
    this.motionX -= x
    this.motionY -= y
    const { buttonBits } = this
    const { buttons, wheel, pan } = change ?? { buttons: buttonBits, wheel: 0, pan: 0 }
    this.send(mouseReport({ buttons, x, y, wheel, pan }))
  }
}

const withinReport = (counts: number): number => clamp(counts, -MAX_COUNTS, MAX_COUNTS)
