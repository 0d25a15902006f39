import Dexie, { type EntityTable } from 'dexie'
import type { Plugs } from '../firmware/device'

/** A sector of a device's flash as it was last left. */
interface StoredSector {
  key: string
  deviceId: string
  sector: number
  cells: Uint8Array
}

export interface StoredDevice {
  flash: Uint8Array
  state: StoredState | undefined
}

export interface StoredState {
  deviceId: string
  chargeMah: number
  plugs: Plugs
}

/** The devices' flash, apart from the library: it belongs to them and not to the configurator. */
class DeviceDatabase extends Dexie {
  declare sectors: EntityTable<StoredSector, 'key'>
  declare states: EntityTable<StoredState, 'deviceId'>

  constructor() {
    super('unisera-devices')
    this.version(1).stores({ sectors: 'key, deviceId', states: 'deviceId' })
    // A cable was there or not; since then it has a kind, and the device a switch for its radio.
    this.version(2).upgrade((transaction) =>
      transaction
        .table<{ plugs: { cable: unknown; radio?: string } }>('states')
        .toCollection()
        .modify(({ plugs }) => {
          plugs.cable = plugs.cable === true ? 'data' : 'none'
          plugs.radio = 'receiver'
        }),
    )
  }
}

/**
 * Keeps flash across visits. Sectors are stored one after the other in the order they changed, so that a closed
 * browser is to the device what a cut cable is.
 */
export class DeviceStorage {
  private readonly database = new DeviceDatabase()
  private queue: Promise<void> = Promise.resolve()

  constructor(private readonly failed: (message: string) => void) {}

  /**
   * What a device's flash holds; undefined for a new device.
   *
   * @param factory what it held when it was made: sectors that were never stored are still so
   */
  async load(deviceId: string, factory: Uint8Array): Promise<StoredDevice | undefined> {
    const sectors = await this.database.sectors.where({ deviceId }).toArray()
    const state = await this.database.states.get(deviceId)
    if (sectors.length === 0 && !state) return undefined
    const flash = factory.slice()
    for (const { sector, cells } of sectors) flash.set(cells, sector * cells.length)
    return { flash, state }
  }

  storeSector(deviceId: string, sector: number, cells: Uint8Array): void {
    this.enqueue(() => this.database.sectors.put({ key: `${deviceId} ${sector}`, deviceId, sector, cells }))
  }

  storeState(state: StoredState): void {
    this.enqueue(() => this.database.states.put(state))
  }

  /** Resolves when all that was handed over is stored. */
  settled(): Promise<void> {
    return this.queue
  }

  private enqueue(put: () => Promise<unknown>): void {
    this.queue = this.queue.then(put).then(
      () => {},
      (error: unknown) => this.failed(error instanceof Error ? error.message : String(error)),
    )
  }
}
