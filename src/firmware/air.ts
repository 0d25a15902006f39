import type { Plugs } from './plugs'
import type { StoredPairing } from './stored-pairing'
import type { Receiver } from './radio'

/** Wireless partners: the receiver nearby, and a computer over Bluetooth. */
export class Air {
  /** Factory pairings. */
  readonly factoryPairing: StoredPairing

  constructor(
    private readonly serial: number,
    private readonly receiver: Receiver | undefined,
    private readonly plugs: Plugs,
    factoryPairing: StoredPairing | undefined,
  ) {
    this.factoryPairing = factoryPairing ?? { receiver: receiver?.serial ?? 0, bluetooth: true }
  }

  /** The radio with a partner that is paired with the device. */
  reached(paired: StoredPairing | undefined): 'receiver' | 'bluetooth' | undefined {
    const { radio } = this.plugs
    if (radio === 'bluetooth') return paired?.bluetooth ? radio : undefined
    const { receiver } = this
    // By default, the receiver is the device's own.
    const known = !receiver || (paired?.receiver === receiver.serial && receiver.knows(this.serial))
    return radio === 'receiver' && this.plugs.receiver && known ? radio : undefined
  }

  /** The partner for pairing, by the position of its switch. */
  offer(): Partial<StoredPairing> | undefined {
    const { radio } = this.plugs
    if (radio === 'bluetooth') return { bluetooth: true }
    return radio === 'receiver' && this.plugs.receiver && this.receiver
      ? { receiver: this.receiver.serial }
      : undefined
  }

  /** From now on, the receiver is paired with it too. */
  paired(found: Partial<StoredPairing> | undefined): void {
    if (found?.receiver) this.receiver?.pair(this.serial)
  }
}
