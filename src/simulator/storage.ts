import Dexie, { type EntityTable } from 'dexie'
import type { GaugeState } from '../firmware/gauge'
import type { Plugs } from '../firmware/plugs'
import type { Place } from './desk'

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

/** Where the banks for firmware of a device are stored, as a part of their own. */
export const banksOf = (deviceId: string): string => `${deviceId} firmware`

export interface StoredState {
  deviceId: string
  /** Id of what it lies on. */
  surface?: string
  chargeMah: number
  /** What the gauge of its battery had counted. */
  gauge?: GaugeState
  /** When this was so, in ms since 1970. */
  atMs?: number
  plugs: Plugs
}

/** Between two tries while storage refuses. */
const RETRY_MS = 3000

const THE_DESK = 'desk'
const THE_RECEIVER = 'receiver'

/** The devices' flash, apart from the library: it belongs to them and not to the configurator. */
class DeviceDatabase extends Dexie {
  declare sectors: EntityTable<StoredSector, 'key'>
  declare states: EntityTable<StoredState, 'deviceId'>
  declare desks: EntityTable<{ key: string; places?: Place[]; serials?: number[] }, 'key'>

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
    // Since then devices are put on the desk and taken from it; without a row it is as it shipped.
    this.version(3).stores({ desks: 'key' })
  }
}

/**
 * Stores flash across visits. Sectors are stored one after the other in the order they changed, so that a closed
 * browser is to the device what a cut cable is. What storage refuses is tried again before anything that comes after it.
 */
export class DeviceStorage {
  private readonly database = new DeviceDatabase()
  private readonly waiting: { put: () => Promise<unknown>; state?: string }[] = []
  private running: Promise<void> | undefined
  private retry: ReturnType<typeof setTimeout> | undefined

  /** Why storage refuses what waits; undefined while it does not. */
  trouble: string | undefined

  /** @param told called with the reason whenever storage refuses, and with undefined when all is stored again */
  constructor(private readonly told: (trouble: string | undefined) => void) {}

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
    this.enqueue(() => this.database.states.put(state), state.deviceId)
  }

  /** The devices on the desk; undefined while nobody has put one there or taken one away. */
  async desk(): Promise<Place[] | undefined> {
    return (await this.database.desks.get(THE_DESK))?.places
  }

  /** Serial numbers of the devices the receiver knows; undefined while that is as it shipped. */
  async receiver(): Promise<number[] | undefined> {
    return (await this.database.desks.get(THE_RECEIVER))?.serials
  }

  storeReceiver(serials: number[]): void {
    this.enqueue(() => this.database.desks.put({ key: THE_RECEIVER, serials }))
  }

  storeDesk(places: Place[]): void {
    this.enqueue(() => this.database.desks.put({ key: THE_DESK, places }))
  }

  /** All that is kept of a device goes: another of that id is a new one. */
  forget(deviceId: string): void {
    this.enqueue(async () => {
      await this.database.sectors.where({ deviceId }).delete()
      await this.database.states.delete(deviceId)
    })
  }

  /** Resolves when all that was handed over is stored, or when storage refuses: {@link trouble} says which. */
  settled(): Promise<void> {
    return this.running ?? Promise.resolve()
  }

  /** @param state for which device this is the latest state: one that waits for the same device gives way to it */
  private enqueue(put: () => Promise<unknown>, state?: string): void {
    if (state !== undefined) {
      // The first may be on its way already.
      const at = this.waiting.findIndex((each, index) => index > 0 && each.state === state)
      if (at > 0) this.waiting.splice(at, 1)
    }
    this.waiting.push({ put, ...(state !== undefined && { state }) })
    this.running ??= this.run()
  }

  /** Stores what waits, in its order. What is refused keeps its place and is tried again. */
  private async run(): Promise<void> {
    clearTimeout(this.retry)
    try {
      for (let next = this.waiting[0]; next; next = this.waiting[0]) {
        await next.put()
        this.waiting.shift()
      }
      if (this.trouble === undefined) return
      this.trouble = undefined
      this.told(undefined)
    } catch (error) {
      this.trouble = error instanceof Error ? error.message : String(error)
      this.told(this.trouble)
      this.retry = setTimeout(() => void (this.running ??= this.run()), RETRY_MS)
    } finally {
      this.running = undefined
    }
  }
}
