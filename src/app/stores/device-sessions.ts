import type { Ref } from 'vue'
import { LinkSession, emptyCounts, type LinkCounts } from '../../core/link/session'
import { LinkError } from '../../core/link/link-error'
import { simulatedTransport, type SimulatorClient } from '../../simulator/client'
import { message } from '../../core/message/message'

/** Sessions with devices: one at a time per device across all tabs, with statistics. */
export function useDeviceSessions(simulator: Readonly<Ref<SimulatorClient | undefined>>) {
  /** Statistics of the link to each device since the page was opened. */
  const linkCounts = new Map<string, LinkCounts>()
  function countsOf(id: string): LinkCounts {
    const counts = linkCounts.get(id) ?? emptyCounts()
    linkCounts.set(id, counts)
    return counts
  }

  /** @throws LinkError */
  async function withSession<T>(id: string, act: (session: LinkSession) => Promise<T>): Promise<T> {
    const client = simulator.value
    if (!client) throw new LinkError('disconnected', message('link.noDevice'))
    return navigator.locks.request(`unisera link ${id}`, () =>
      act(new LinkSession(simulatedTransport(client, id), countsOf(id))),
    )
  }

  return { linkCounts, withSession }
}
