/** With what a device is paired, as it keeps it. */
export interface Paired {
  /** Serial number of a receiver; 0 for none. */
  receiver: number
  /** Whether it knows a computer by Bluetooth. */
  bluetooth: boolean
}
