import { Refusal } from '../core/base/errors'
import { message } from '../core/message/message'
import { wrap, type Remote } from 'comlink'
import { valueOf } from '../core/base/items'
import { TransportError, type DeviceTransport } from '../core/link/transport'
import { ALIVE_LOCK, CHANNEL_NAME, type SimulatorEvent, type SimulatorApi } from './api'

export type SimulatorClient = SimulatorApi

/** The worker with the simulated devices did not answer: it has ended, or is too slow. */
export class SimulatorTimeout extends Refusal {
  override name = 'SimulatorTimeout'
  constructor(readonly reason: 'ended' | 'late') {
    super([message(reason === 'ended' ? 'link.simulatorRestarting' : 'link.simulatorSilent')])
  }
}

/** Ignores that the worker has ended or is late, for callers that poll and ask again soon. */
export function ignoreTimeout(error: unknown): undefined {
  if (!(error instanceof SimulatorTimeout)) throw error
}

/** Time limit of a call; computing hours of use takes longer. */
const LIMIT_MS = 20_000
const LONG_LIMIT_MS = 180_000
const LONG_CALLS: ReadonlySet<string> = new Set(['dryRun', 'specimen', 'powerRun'])

interface WorkerLink {
  remote: Remote<SimulatorApi>
  /** Rejects when the worker has ended. */
  ended: Promise<never>
}

/**
 * Connects to the worker with the simulated devices. If the browser ends it, it is restarted, and every waiting call
 * fails at once.
 *
 * @param restarted called when a new worker has the devices, whose contents must be read again
 * @throws Refusal in browsers without shared workers
 */
export function connectSimulator(restarted: () => void = () => {}): SimulatorClient {
  let link = open()

  function open(): WorkerLink {
    if (typeof SharedWorker === 'undefined') {
      throw new Refusal([message('link.noSharedWorkers')])
    }
    const worker = new SharedWorker(new URL('./worker.ts', import.meta.url), {
      type: 'module',
      name: 'unisera',
    })
    const remote = wrap<SimulatorApi>(worker.port)
    return { remote, ended: endOf(remote) }
  }

  /**
   * The worker holds a lock as long as it lives: a page that gets it after the first answer knows that the worker has
   * ended.
   */
  async function endOf(remote: Remote<SimulatorApi>): Promise<never> {
    await remote.devices()
    await navigator.locks.request(ALIVE_LOCK, () => {})
    link = open()
    link.ended.catch(() => {})
    void link.remote.devices().then(restarted)
    throw new SimulatorTimeout('ended')
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
      () => reject(new SimulatorTimeout('late')),
      LONG_CALLS.has(name) ? LONG_LIMIT_MS : LIMIT_MS,
    )
  })
  try {
    return await Promise.race([call(...words), ended, late])
  } finally {
    clearTimeout(timer)
  }
}

/** Receives events of all devices. @returns a function that stops it */
export function listenToSimulator(hear: (event: SimulatorEvent) => void): () => void {
  const channel = new BroadcastChannel(CHANNEL_NAME)
  channel.onmessage = ({ data }: MessageEvent<SimulatorEvent>) => hear(data)
  return () => channel.close()
}

/** A simulated device, through the same interface as any other. */
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

/** To its devices, the end of the worker is like an unplugged cable. */
async function answered<T>(call: Promise<T>): Promise<T> {
  try {
    return await call
  } catch (error) {
    if (error instanceof SimulatorTimeout) throw new TransportError('disconnected')
    throw error
  }
}
