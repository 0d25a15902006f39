import { deviceOfItsOwn } from './device-of-its-own'
import type { DryRun, DryRunRequest } from './face'

/** After the last thing is due, what is still waiting for a poll is sent within this long. */
const AFTERMATH_US = 500_000

/**
 * Plays an image on a device of its own, on a clock of its own: written by cable, then over the connection, one
 * press of one input. What the devices on the desk do has nothing to do with it.
 */
export async function dryRun(request: DryRunRequest): Promise<DryRun> {
  const { clock, device, reports, startUs } = await deviceOfItsOwn(request)
  // The run begins when the press counts, not when the contact closes.
  clock.runUntil(startUs - device.pressDelayUs)
  device.press(request.inputId)
  clock.runUntil(startUs + request.forUs + AFTERMATH_US)
  return { descriptor: device.descriptor, reports }
}
