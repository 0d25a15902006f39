import { Debouncer, type Debounce } from '../core/motion/debounce'
import type { Alarm, PoweredAlarms } from './clock'

/** Contacts to presses: a debouncer per contact, woken by alarms. */
export class Matrix {
  private readonly contacts = new Map<number, { debouncer: Debouncer; alarm: Alarm | undefined }>()

  constructor(
    private readonly alarms: PoweredAlarms,
    private setting: Debounce,
    private readonly changed: (input: number, down: boolean) => void,
  ) {}

  /** Applies from the next edge of each contact. */
  set(setting: Debounce): void {
    this.setting = setting
    for (const { debouncer } of this.contacts.values()) debouncer.setting = setting
  }

  /** The contact of an input closes or opens, including bounces. */
  contact(input: number, closed: boolean): void {
    const contact = this.contacts.get(input) ?? { debouncer: new Debouncer(this.setting), alarm: undefined }
    this.contacts.set(input, contact)
    const down = contact.debouncer.edge(closed, this.alarms.nowUs)
    this.wakeWhenDue(input)
    if (down !== undefined) this.changed(input, down)
  }

  private wakeWhenDue(input: number): void {
    const contact = this.contacts.get(input)
    if (!contact) return
    if (contact.alarm) this.alarms.cancel(contact.alarm)
    const { dueUs } = contact.debouncer
    contact.alarm = dueUs === undefined ? undefined : this.alarms.at(dueUs, () => this.wake(input))
  }

  private wake(input: number): void {
    const contact = this.contacts.get(input)
    if (!contact) return
    contact.alarm = undefined
    const down = contact.debouncer.wake(this.alarms.nowUs)
    this.wakeWhenDue(input)
    if (down !== undefined) this.changed(input, down)
  }
}
