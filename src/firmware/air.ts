import type { Plugs } from './plugs'
import type { Paired } from './paired'
import type { Receiver } from './radio'

/** Who can be reached over the air: the receiver near it, and a computer by Bluetooth. */
export class Air {
  /** With what it left the factory paired. */
  readonly factoryPairing: Paired

  constructor(
    private readonly serial: number,
    private readonly receiver: Receiver | undefined,
    private readonly plugs: Plugs,
    factoryPairing: Paired | undefined,
  ) {
    this.factoryPairing = factoryPairing ?? { receiver: receiver?.serial ?? 0, bluetooth: true }
  }

  /** The radio by which somebody is there who knows it and whom it knows. */
  reached(paired: Paired | undefined): 'receiver' | 'bluetooth' | undefined {
    const { radio } = this.plugs
    if (radio === 'bluetooth') return paired?.bluetooth ? radio : undefined
    const { receiver } = this
    // Where no receiver is said it is the device's own, as it came with it.
    const known = !receiver || (paired?.receiver === receiver.serial && receiver.knows(this.serial))
    return radio === 'receiver' && this.plugs.receiver && known ? radio : undefined
  }

  /** Whoever would pair with it now, by its switch. */
  offer(): Partial<Paired> | undefined {
    const { radio } = this.plugs
    if (radio === 'bluetooth') return { bluetooth: true }
    return radio === 'receiver' && this.plugs.receiver && this.receiver
      ? { receiver: this.receiver.serial }
      : undefined
  }

  /** The receiver knows it as well from now on. */
  paired(found: Partial<Paired> | undefined): void {
    if (found?.receiver) this.receiver?.pair(this.serial)
  }
}
