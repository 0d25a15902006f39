import type { Clock } from './clock'
import type { SimulatedDevice } from './device'

/** Duration of one configuration report; the next one waits. */
export const REPORT_US = 1000

/** No device received the report: it is disconnected. */
export class PipeClosed extends Error {
  override name = 'PipeClosed'
}

/**
 * The control pipe from the computer to one device: feature reports in sequence, at most one per millisecond of virtual
 * time.
 */
export class ControlPipe {
  private freeUs = 0

  constructor(
    private readonly clock: Clock,
    private readonly device: SimulatedDevice,
  ) {}

  /** Sends 63 bytes; rejects with {@link PipeClosed} if the device is disconnected when they arrive. */
  set(data: Uint8Array): Promise<void> {
    return this.transfer(() => (this.device.setFeature(data) ? { done: undefined } : undefined))
  }

  /** Requests 63 bytes; rejects with {@link PipeClosed} if the device is disconnected by then. */
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
