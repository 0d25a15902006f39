/**
 * One device as the computer reaches it. The simulated devices are behind this, and a WebHID device can be: it
 * has the same calls.
 */
export interface DeviceTransport {
  /** Names the device for as long as it exists, plugged or not. */
  readonly id: string
  /** Sends the 63 data bytes of a configuration report. @throws TransportError */
  sendFeatureReport(data: Uint8Array): Promise<void>
  /** Gets the 63 data bytes of the reply. @throws TransportError */
  receiveFeatureReport(): Promise<Uint8Array>
}

/** Why a report did not get through: the device is gone, or it did not answer in time. */
export class TransportError extends Error {
  override name = 'TransportError'
  constructor(readonly reason: 'disconnected' | 'timeout') {
    super(reason === 'timeout' ? 'the device did not answer' : 'the device is not connected')
  }
}
