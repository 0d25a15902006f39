import { equalBytes } from '../core/base/bytes'
import type { PoweredAlarms, TaskQueue } from './clock'
import type { DeviceLog } from './device-log'
import {
  decodeDeviceMemory,
  encodeDeviceMemory,
  FACTORY_DEVICE_MEMORY,
  type DeviceMemory,
} from './device-memory'
import type { StoredPairing } from './stored-pairing'
import type { SlotStore } from './slots'

/** Delay after a change before the device stores the active slot or tidies its flash. */
const KEEP_DELAY_US = 1_500_000
const TIDY_DELAY_US = 250_000
const TRIES = 3

/** Flash writes that the device starts by itself: its own settings, and room for new records. */
export class Upkeep {
  /** The name of the device, in UTF-8. */
  name = FACTORY_DEVICE_MEMORY.name
  /** Its pairings; undefined for factory pairings. */
  paired: StoredPairing | undefined

  /** @param now the current active slot and surface quality */
  constructor(
    private readonly alarms: PoweredAlarms,
    private readonly tasks: TaskQueue,
    private readonly store: SlotStore,
    private readonly log: DeviceLog,
    private readonly now: () => Omit<DeviceMemory, 'name' | 'paired'>,
  ) {}

  /** The stored values. */
  recall(): DeviceMemory {
    const own = decodeDeviceMemory(this.store.settings())
    this.name = own.name
    this.paired = own.paired
    return own
  }

  /** Stores the device's own settings a little later, with their values at that time. */
  keepSoon(): void {
    this.alarms.after(KEEP_DELAY_US, () => this.keep())
  }

  /** A failed place in flash is not used again: retries use another place, and the last result is reported. */
  keep(tries = TRIES): void {
    const bytes = this.bytes()
    if (equalBytes(encodeDeviceMemory(decodeDeviceMemory(this.store.settings())), bytes)) return
    this.tasks.add(
      () => this.store.write('settings', 0, bytes),
      () => this.tidySoon(),
      () => {
        if (tries > 1) this.alarms.after(KEEP_DELAY_US, () => this.keep(tries - 1))
        else this.log.note('not kept', 0)
      },
    )
  }

  /** The name becomes valid once it is stored. */
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

  /** Resets all slots and settings to factory settings. */
  reset(done: () => void, failed: () => void): void {
    this.tasks.add(() => this.store.reset(), done, failed)
  }

  tidySoon(): void {
    const nothing = () => {}
    this.alarms.after(TIDY_DELAY_US, () => this.tasks.add(() => this.store.tidy(), nothing, nothing))
  }

  private bytes(): Uint8Array {
    return encodeDeviceMemory({ ...this.now(), name: this.name, ...(this.paired && { paired: this.paired }) })
  }
}
