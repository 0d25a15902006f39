import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie'
import type { Change } from '../../core/edits/changes'

/** A stored document of any content, which is validated when it is read. */
export interface StoredDocument {
  id: string
  /** Increases with every change of the row, so that readers recognise unchanged rows. */
  stamp: number
  /** Time of the last edit. */
  updatedAt: number
  document: unknown
}

export interface StoredProfile extends StoredDocument {
  /** Position in the library, ascending. */
  order: number
  /** Its slot, counted from 0. */
  slot: number
  /** Checksum of the image last written from it, by which its earlier state is recognised on a device. */
  written?: number
}

export type StoredMacro = StoredDocument

/** A recorded session of play or work, which is never edited. */
export interface StoredSession extends StoredDocument {
  startedAt: number
}

/** One edit that can be undone. Edits of one gesture, such as dragging a slider, share a `gesture`. */
export interface HistoryEntry {
  /** Its name as a key and facts, or as text from an earlier version. */
  label: string | readonly [key: string, facts?: unknown]
  changes: Change[]
  gesture?: string
  atMs: number
}

/** The undo and redo history of a document, stored with it. */
export interface StoredHistory {
  /** The table of the document and its id. */
  id: string
  past: HistoryEntry[]
  future: HistoryEntry[]
}

/** A saved version of a profile. */
export interface StoredState {
  id: string
  profile: string
  at: number
  /**
   * Why it was saved: before or after a write, before a change from outside, before the first edit of a day, or by the
   * person.
   */
  why: 'written' | 'changed' | 'day' | 'kept'
  /** The slot, the change or the name. */
  words: string
  /** Size of its document as JSON. */
  bytes: number
  document: unknown
}

/** A deleted profile with everything needed to restore it. */
export interface BinnedProfile {
  id: string
  deletedAt: number
  row: StoredProfile
}

/** Key of the app rules. */
export const APP_RULES_KEY = 'app rules'

interface StoredMark {
  key: string
  value: unknown
}

/** Rows of an earlier version get the stamp by which they were known. */
const stamped =
  (table: string, of: (row: Record<string, unknown>) => unknown) => (transaction: Transaction) =>
    transaction
      .table<Record<string, unknown>>(table)
      .toCollection()
      .modify((row) => {
        const stamp = of(row)
        row.stamp = typeof stamp === 'number' ? stamp : 0
        if (typeof row.updatedAt !== 'number') row.updatedAt = row.stamp
      })

/** Numbered from 1; new versions are added at the end, and released ones never change. */
const MIGRATIONS: ((database: Dexie, version: number) => void)[] = [
  (database, version) => database.version(version).stores({ profiles: 'id, order', marks: 'key' }),
  (database, version) => database.version(version).stores({ macros: 'id, [id+updatedAt]' }),
  (database, version) => database.version(version).stores({ sessions: 'id, startedAt' }),
  // Rows get a stamp with each change, and undo histories are stored with their documents.
  (database, version) =>
    database
      .version(version)
      .stores({
        macros: 'id',
        histories: 'id',
      })
      .upgrade(async (transaction) => {
        await stamped('profiles', (row) => row.updatedAt)(transaction)
        await stamped('macros', (row) => row.updatedAt)(transaction)
        await stamped('sessions', (row) => row.startedAt)(transaction)
      }),
  // From here on, long macros are stored as text (packed.ts); objects are still read.
  (database, version) => database.version(version).stores({}),
  (database, version) => database.version(version).stores({ palettes: 'id, updatedAt' }),
  (database, version) =>
    database.version(version).stores({ states: 'id, [profile+at]', bin: 'id, deletedAt' }),
  (database, version) => database.version(version).stores({ programs: 'id, updatedAt' }),
]

export class LibraryDatabase extends Dexie {
  declare profiles: Table<StoredProfile, string>
  declare macros: Table<StoredMacro, string>
  declare sessions: Table<StoredSession, string>
  declare programs: Table<StoredDocument, string>
  declare palettes: Table<StoredDocument, string>
  declare histories: EntityTable<StoredHistory, 'id'>
  declare states: EntityTable<StoredState, 'id'>
  declare bin: EntityTable<BinnedProfile, 'id'>
  declare marks: EntityTable<StoredMark, 'key'>

  constructor(name = 'unisera-library') {
    super(name)
    MIGRATIONS.forEach((migrate, index) => migrate(this, index + 1))
  }
}
