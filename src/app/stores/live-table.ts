import { computed, markRaw, shallowRef } from 'vue'
import { DocumentTable, type DocumentKind, type ValidDocument } from '../database/documents'
import type { StoredDocument } from '../database/library-database'
import { keepLive } from '../database/live-documents'
import type { Table } from 'dexie'
import { useLibrary } from './library'
import { errorMessage, useNotifications } from './notifications'

/**
 * One table of the library in sync between all tabs, read after the profiles.
 *
 * @param unreadable the notification if the table cannot be read
 */
export function liveTable<Row extends StoredDocument, Document>(
  rows: (database: ReturnType<typeof useLibrary>['library']['database']) => Table<Row, string, Row>,
  kind: DocumentKind<Row, Document>,
  unreadable: (message: string) => string,
) {
  const library = useLibrary()
  const notices = useNotifications()
  const { database } = library.library
  const table = markRaw(new DocumentTable<Row, Document>(database, rows(database), kind))
  /** Undefined until the first rows have been read. */
  const stored = shallowRef<ReturnType<typeof table.now>>()
  const refresh = (): void => void (stored.value = table.now())
  const { readAll } = keepLive(
    table,
    refresh,
    (error) => notices.trouble(unreadable(errorMessage(error))),
    library.firstTold,
  )
  const kept = computed((): readonly ValidDocument<Row, Document>[] => stored.value?.kept ?? [])
  const quarantined = computed(() => stored.value?.quarantined ?? [])
  return { table, stored, kept, quarantined, refresh, readAll }
}
