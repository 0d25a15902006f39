import Dexie, { cmp, RangeSet, type ObservabilitySet } from 'dexie'
import type { DocumentTable } from './documents'
import { freeThread } from './free-thread'
import type { StoredDocument } from './library-database'

/** Rows that are read at once: the first of them stand on the screen while the others are still being read. */
const FIRST = 4
const CHUNK = 40

/** A table whose documents are kept as they are stored. */
interface LiveTable {
  /** Resolves once the first rows have been told, or could not be read. */
  firstTold: Promise<void>
  /** Reads all documents that this tab has not read yet. @throws where storage cannot be read */
  readAll: () => Promise<void>
}

/**
 * Keeps what is known of a table as it is stored, in every tab: what one tab stores the others read, and no more than
 * that.
 *
 * @param changed called whenever more or something else is known; `complete` once all rows have been read
 * @param failed called when the table cannot be read
 * @param after what comes first: this table is not read before that is on the screen
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

  /** @returns whether anything is known that was not before */
  async function readInPieces(ids: readonly string[]): Promise<boolean> {
    let any = false
    for (let from = 0; from < ids.length; from += CHUNK) {
      any = (await table.read(ids.slice(from, from + CHUNK))) || any
    }
    return any
  }

  then(readFirst)
  const firstTold = queue.then(freeThread)
  then(readAll)
  Dexie.on('storagemutated', (parts: ObservabilitySet) => {
    const ids = parts[place] ? idsIn(parts[place]) : []
    if (ids === 'many') then(readAll)
    else if (ids.length > 0)
      then(async () => {
        if (!(await readInPieces(ids))) return
        // Reading a long document and showing it are two tasks.
        await freeThread()
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

/** The ids a change says it touched, or that it were more than it lists. */
function idsIn(ranges: ObservabilitySet[string]): string[] | 'many' {
  const ids: string[] = []
  for (const { from, to } of RangeSet(ranges)) {
    if (typeof from !== 'string' || cmp(from, to) !== 0) return 'many'
    ids.push(from)
  }
  return ids
}
