import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { parseSession, type SessionLog } from '../../core/document/session-log'
import { nextStamp } from '../database/documents'
import type { StoredSession } from '../database/library-database'
import { useUndoableActions } from './undoable-actions'
import { useStorageQueue, type QueuedChange } from './storage-queue'
import { useLibrary } from './library'
import { liveTable } from './live-table'

export interface StoredSessionItem {
  id: string
  log: SessionLog
}

/** Saved sessions, the newest first, in sync between all tabs. */
export const useSessions = defineStore('sessions', () => {
  const library = useLibrary()
  const keeping = useStorageQueue()
  const deeds = useUndoableActions()
  const {
    table,
    kept: stored,
    quarantined,
    readAll,
  } = liveTable<StoredSession, SessionLog>(
    ({ sessions }) => sessions,
    {
      table: 'sessions',
      index: 'startedAt',
      parse: parseSession,
      order: (a, b) => b.document.startedAt - a.document.startedAt,
    },
    (message) => t('faults.sessionsCannotBeReadInThisBrowser', { message }),
  )

  /** Sessions that are not stored yet, and stored ones. */
  const list = computed((): StoredSessionItem[] => {
    const waiting = unstored.value.filter(({ id }) => keeping.waitingFor(placeOf(id)).length > 0)
    const kept = stored.value.map(({ id, document }) => ({ id, log: document }))
    return [...waiting.filter(({ id }) => !kept.some((each) => each.id === id)), ...kept]
  })
  /** Sessions saved on this page, stored or not. */
  const unstored = shallowRef<readonly StoredSessionItem[]>([])

  /** @returns after it is stored, which may take a while */
  async function keep(log: SessionLog): Promise<void> {
    const id = crypto.randomUUID()
    const item: QueuedChange = {
      place: placeOf(id),
      name: log.name,
      store: () => table.put([rowOf({ id, log })]),
      conflicted: () => {},
    }
    unstored.value = [...unstored.value, { id, log }]
    await keeping.keep(item)
  }

  async function remove({ id, log }: StoredSessionItem): Promise<void> {
    const row = await library.attempt(() => table.remove(id))
    if (!row) return
    deeds.sayStored('measure', t('stores.theSessionWasDeleted', { name: log.name }), () =>
      table.put([{ ...row, stamp: nextStamp(row, Date.now()) }]),
    )
  }

  return { table, readAll, list, quarantined, keep, remove }
})

const placeOf = (id: string): string => `sessions ${id}`

const rowOf = ({ id, log }: StoredSessionItem): StoredSession => ({
  id,
  startedAt: log.startedAt,
  updatedAt: log.startedAt,
  stamp: log.startedAt,
  document: log,
})
