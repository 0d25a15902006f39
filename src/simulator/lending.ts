import { itemAt } from '../core/base/items'
import { modelById } from '../core/device/models'
import { ControlPipe } from '../firmware/control-pipe'
import { SimulatedDevice } from '../firmware/device'
import type { DeviceEvents } from '../firmware/device-options'
import { Receiver } from '../firmware/radio'
import type { ConnectionId } from './face'
import { PLUGS } from './plugs'
import type { RealTime } from './real-time'
import type { Seat } from './seat'

/** Pages that went away without giving back leave no more than this behind. */
const MOST_LENT = 6

/** Devices that a page borrows to try something out; they stand beside those of the desk, and nothing stores them. */
export class Lending {
  private count = 0

  constructor(
    private readonly time: RealTime,
    private readonly seats: Map<string, Seat>,
    private readonly eventsOf: (id: string) => Partial<DeviceEvents>,
  ) {}

  /** @throws RangeError for a model that does not exist */
  borrow(modelId: string, connectionId: ConnectionId): string {
    const model = modelById(modelId)
    if (!model) throw new RangeError(`there is no model "${modelId}"`)
    const lent = [...this.seats.values()].filter((seat) => seat.lent)
    if (lent.length >= MOST_LENT) this.giveBack(itemAt(lent, 0).id)
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
