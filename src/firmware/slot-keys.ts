import type { Alarm, PoweredAlarms } from './clock'

/** How long both inputs must be held: longer than anyone holds two by accident. */
const HELD_US = 1_500_000

/** Two inputs that activate the next slot when held together. Each also performs its own action. */
export class SlotKeys {
  private readonly down = new Set<number>()
  private alarm: Alarm | undefined

  /**
   * @param pair numbers of the two inputs; 0 for none
   * @param go activates the next slot
   */
  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly pair: () => readonly [number, number],
    private readonly go: () => void,
  ) {}

  press(input: number): void {
    this.down.add(input)
    const pair = this.pair()
    const both = pair[0] !== pair[1] && pair.every((each) => this.down.has(each))
    if (!both || !pair.includes(input)) return
    this.stop()
    this.alarm = this.alarms.after(HELD_US, () => {
      this.alarm = undefined
      this.go()
    })
  }

  release(input: number): void {
    this.down.delete(input)
    if (this.pair().includes(input)) this.stop()
  }

  private stop(): void {
    if (this.alarm) this.alarms.cancel(this.alarm)
    this.alarm = undefined
  }
}
