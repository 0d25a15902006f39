import type { Plugs } from '../firmware/plugs'
import type { ConnectionId } from './api'

/** Plugs of a device for each connection. */
export const PLUGS: Record<ConnectionId, Partial<Plugs>> = {
  cable: { cable: 'data' },
  receiver: { cable: 'none', receiver: true, radio: 'receiver', power: true },
  bluetooth: { cable: 'none', receiver: false, radio: 'bluetooth', power: true },
}
