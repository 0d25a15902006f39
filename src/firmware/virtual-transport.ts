import { TransportError, type DeviceTransport } from '../core/link/transport'
import type { Clock } from './clock'
import { ControlPipe, PipeClosed } from './control-pipe'
import type { SimulatedDevice } from './device'

/**
 * A transport that runs the virtual clock as fast as possible: for tests, benches and the command line, where no time
 * passes by itself.
 *
 * @param spoil called before each report; true loses it (a lost request or reply)
 */
export function virtualTransport(
  clock: Clock,
  device: SimulatedDevice,
  spoil: (direction: 'set' | 'get') => boolean = () => false,
): DeviceTransport {
  const pipe = new ControlPipe(clock, device)
  const run = async <T>(direction: 'set' | 'get', transfer: () => Promise<T>): Promise<T> => {
    if (spoil(direction)) throw new TransportError('timeout')
    let settled = false
    const moving = transfer().finally(() => (settled = true))
    moving.catch(() => {})
    // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- a callback sets it
    while (!settled && clock.runNext()) await Promise.resolve()
    try {
      return await moving
    } catch (error) {
      if (error instanceof PipeClosed) throw new TransportError('disconnected')
      throw error
    }
  }
  return {
    id: `simulated ${device.serial}`,
    sendFeatureReport: (data) => run('set', () => pipe.set(data)),
    receiveFeatureReport: () => run('get', () => pipe.get()),
  }
}
