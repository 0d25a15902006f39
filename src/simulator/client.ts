import { wrap, type Remote } from 'comlink'
import { TransportError, type DeviceTransport } from '../core/link/transport'
import { CHANNEL_NAME, type SimulatorEvent, type SimulatorFace } from './face'

export type SimulatorClient = Remote<SimulatorFace>

/** Reaches the worker with the simulated devices. @throws Error where the browser has no shared workers */
export function connectSimulator(): SimulatorClient {
  if (typeof SharedWorker === 'undefined') {
    throw new Error(
      'This browser has no shared workers, in which the simulated devices live. A current one has.',
    )
  }
  const worker = new SharedWorker(new URL('./worker.ts', import.meta.url), {
    type: 'module',
    name: 'unisera',
  })
  return wrap<SimulatorFace>(worker.port)
}

/** Hears what the devices tell everybody. @returns a function that stops listening */
export function listenToSimulator(hear: (event: SimulatorEvent) => void): () => void {
  const channel = new BroadcastChannel(CHANNEL_NAME)
  channel.onmessage = ({ data }: MessageEvent<SimulatorEvent>) => hear(data)
  return () => channel.close()
}

/** A simulated device as any other is reached. */
export function simulatedTransport(simulator: SimulatorClient, id: string): DeviceTransport {
  return {
    id,
    async sendFeatureReport(data) {
      if (!(await simulator.sendFeatureReport(id, data))) throw new TransportError('disconnected')
    },
    async receiveFeatureReport() {
      const reply = await simulator.receiveFeatureReport(id)
      if (!reply) throw new TransportError('disconnected')
      return reply
    },
  }
}
