import type { PoweredAlarms } from './clock'

/**
 * Contacts to presses. Eager debounce: the first edge counts at once, and for `debounceUs` after it the contact
 * may bounce as it likes; if it then rests the other way, that counts too. A press is never lost and never late.
 */
export class Matrix {
  private readonly contacts = new Map<number, { closed: boolean; reported: boolean; settling: boolean }>()

  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly debounceUs: number,
    private readonly changed: (input: number, down: boolean) => void,
  ) {}

  /** The contact of an input closes or opens, bounces included. */
  contact(input: number, closed: boolean): void {
    const contact = this.contacts.get(input) ?? { closed: false, reported: false, settling: false }
    this.contacts.set(input, contact)
    contact.closed = closed
    if (!contact.settling) this.report(input)
  }

  private report(input: number): void {
    const contact = this.contacts.get(input)
    if (!contact || contact.closed === contact.reported) return
    contact.reported = contact.closed
    contact.settling = true
    this.alarms.after(this.debounceUs, () => {
      contact.settling = false
      this.report(input)
    })
    this.changed(input, contact.reported)
  }
}
