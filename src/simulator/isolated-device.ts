import type { DeviceModel } from '../core/device/model'
import { modelById } from '../core/device/models'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { Receiver } from '../firmware/radio'
import type { SensorErrors } from '../firmware/sensor'
import { virtualTransport } from '../firmware/virtual-transport'
import type { ConnectionId, DryRun } from './api'
import { PLUGS } from './plugs'

export interface IsolatedDevice {
  model: DeviceModel
  clock: Clock
  device: SimulatedDevice
  /** Its reports since {@link IsolatedDevice.startUs}, with the time since then. */
  reports: DryRun['reports']
  /** A whole second, when all work after writing is done. */
  startUs: number
}

/**
 * A device outside the desk, with its own clock: an image is written to it by cable, then it is connected as requested.
 * Its clock is before `startUs`.
 *
 * @throws Error for an unknown model
 */
export async function isolatedDevice(
  { modelId, connectionId, image }: { modelId: string; connectionId: ConnectionId; image: Uint8Array },
  traits?: SensorErrors,
): Promise<IsolatedDevice> {
  const model = modelById(modelId)
  if (!model) throw new Error(`The device model ${modelId} is unknown`)
  const clock = new Clock()
  const reports: DryRun['reports'] = []
  let startUs = Infinity
  const device = new SimulatedDevice({
    model,
    clock,
    receiver: new Receiver(clock),
    ...(traits && { traits }),
    events: {
      report: (report, atUs) => {
        if (atUs >= startUs) reports.push({ atUs: atUs - startUs, report })
      },
    },
  })
  device.setPlugs({ cable: 'data' })
  await new LinkSession(virtualTransport(clock, device)).writeSlot(0, image, undefined)
  device.setPlugs(PLUGS[connectionId])
  startUs = (Math.floor(clock.nowUs / 1e6) + 3) * 1e6
  return { model, clock, device, reports, startUs }
}
