import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { parseSession, type SessionLog } from '../../core/document/session-log'
import { DocumentTable, stampAfter, type SetAside } from '../database/documents'
import type { StoredSession } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useDeeds } from './deeds'
import { useKeeping, type Waiting } from './keeping'
import { useLibrary } from './library'
import { messageOf, useNotices } from './notices'

export interface KeptSession {
  id: string
  log: SessionLog
}

/** Logged sessions, the newest first, as they are in every tab. */
export const useSessions = defineStore('sessions', () => {
  const library = useLibrary()
  const notices = useNotices()
  const keeping = useKeeping()
  const deeds = useDeeds()
  const { database } = library.library
  const table = markRaw(
    new DocumentTable<StoredSession, SessionLog>(database, database.sessions, {
      table: 'sessions',
      index: 'startedAt',
      noun: 'session',
      gate: parseSession,
      order: (a, b) => b.document.startedAt - a.document.startedAt,
    }),
  )
  const stored = shallowRef<{ sessions: KeptSession[]; setAside: SetAside[] }>()
  function refresh(): void {
    const { kept, setAside: aside } = table.now()
    stored.value = { sessions: kept.map(({ id, document }) => ({ id, log: document })), setAside: aside }
  }
  const { readAll } = keepLive(
    table,
    refresh,
    (error) =>
      notices.trouble(
        `Sessions cannot be read in this browser: ${messageOf(error)}. What was kept before is as it was.`,
      ),
    library.firstTold,
  )

  /** Those that could not be stored yet, and those that are. */
  const list = computed((): KeptSession[] => {
    const waiting = unstored.value.filter(({ id }) => keeping.waitingFor(placeOf(id)).length > 0)
    const kept = stored.value?.sessions ?? []
    return [...waiting.filter(({ id }) => !kept.some((each) => each.id === id)), ...kept]
  })
  /** The sessions that this page was asked to store, whether they are stored by now or not. */
  const unstored = shallowRef<readonly KeptSession[]>([])
  const setAside = computed(() => stored.value?.setAside ?? [])

  /** @returns once it is stored, which may have to wait */
  async function keep(log: SessionLog): Promise<void> {
    const id = crypto.randomUUID()
    const item: Waiting = {
      place: placeOf(id),
      name: log.name,
      store: () => table.put([rowOf({ id, log })]),
      conflicted: () => {},
    }
    unstored.value = [...unstored.value, { id, log }]
    await keeping.keep(item)
  }

  async function remove({ id, log }: KeptSession): Promise<void> {
    const row = await library.attempt(() => table.remove(id))
    if (!row) return
    deeds.sayStored('measure', `The session “${log.name}” was deleted`, () =>
      table.put([{ ...row, stamp: stampAfter(row, Date.now()) }]),
    )
  }

  return { table, readAll, list, setAside, keep, remove }
})

const placeOf = (id: string): string => `sessions ${id}`

const rowOf = ({ id, log }: KeptSession): StoredSession => ({
  id,
  startedAt: log.startedAt,
  updatedAt: log.startedAt,
  stamp: log.startedAt,
  document: log,
})
