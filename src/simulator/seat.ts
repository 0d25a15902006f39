import type { ControlPipe } from '../firmware/control-pipe'
import type { SimulatedDevice } from '../firmware/device'
import type { Plugs } from '../firmware/plugs'

/** How a device is plugged when it comes to the desk. */
export const OVER_AIR: Plugs = { cable: 'none', receiver: true, radio: 'receiver', power: true }
export const BY_CABLE: Plugs = { cable: 'data', receiver: false, radio: 'off', power: true }

/** A device in the worker, with the pipe its link goes through. */
export interface Seat {
  id: string
  device: SimulatedDevice
  pipe: ControlPipe
  /** Lent out: it keeps nothing, and is not among the devices on the desk. */
  lent?: boolean
}

/** The receiver of the desk is for every device on it that has a radio. */
export const isOnAir = ({ lent, device }: Seat): boolean => !lent && device.model.pairing !== undefined
