import type { DeviceModel } from '../core/device/model'
import { modelById } from '../core/device/models'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { Receiver } from '../firmware/radio'
import type { SensorTraits } from '../firmware/sensor'
import { virtualTransport } from '../firmware/virtual-transport'
import type { ConnectionId, DryRun } from './face'
import { PLUGS } from './plugs'

export interface OwnDevice {
  model: DeviceModel
  clock: Clock
  device: SimulatedDevice
  /** What it sent since {@link OwnDevice.startUs}, with the time since then. */
  reports: DryRun['reports']
  /** A whole second, at which all that writing left to do is done. */
  startUs: number
}

/**
 * A device apart from those on the desk, on a clock of its own: an image is written to it by cable, then it is plugged
 * as asked. Its clock stands before `startUs`.
 *
 * @throws Error for a model nobody knows
 */
export async function deviceOfItsOwn(
  { modelId, connectionId, image }: { modelId: string; connectionId: ConnectionId; image: Uint8Array },
  traits?: SensorTraits,
): Promise<OwnDevice> {
  const model = modelById(modelId)
  if (!model) throw new Error(`Unisera does not know the model ${modelId}`)
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
