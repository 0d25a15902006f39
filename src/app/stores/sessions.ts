import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed, markRaw, shallowRef } from 'vue'
import { parseSession, type SessionLog } from '../../core/document/session-log'
import { DocumentTable, nextStamp, type QuarantinedDocument } from '../database/documents'
import type { StoredSession } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import { useUndoableActions } from './undoable-actions'
import { useStorageQueue, type QueuedChange } from './storage-queue'
import { useLibrary } from './library'
import { errorMessage, useNotifications } from './notifications'

export interface StoredSessionItem {
  id: string
  log: SessionLog
}

/** Saved sessions, the newest first, in sync between all tabs. */
export const useSessions = defineStore('sessions', () => {
  const library = useLibrary()
  const notices = useNotifications()
  const keeping = useStorageQueue()
  const deeds = useUndoableActions()
  const { database } = library.library
  const table = markRaw(
    new DocumentTable<StoredSession, SessionLog>(database, database.sessions, {
      table: 'sessions',
      index: 'startedAt',
      parse: parseSession,
      order: (a, b) => b.document.startedAt - a.document.startedAt,
    }),
  )
  const stored = shallowRef<{ sessions: StoredSessionItem[]; quarantined: QuarantinedDocument[] }>()
  function refresh(): void {
    const { kept, quarantined: aside } = table.now()
    stored.value = { sessions: kept.map(({ id, document }) => ({ id, log: document })), quarantined: aside }
  }
  const { readAll } = keepLive(
    table,
    refresh,
    (error) =>
      notices.trouble(t('faults.sessionsCannotBeReadInThisBrowser', { message: errorMessage(error) })),
    library.firstTold,
  )

  /** Sessions that are not stored yet, and stored ones. */
  const list = computed((): StoredSessionItem[] => {
    const waiting = unstored.value.filter(({ id }) => keeping.waitingFor(placeOf(id)).length > 0)
    const kept = stored.value?.sessions ?? []
    return [...waiting.filter(({ id }) => !kept.some((each) => each.id === id)), ...kept]
  })
  /** Sessions saved on this page, stored or not. */
  const unstored = shallowRef<readonly StoredSessionItem[]>([])
  const quarantined = computed(() => stored.value?.quarantined ?? [])

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
