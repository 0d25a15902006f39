import type { Ref } from 'vue'
import { LinkSession, noCounts, type LinkCounts } from '../../core/link/session'
import { LinkError } from '../../core/link/link-error'
import { simulatedTransport, type SimulatorClient } from '../../simulator/client'

/** Sessions with devices: one at a time for each, across all tabs, counted. */
export function useDeviceSessions(simulator: Readonly<Ref<SimulatorClient | undefined>>) {
  /** How the link to each device did since the page was opened. */
  const linkCounts = new Map<string, LinkCounts>()
  function countsOf(id: string): LinkCounts {
    const counts = linkCounts.get(id) ?? noCounts()
    linkCounts.set(id, counts)
    return counts
  }

  /** @throws LinkError */
  async function withSession<T>(id: string, act: (session: LinkSession) => Promise<T>): Promise<T> {
    const client = simulator.value
    if (!client) throw new LinkError('disconnected', 'No device is connected')
    return navigator.locks.request(`unisera link ${id}`, () =>
      act(new LinkSession(simulatedTransport(client, id), countsOf(id))),
    )
  }

  return { linkCounts, withSession }
}
