import type { Clock } from './clock'

/** From one device over the receiver to another: each is asked once a millisecond. */
export const RADIO_US = 1000

/** How often the receiver hands on its time. */
const TIME_TOLD_US = 1_000_000

/** A device that is paired to a receiver. */
export interface RadioMember {
  /** Signals that the others send now, bit n for signal n. */
  hear(mask: number): void
}

/**
 * A receiver in a computer. Besides reports it passes on which shared layers are on, from each device to the
 * others, so that a key on one holds a layer on another with no software between them.
 */
export class Receiver {
  private readonly members = new Map<RadioMember, number>()

  /**
   * @param serial its serial number
   * @param paired serial numbers of the devices it knows; every one where it is left out
   */
  constructor(
    private readonly clock: Clock,
    readonly serial = 1,
    private readonly paired?: Set<number>,
  ) {}

  knows(device: number): boolean {
    return this.paired?.has(device) ?? true
  }

  pair(device: number): void {
    this.paired?.add(device)
  }

  /** @returns whether it knew it */
  forget(device: number): boolean {
    return this.paired?.delete(device) ?? false
  }

  /** A device is heard from now on, or goes on being heard; it is told what the others send. */
  tell(member: RadioMember, mask: number): void {
    this.members.set(member, mask)
    this.passOn()
  }

  /** A device is not heard any more: what it held, it holds no longer. */
  leave(member: RadioMember): void {
    if (!this.members.delete(member)) return
    member.hear(0)
    this.passOn()
  }

  /**
   * The receiver's time as a device has it: handed on once a second, and counted on by the device's own clock from
   * there. Worked out when it is asked for, so that nothing ticks.
   *
   * @param clockPpm how far the device's clock is from true, in millionths
   * @returns µs since the receiver has power
   */
  timeAt(nowUs: number, clockPpm: number): number {
    const sinceToldUs = nowUs % TIME_TOLD_US
    return Math.floor(nowUs + (sinceToldUs * clockPpm) / 1e6)
  }

  private passOn(): void {
    this.clock.at(this.clock.nowUs + RADIO_US, () => {
      for (const member of this.members.keys()) {
        const others = [...this.members].filter(([each]) => each !== member)
        member.hear(others.reduce((bits, [, mask]) => bits | mask, 0))
      }
    })
  }
}
