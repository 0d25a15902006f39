import Dexie, { type EntityTable } from 'dexie'
import type { GaugeState } from '../firmware/gauge'
import type { Plugs } from '../firmware/plugs'
import type { DeskPlace } from './desk'

/** The latest contents of a flash sector. */
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

/** Storage key of a device's firmware banks, which are a separate part. */
export const banksOf = (deviceId: string): string => `${deviceId} firmware`

export interface StoredState {
  deviceId: string
  /** Id of its surface. */
  surface?: string
  chargeMah: number
  /** Counters of its battery gauge. */
  gauge?: GaugeState
  /** Time of this state, in ms since 1970. */
  atMs?: number
  plugs: Plugs
}

/** Delay between retries while storage fails. */
const RETRY_MS = 3000

const THE_DESK = 'desk'
const THE_RECEIVER = 'receiver'

/** The devices' flash is stored separately from the library, because it belongs to the devices. */
class DeviceDatabase extends Dexie {
  declare sectors: EntityTable<StoredSector, 'key'>
  declare states: EntityTable<StoredState, 'deviceId'>
  declare desks: EntityTable<{ key: string; places?: DeskPlace[]; serials?: number[] }, 'key'>

  constructor() {
    super('unisera-devices')
    this.version(1).stores({ sectors: 'key, deviceId', states: 'deviceId' })
    // Version 1 only stored whether a cable was plugged in; since then, cables have a kind, and devices a radio switch.
    this.version(2).upgrade((transaction) =>
      transaction
        .table<{ plugs: { cable: unknown; radio?: string } }>('states')
        .toCollection()
        .modify(({ plugs }) => {
          plugs.cable = plugs.cable === true ? 'data' : 'none'
          plugs.radio = 'receiver'
        }),
    )
    // Since then, devices can be added to the desk and removed; without a row, it has its initial state.
    this.version(3).stores({ desks: 'key' })
  }
}

/**
 * Stores flash between visits. Sectors are stored in the order they changed, so that a closed browser looks to a device
 * like an unplugged cable. Failed writes are repeated before any later ones.
 */
export class DeviceStorage {
  private readonly database = new DeviceDatabase()
  private readonly waiting: { put: () => Promise<unknown>; state?: string }[] = []
  private running: Promise<void> | undefined
  private retry: ReturnType<typeof setTimeout> | undefined

  /** Why storage currently fails; undefined while it works. */
  trouble: string | undefined

  /** @param told called with the reason whenever storage fails, and with undefined when everything is saved again */
  constructor(private readonly told: (trouble: string | undefined) => void) {}

  /**
   * The flash contents of a device; undefined for a new device.
   *
   * @param factory its initial contents, which sectors without a stored state still have
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

  /** The devices on the desk; undefined until devices are added or removed. */
  async desk(): Promise<DeskPlace[] | undefined> {
    return (await this.database.desks.get(THE_DESK))?.places
  }

  /** Serial numbers of the devices paired with the receiver; undefined for the initial pairings. */
  async receiver(): Promise<number[] | undefined> {
    return (await this.database.desks.get(THE_RECEIVER))?.serials
  }

  storeReceiver(serials: number[]): void {
    this.enqueue(() => this.database.desks.put({ key: THE_RECEIVER, serials }))
  }

  storeDesk(places: DeskPlace[]): void {
    this.enqueue(() => this.database.desks.put({ key: THE_DESK, places }))
  }

  /** Deletes everything stored for a device, so that a new device may reuse its id. */
  forget(deviceId: string): void {
    this.enqueue(async () => {
      await this.database.sectors.where({ deviceId }).delete()
      await this.database.states.delete(deviceId)
    })
  }

  /** Resolves when everything is saved, or when storage fails: {@link trouble} tells which. */
  settled(): Promise<void> {
    return this.running ?? Promise.resolve()
  }

  /** @param state the device of this state: a newer state replaces a waiting one of the same device */
  private enqueue(put: () => Promise<unknown>, state?: string): void {
    if (state !== undefined) {
      // The first may be in progress already.
      const at = this.waiting.findIndex((each, index) => index > 0 && each.state === state)
      if (at > 0) this.waiting.splice(at, 1)
    }
    this.waiting.push({ put, ...(state !== undefined && { state }) })
    this.running ??= this.run()
  }

  /** Saves waiting states in order. Failed ones keep their place and are tried again. */
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
