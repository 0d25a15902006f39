import { defineStore } from 'pinia'

/** Work that must not be interrupted by a reload, and what people call it. */
const UNFINISHED = {
  store: 'changes that are not stored yet',
  write: 'a write to a device',
  swap: 'a swap of two slots',
  firmware: 'a firmware update',
  import: 'an import',
  recording: 'a macro recording',
  session: 'a session recording',
} as const
export type UnfinishedWork = keyof typeof UNFINISHED

const PREFIX = 'unisera unfinished '

/** None where there are no tabs. */
const locks = (): LockManager | undefined =>
  typeof navigator === 'object' && 'locks' in navigator ? navigator.locks : undefined

/**
 * Work in any tab that a reload would interrupt. Each kind is a shared lock (Web Locks) that is held while the work goes
 * on, so that every tab knows of it, and a tab that is closed holds nothing back.
 */
export const useUnfinished = defineStore('unfinished', () => {
  /** Holds back a reload of every tab until the work has ended. */
  function during<T>(work: UnfinishedWork, act: () => Promise<T>): Promise<T> {
    const tabs = locks()
    if (!tabs) return act()
    return new Promise<T>((resolve, reject) => {
      void tabs.request(`${PREFIX}${work}`, { mode: 'shared' }, () => act().then(resolve, reject))
    })
  }

  /** Does the same for work without a promise. @returns a function that ends the work */
  function begin(work: UnfinishedWork): () => void {
    let end = () => {}
    const going = new Promise<void>((resolve) => (end = resolve))
    void during(work, () => going)
    return end
  }

  /** What is going on in any tab, as people call it. */
  async function now(): Promise<string[]> {
    const { held = [] } = (await locks()?.query()) ?? {}
    const found = held.flatMap(({ name }) => (name?.startsWith(PREFIX) ? name.slice(PREFIX.length) : []))
    const names: Readonly<Record<string, string>> = UNFINISHED
    return [...new Set(found)].map((work) => names[work] ?? work)
  }

  /** Resolves when nothing is going on in any tab. */
  async function ended(): Promise<void> {
    const tabs = locks()
    while (tabs) {
      const { held = [] } = await tabs.query()
      const name = held.find((lock) => lock.name?.startsWith(PREFIX))?.name
      if (name === undefined) return
      await tabs.request(name, () => {})
    }
  }

  return { during, begin, now, ended }
})
