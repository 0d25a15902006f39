import type { Clock } from '../firmware/clock'
import type { SimulatedDevice } from '../firmware/device'

/** Half of the shortest polling interval, so that every poll of a steady movement has counts. */
const STEP_US = 62.5

/**
 * Completed share of a reach, with minimum jerk: Flash and Hogan, Journal of Neuroscience 5 (1985). @param at from 0 to
 * 1
 */
const reached = (at: number): number => at ** 3 * (10 - 15 * at + 6 * at ** 2)

/** Moves a device by a distance over some ms of its clock, which continues by itself. */
export function slideDevice(
  clock: Clock,
  device: SimulatedDevice,
  { dxMm, dyMm, ms }: { dxMm: number; dyMm: number; ms: number },
): void {
  const fromUs = clock.nowUs
  const steps = Math.max(1, Math.round((1000 * ms) / STEP_US))
  const step = (at: number): void => {
    const share = reached(at / steps) - reached((at - 1) / steps)
    device.move(dxMm * share, dyMm * share)
    if (at < steps) clock.at(fromUs + (at + 1) * STEP_US, () => step(at + 1))
  }
  clock.at(fromUs + STEP_US, () => step(1))
}
