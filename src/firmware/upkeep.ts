import { sameBytes } from '../core/base/bytes'
import type { PoweredAlarms, TaskQueue } from './clock'
import type { DeviceLog } from './device-log'
import { decodeOwn, encodeOwn, FACTORY_OWN, type OwnMemory } from './own'
import type { Paired } from './paired'
import type { SlotStore } from './slots'

/** How long the device waits after a change before it writes which slot is active, or tidies its flash. */
const KEEP_DELAY_US = 1_500_000
const TIDY_DELAY_US = 250_000
const TRIES = 3

/** What the device writes to its flash by itself: what it remembers of its own, and room for what comes. */
export class Upkeep {
  /** What its person calls it, in UTF-8. */
  name = FACTORY_OWN.name
  /** With what it was paired by hand; undefined while that is as it left the factory. */
  paired: Paired | undefined

  /** @param now the slot that is on and the surface quality, as they are */
  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly tasks: TaskQueue,
    private readonly store: SlotStore,
    private readonly log: DeviceLog,
    private readonly now: () => Omit<OwnMemory, 'name' | 'paired'>,
  ) {}

  /** What was kept last. */
  recall(): OwnMemory {
    const own = decodeOwn(this.store.settings())
    this.name = own.name
    this.paired = own.paired
    return own
  }

  /** Keeps what the device remembers of its own a little later; that of that moment. */
  keepSoon(): void {
    this.alarms.after(KEEP_DELAY_US, () => this.keep())
  }

  /** A place in flash that refuses is not used again: another try goes to another place, and the last is told. */
  keep(tries = TRIES): void {
    const bytes = this.bytes()
    if (sameBytes(encodeOwn(decodeOwn(this.store.settings())), bytes)) return
    this.tasks.add(
      () => this.store.write('settings', 0, bytes),
      () => this.tidySoon(),
      () => {
        if (tries > 1) this.alarms.after(KEEP_DELAY_US, () => this.keep(tries - 1))
        else this.log.note('not kept', 0)
      },
    )
  }

  /** The name counts once it is kept. */
  rename(name: Uint8Array, done: () => void, failed: () => void): void {
    const before = this.name
    this.name = name
    this.tasks.add(
      () => this.store.write('settings', 0, this.bytes()),
      () => {
        this.tidySoon()
        done()
      },
      () => {
        this.name = before
        failed()
      },
    )
  }

  /** All slots and all of its own as from the factory. */
  reset(done: () => void, failed: () => void): void {
    this.tasks.add(() => this.store.reset(), done, failed)
  }

  tidySoon(): void {
    const nothing = () => {}
    this.alarms.after(TIDY_DELAY_US, () => this.tasks.add(() => this.store.tidy(), nothing, nothing))
  }

  private bytes(): Uint8Array {
    return encodeOwn({ ...this.now(), name: this.name, ...(this.paired && { paired: this.paired }) })
  }
}
