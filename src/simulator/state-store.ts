import type { RealTime } from './real-time'
import type { SeatedDevice } from './seated-device'
import type { DeviceStorage } from './storage'

/** Minimum time between saving the charge of all devices while a page watches one. */
const CHARGE_STORED_MS = 30_000

/** Saves the charge, plugs and surface of the devices on the desk; their flash is saved when it changes. */
export class StateStore {
  /** Real time at which all states were last saved. */
  private storedMs = 0

  constructor(
    private readonly time: RealTime,
    private readonly seats: ReadonlyMap<string, SeatedDevice>,
    private readonly storage: DeviceStorage,
    private readonly wallMs: () => number,
  ) {}

  /** Watching pages ask often: now and then, everything is saved on such an occasion. */
  storeNowAndThen(): void {
    if (this.time.realMs() - this.storedMs >= CHARGE_STORED_MS) this.storeAll()
  }

  /** All at the same time, because they share one clock. */
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
