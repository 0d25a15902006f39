import type { RealTime } from './real-time'
import type { Seat } from './seat'
import type { DeviceStorage } from './storage'

/** Between two times the charge of all devices is stored while somebody watches one. */
const CHARGE_STORED_MS = 30_000

/** Stores the charge, plugs and surface of the devices on the desk; their flash is stored where it changes. */
export class StateStore {
  /** Real time at which the state of all was last stored. */
  private storedMs = 0

  constructor(
    private readonly time: RealTime,
    private readonly seats: ReadonlyMap<string, Seat>,
    private readonly storage: DeviceStorage,
    private readonly wallMs: () => number,
  ) {}

  /** Pages that watch a device ask often: on such an occasion everything is stored, now and then. */
  storeNowAndThen(): void {
    if (this.time.realMs() - this.storedMs >= CHARGE_STORED_MS) this.storeAll()
  }

  /** All at one moment: they share one clock. */
  storeAll(): void {
    this.storedMs = this.time.realMs()
    for (const id of this.seats.keys()) this.store(id)
  }

  store(deviceId: string): void {
    const seat = this.seats.get(deviceId)
    if (!seat || seat.lent) return
    const { device } = seat
    const { chargeMah, cable, receiver, radio, power, surface } = device.state
    const plugs = { cable, receiver, radio, power }
    const { gauge } = device
    this.storage.storeState({ deviceId, chargeMah, gauge, atMs: this.wallMs(), surface, plugs })
  }
}
