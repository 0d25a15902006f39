import type { Alarm } from './clock'
import type { StoredPairing } from './stored-pairing'
import type { Surroundings } from './surroundings'

/** Maximum duration of pairing mode. */
const LOOKS_US = 60_000_000
/** Delay until a partner pairs: long enough to see the light. */
const SHAKE_US = 1_500_000

/** Pairing by hand: an input is held until the light shows pairing mode, and then a partner is found. */
export class Pairing {
  /** Start time of pairing mode. */
  lookingFromUs: number | undefined
  private held: Alarm | undefined
  private next: Alarm | undefined
  private untilUs = 0

  /**
   * @param done pairing succeeded or ended
   * @param changed pairing mode started or ended
   */
  constructor(
    private readonly around: Pick<Surroundings, 'alarms' | 'model' | 'air'>,
    private readonly done: (found: Partial<StoredPairing> | undefined) => void,
    private readonly changed: () => void,
  ) {}

  press(input: number): void {
    const { model, alarms } = this.around
    if (!model.pairing || input !== this.input) return
    this.held = alarms.after(model.pairing.holdMs * 1000, () => this.begin())
  }

  release(input: number): void {
    if (input !== this.input || !this.held) return
    this.around.alarms.cancel(this.held)
    this.held = undefined
  }

  /** Number of the held input. */
  private get input(): number {
    const { inputs, pairing } = this.around.model
    return inputs.find(({ id }) => id === pairing?.input)?.number ?? 0
  }

  private begin(): void {
    const { alarms } = this.around
    this.held = undefined
    if (this.next) alarms.cancel(this.next)
    this.lookingFromUs = alarms.nowUs
    this.untilUs = alarms.nowUs + LOOKS_US
    this.changed()
    this.next = alarms.after(SHAKE_US, () => this.look())
  }

  private look(): void {
    const { alarms } = this.around
    const found = this.around.air.offer()
    if (!found && alarms.nowUs < this.untilUs) {
      this.next = alarms.after(SHAKE_US, () => this.look())
      return
    }
    this.lookingFromUs = undefined
    this.next = undefined
    this.done(found)
    this.changed()
  }
}
