import { withTexts } from '../../messages/page'
import { defineStore } from 'pinia'

/** Work that a reload must not interrupt, and its name. */
const UNFINISHED = withTexts(
  {},
  {
    store: 'stores.savingChanges',
    write: 'stores.writingToADevice',
    swap: 'stores.swappingTwoSlots',
    firmware: 'stores.updatingFirmware',
    import: 'stores.importing',
    recording: 'stores.recordingAMacro',
    session: 'stores.recordingASession',
  },
)
export type UnfinishedWork = keyof typeof UNFINISHED

const PREFIX = 'unisera unfinished '

/** None where there are no tabs. */
const locks = (): LockManager | undefined =>
  typeof navigator === 'object' && 'locks' in navigator ? navigator.locks : undefined

/**
 * Work in any tab that a reload would interrupt. Each kind is a shared lock (Web Locks) that is held during the work,
 * so that every tab knows of it, and a closed tab releases it.
 */
export const useUnfinishedWork = defineStore('unfinished', () => {
  /** Delays a reload of all tabs until the work has ended. */
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

  /** The names of unfinished work in any tab. */
  async function now(): Promise<string[]> {
    const { held = [] } = (await locks()?.query()) ?? {}
    const found = held.flatMap(({ name }) => (name?.startsWith(PREFIX) ? name.slice(PREFIX.length) : []))
    const names: Readonly<Record<string, string>> = UNFINISHED
    return [...new Set(found)].map((work) => names[work] ?? work)
  }

  /** Resolves when no tab has unfinished work. */
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
