import type { ControlPipe } from '../firmware/control-pipe'
import type { SimulatedDevice } from '../firmware/device'
import type { Plugs } from '../firmware/plugs'

/** Initial plugs of a device on the desk. */
export const OVER_AIR: Plugs = { cable: 'none', receiver: true, radio: 'receiver', power: true }
export const BY_CABLE: Plugs = { cable: 'data', receiver: false, radio: 'off', power: true }

/** A device in the worker, with the pipe of its link. */
export interface SeatedDevice {
  id: string
  device: SimulatedDevice
  pipe: ControlPipe
  /** Borrowed: it stores nothing, and is not among the devices on the desk. */
  lent?: boolean
}

/** All devices of the desk with a radio share its receiver. */
export const isOnAir = ({ lent, device }: SeatedDevice): boolean =>
  !lent && device.model.pairing !== undefined
