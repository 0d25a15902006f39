import { itemAt } from '../core/base/items'
import { modelById } from '../core/device/models'
import { ControlPipe } from '../firmware/control-pipe'
import { SimulatedDevice } from '../firmware/device'
import type { DeviceEvents } from '../firmware/device-options'
import { Receiver } from '../firmware/radio'
import type { ConnectionId } from './api'
import { PLUGS } from './plugs'
import type { RealTime } from './real-time'
import type { SeatedDevice } from './seated-device'

/** Maximum number of borrowed devices, which limits those of closed pages. */
const MAX_LENT = 6

/** Devices that a page borrows for trying something out; they exist next to those of the desk and are not stored. */
export class BorrowedDevices {
  private count = 0

  constructor(
    private readonly time: RealTime,
    private readonly seats: Map<string, SeatedDevice>,
    private readonly eventsOf: (id: string) => Partial<DeviceEvents>,
  ) {}

  /** @throws RangeError for an unknown model */
  borrow(modelId: string, connectionId: ConnectionId): string {
    const model = modelById(modelId)
    if (!model) throw new RangeError(`the device model "${modelId}" is unknown`)
    const lent = [...this.seats.values()].filter((seat) => seat.lent)
    if (lent.length >= MAX_LENT) this.giveBack(itemAt(lent, 0).id)
    const id = `lent ${++this.count}`
    this.time.during(() => {
      const { clock } = this.time
      const device = new SimulatedDevice({
        model,
        clock,
        receiver: new Receiver(clock),
        events: this.eventsOf(id),
      })
      device.setPlugs(PLUGS[connectionId])
      this.seats.set(id, { id, device, pipe: new ControlPipe(clock, device), lent: true })
    })
    return id
  }

  giveBack(id: string): void {
    const seat = this.seats.get(id)
    if (!seat?.lent) return
    this.time.during(() =>
      seat.device.setPlugs({ cable: 'none', receiver: false, radio: 'off', power: false }),
    )
    this.seats.delete(id)
  }
}
