import { isolatedDevice } from './isolated-device'
import type { DryRun, DryRunRequest } from './api'

/** Time after the last change for reports still waiting for a poll. */
const AFTERMATH_US = 500_000

/**
 * Plays an image on a separate device with its own clock: written by cable, then one press of one input over the
 * connection. The devices on the desk are not involved.
 */
export async function dryRun(request: DryRunRequest): Promise<DryRun> {
  const { clock, device, reports, startUs } = await isolatedDevice(request)
  // The run starts when the press counts, not when the contact closes.
  clock.runUntil(startUs - device.pressDelayUs)
  device.press(request.inputId)
  clock.runUntil(startUs + request.forUs + AFTERMATH_US)
  return { descriptor: device.descriptor, reports }
}
