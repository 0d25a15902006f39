/** The stored pairings of a device. */
export interface StoredPairing {
  /** Serial number of a receiver; 0 for none. */
  receiver: number
  /** Whether it is paired with a computer over Bluetooth. */
  bluetooth: boolean
}
