import { liveQuery } from 'dexie'
import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import { readSession, type SessionLog } from '../../core/measure/session-log'
import { LibraryDatabase, type StoredSession } from '../library-database'
import { messageOf, useNotices } from './notices'

export interface KeptSession {
  id: string
  log: SessionLog
}

/** Logged sessions, the newest first, as they are in every tab. */
export const useSessions = defineStore('sessions', () => {
  const notices = useNotices()
  const { sessions } = markRaw(new LibraryDatabase())
  const list = shallowRef<KeptSession[]>([])
  const said = (error: unknown) =>
    notices.trouble(
      `Sessions are not stored in this browser: ${messageOf(error)}. What was kept before is as it was.`,
    )

  liveQuery(() => sessions.orderBy('startedAt').reverse().toArray()).subscribe({
    next: (rows) => {
      list.value = rows.flatMap(({ id, document }) => {
        const log = readSession(document)
        return log ? [{ id, log }] : []
      })
    },
    error: said,
  })

  async function keep(log: SessionLog): Promise<void> {
    await sessions.add({ id: crypto.randomUUID(), startedAt: log.startedAt, document: log }).catch(said)
  }

  async function remove({ id, log }: KeptSession): Promise<void> {
    const row: StoredSession = { id, startedAt: log.startedAt, document: log }
    await sessions.delete(id).then(
      () =>
        notices.say(`The session “${log.name}” was deleted`, {
          label: 'Undo',
          act: () => void sessions.put(row).catch(said),
        }),
      said,
    )
  }

  return { list, keep, remove }
})
