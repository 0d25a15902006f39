import { modelById } from '../core/device/models'
import { LinkSession } from '../core/link/session'
import { Clock } from '../firmware/clock'
import { SimulatedDevice } from '../firmware/device'
import { Receiver } from '../firmware/radio'
import { virtualTransport } from '../firmware/virtual-transport'
import type { DryRun, DryRunRequest } from './face'
import { PLUGS } from './plugs'

/** After the last thing is due, what is still waiting for a poll is sent within this long. */
const AFTERMATH_US = 500_000

/**
 * Plays an image on a device of its own, on a clock of its own: written by cable, then over the connection, one
 * press of one input. What the devices on the desk do has nothing to do with it.
 */
export async function dryRun(request: DryRunRequest): Promise<DryRun> {
  const model = modelById(request.modelId)
  if (!model) throw new Error(`Unisera does not know the model ${request.modelId}`)
  const clock = new Clock()
  const reports: DryRun['reports'] = []
  let startUs = Infinity
  const device = new SimulatedDevice({
    ...{ model, clock, receiver: new Receiver(clock) },
    events: {
      report: (report, atUs) => {
        if (atUs >= startUs) reports.push({ atUs: atUs - startUs, report })
      },
    },
  })
  device.setPlugs({ cable: 'data' })
  await new LinkSession(virtualTransport(clock, device)).writeSlot(0, request.image, undefined)
  device.setPlugs(PLUGS[request.connectionId])
  startUs = (Math.floor(clock.nowUs / 1e6) + 3) * 1e6
  // The run begins when the press counts, not when the contact closes.
  clock.runUntil(startUs - device.pressDelayUs)
  device.press(request.inputId)
  clock.runUntil(startUs + request.forUs + AFTERMATH_US)
  return { descriptor: device.descriptor, reports }
}
