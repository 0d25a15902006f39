import Dexie, { cmp, RangeSet, type ObservabilitySet } from 'dexie'
import type { DocumentTable } from './documents'
import { yieldThread } from './yield-thread'
import type { StoredDocument } from './library-database'

/** Number of rows read at once: the first of them appear while the others are still being read. */
const FIRST = 4
const CHUNK = 40

/** A table whose documents are kept in sync with storage. */
interface LiveTable {
  /** Resolves once the first rows are published, or could not be read. */
  firstTold: Promise<void>
  /** Reads all documents that this tab has not read yet. @throws if storage cannot be read */
  readAll: () => Promise<void>
}

/**
 * Keeps the known documents of a table in sync in every tab: only rows stored by other tabs are read again.
 *
 * @param changed called for every news; `complete` once all rows have been read
 * @param failed called if the table cannot be read
 * @param after table to wait for, until it is on the screen
 */
export function keepLive<Row extends StoredDocument, Document>(
  table: DocumentTable<Row, Document>,
  changed: (complete: boolean) => void,
  failed: (error: unknown) => void,
  after: Promise<void> = Promise.resolve(),
): LiveTable {
  const place = `idb://${table.database.name}/${table.kind.table}/`
  let complete = false
  let queue: Promise<void> = Promise.resolve()
  const then = (act: () => Promise<void>) => {
    queue = queue.then(act).catch(failed)
  }

  async function readFirst(): Promise<void> {
    await after
    await table.readFirst(FIRST)
    changed(false)
  }

  async function readAll(): Promise<void> {
    await readInPieces(await table.ids())
    complete = true
    changed(true)
  }

  /** @returns whether there is any news */
  async function readInPieces(ids: readonly string[]): Promise<boolean> {
    let any = false
    for (let from = 0; from < ids.length; from += CHUNK) {
      any = (await table.read(ids.slice(from, from + CHUNK))) || any
    }
    return any
  }

  then(readFirst)
  const firstTold = queue.then(yieldThread)
  then(readAll)
  Dexie.on('storagemutated', (parts: ObservabilitySet) => {
    const ids = parts[place] ? idsIn(parts[place]) : []
    if (ids === 'many') then(readAll)
    else if (ids.length > 0)
      then(async () => {
        if (!(await readInPieces(ids))) return
        // Reading a long document and showing it are separate tasks.
        await yieldThread()
        changed(complete)
      })
  })
  return {
    firstTold,
    async readAll() {
      await table.all()
      changed(complete)
    },
  }
}

/** The ids affected by a change, or that there are too many to list. */
function idsIn(ranges: ObservabilitySet[string]): string[] | 'many' {
  const ids: string[] = []
  for (const { from, to } of RangeSet(ranges)) {
    if (typeof from !== 'string' || cmp(from, to) !== 0) return 'many'
    ids.push(from)
  }
  return ids
}
