import { Refusal } from '../base/errors'
import { message } from '../message/message'

/**
 * A device as the computer accesses it. Simulated devices implement it, and a WebHID device can, because the calls are
 * the same.
 */
export interface DeviceTransport {
  /** Identifies the device as long as it exists, connected or not. */
  readonly id: string
  /** Sends the 63 data bytes of a configuration report. @throws TransportError */
  sendFeatureReport(data: Uint8Array): Promise<void>
  /** Receives the 63 data bytes of the reply. @throws TransportError */
  receiveFeatureReport(): Promise<Uint8Array>
}

/** Why a report failed: the device is disconnected, or it did not answer in time. */
export class TransportError extends Refusal {
  override name = 'TransportError'
  constructor(readonly reason: 'disconnected' | 'timeout') {
    super([message(reason === 'timeout' ? 'link.noAnswer' : 'link.notConnected')])
  }
}
