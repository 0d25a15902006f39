import { wrap, type Remote } from 'comlink'
import { valueOf } from '../core/base/items'
import { TransportError, type DeviceTransport } from '../core/link/transport'
import { ALIVE_LOCK, CHANNEL_NAME, type SimulatorEvent, type SimulatorFace } from './face'

export type SimulatorClient = SimulatorFace

/** The worker with the simulated devices did not answer: it has ended, or takes longer than it may. */
export class SimulatorSilent extends Error {
  override name = 'SimulatorSilent'
  constructor(readonly reason: 'ended' | 'late') {
    super(
      reason === 'ended'
        ? 'the simulated devices had stopped; they are started again'
        : 'the simulated devices do not answer',
    )
  }
}

/** Ignores that the worker has ended or is late, for callers that poll and ask again soon. */
export function ignoreSilence(error: unknown): undefined {
  if (!(error instanceof SimulatorSilent)) throw error
}

/** No call waits longer; those that compute hours of use have more. */
const LIMIT_MS = 20_000
const LONG_LIMIT_MS = 180_000
const LONG_CALLS: ReadonlySet<string> = new Set(['dryRun', 'specimen', 'powerRun'])

interface WorkerLink {
  remote: Remote<SimulatorFace>
  /** Rejects when the worker has ended. */
  ended: Promise<never>
}

/**
 * Reaches the worker with the simulated devices. Where the browser ends it, it is started again, and every call that
 * waited for it fails at once.
 *
 * @param restarted told when a new worker has the devices: what is on them is to be read again
 * @throws Error where the browser has no shared workers
 */
export function connectSimulator(restarted: () => void = () => {}): SimulatorClient {
  let link = open()

  function open(): WorkerLink {
    if (typeof SharedWorker === 'undefined') {
      throw new Error(
        'This browser has no shared workers, in which the simulated devices live. A current one has.',
      )
    }
    const worker = new SharedWorker(new URL('./worker.ts', import.meta.url), {
      type: 'module',
      name: 'unisera',
    })
    const remote = wrap<SimulatorFace>(worker.port)
    return { remote, ended: endOf(remote) }
  }

  /** The worker holds a lock for as long as it lives: whoever gets it after the first answer knows that it does not. */
  async function endOf(remote: Remote<SimulatorFace>): Promise<never> {
    await remote.devices()
    await navigator.locks.request(ALIVE_LOCK, () => {})
    link = open()
    link.ended.catch(() => {})
    void link.remote.devices().then(restarted)
    throw new SimulatorSilent('ended')
  }
  link.ended.catch(() => {})

  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- a proxy has every method of the interface it stands for
  return new Proxy({} as SimulatorClient, {
    get: (_, name) =>
      typeof name !== 'string' || name === 'then'
        ? undefined
        : (...words: unknown[]) => limited(link, name, words),
  })
}

async function limited({ remote, ended }: WorkerLink, name: string, words: unknown[]): Promise<unknown> {
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- a proxy has every method of the interface it stands for
  const call = valueOf(remote as unknown as Record<string, (...words: unknown[]) => Promise<unknown>>, name)
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () => reject(new SimulatorSilent('late')),
      LONG_CALLS.has(name) ? LONG_LIMIT_MS : LIMIT_MS,
    )
  })
  try {
    return await Promise.race([call(...words), ended, late])
  } finally {
    clearTimeout(timer)
  }
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
      if (!(await answered(simulator.sendFeatureReport(id, data)))) throw new TransportError('disconnected')
    },
    async receiveFeatureReport() {
      const reply = await answered(simulator.receiveFeatureReport(id))
      if (!reply) throw new TransportError('disconnected')
      return reply
    },
  }
}

/** A worker that has ended is to its devices what a pulled cable is. */
async function answered<T>(call: Promise<T>): Promise<T> {
  try {
    return await call
  } catch (error) {
    if (error instanceof SimulatorSilent) throw new TransportError('disconnected')
    throw error
  }
}
