import type { Clock } from './clock'

/** Delay from one device to another through the receiver, which polls each once per millisecond. */
export const RADIO_US = 1000

/** How often the receiver sends its time. */
const TIME_TOLD_US = 1_000_000

/** A device paired with a receiver. */
export interface RadioMember {
  /** Signals that the other devices send now, bit n for signal n. */
  hear(mask: number): void
}

/**
 * A receiver in a computer. Besides reports, it forwards active shared layers between devices, so that a key on one
 * holds a layer on another without software.
 */
export class Receiver {
  private readonly members = new Map<RadioMember, number>()

  /**
   * @param serial its serial number
   * @param paired serial numbers of the paired devices; all if omitted
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

  /** @returns whether it was paired */
  forget(device: number): boolean {
    return this.paired?.delete(device) ?? false
  }

  /** A device is connected, or still is; it learns the signals of the others. */
  tell(member: RadioMember, mask: number): void {
    this.members.set(member, mask)
    this.passOn()
  }

  /** A device was disconnected: its held layers are released. */
  leave(member: RadioMember): void {
    if (!this.members.delete(member)) return
    member.hear(0)
    this.passOn()
  }

  /**
   * The receiver's time on a device: sent once a second, and continued by the device's own clock. Computed on demand,
   * so that nothing ticks.
   *
   * @param clockPpm error of the device's clock in ppm
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
