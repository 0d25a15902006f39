import type { Clock } from './clock'
import type { SimulatedDevice } from './device'

/** A configuration report takes this long; the next one waits for it. */
export const REPORT_US = 1000

/** Nothing took the report: the device is not connected, or no longer. */
export class PipeClosed extends Error {
  override name = 'PipeClosed'
}

/**
 * The computer's control pipe to one device: feature reports one after the other, at most one a millisecond of
 * virtual time.
 */
export class ControlPipe {
  private freeUs = 0

  constructor(
    private readonly clock: Clock,
    private readonly device: SimulatedDevice,
  ) {}

  /** Sends 63 bytes; rejects with {@link PipeClosed} when the device is gone by the time they arrive. */
  set(data: Uint8Array): Promise<void> {
    return this.transfer(() => (this.device.setFeature(data) ? { done: undefined } : undefined))
  }

  /** Asks for 63 bytes; rejects with {@link PipeClosed} when the device is gone by then. */
  get(): Promise<Uint8Array> {
    return this.transfer(() => {
      const reply = this.device.getFeature()
      return reply && { done: reply }
    })
  }

  private transfer<T>(move: () => { done: T } | undefined): Promise<T> {
    this.freeUs = Math.max(this.clock.nowUs, this.freeUs) + REPORT_US
    return new Promise((resolve, reject) => {
      this.clock.at(this.freeUs, () => {
        const moved = move()
        if (moved) resolve(moved.done)
        else reject(new PipeClosed('the device is not connected'))
      })
    })
  }
}
