import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie'
import type { Change } from '../../core/edits/changes'

/** A document as it is stored. It is whatever is there: it passes the gate when it is read. */
export interface StoredDocument {
  id: string
  /** Grows with every change of the row: who reads knows by it what is still as it was. */
  stamp: number
  /** When it was last edited. */
  updatedAt: number
  document: unknown
}

export interface StoredProfile extends StoredDocument {
  /** Place in the library, ascending. */
  order: number
  /** Slot it is written to, counted from 0. */
  slot: number
  /** Checksum of the image that was last written from it: its own earlier state is known by that. */
  written?: number
}

export type StoredMacro = StoredDocument

/** A session of play or work that was logged; it is never edited. */
export interface StoredSession extends StoredDocument {
  startedAt: number
}

/** One edit that can be taken back. Edits of one gesture (a slider being dragged) share a `gesture`. */
export interface HistoryEntry {
  /** What it is called, by key and facts; in words where an earlier version stored it. */
  label: string | readonly [key: string, facts?: unknown]
  changes: Change[]
  gesture?: string
  atMs: number
}

/** What can be taken back of a document and made again, kept with it. */
export interface StoredHistory {
  /** The table of the document and its id. */
  id: string
  past: HistoryEntry[]
  future: HistoryEntry[]
}

/** What a profile was at an earlier moment. */
export interface StoredState {
  id: string
  profile: string
  at: number
  /** What was about to happen to it, or had: written to a slot, changed from outside, the first edit of a day, by hand. */
  why: 'written' | 'changed' | 'day' | 'kept'
  /** Where it was written to, what changed it, or what it was called. */
  words: string
  /** Of its document, as JSON. */
  bytes: number
  document: unknown
}

/** A profile that was deleted, whole, for as long as it can be brought back. */
export interface BinnedProfile {
  id: string
  deletedAt: number
  row: StoredProfile
}

/** The mark that holds the app rules. */
export const RULES_MARK = 'app rules'

interface StoredMark {
  key: string
  value: unknown
}

/** Rows of an earlier version are stamped with what they were known by. */
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

/** Numbered from 1; a version is added at the end and never changed once it has shipped. */
const MIGRATIONS: ((database: Dexie, version: number) => void)[] = [
  (database, version) => database.version(version).stores({ profiles: 'id, order', marks: 'key' }),
  (database, version) => database.version(version).stores({ macros: 'id, [id+updatedAt]' }),
  (database, version) => database.version(version).stores({ sessions: 'id, startedAt' }),
  // Rows are stamped with each change of theirs, and undo is kept with its document.
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
  // Long macros are text from here on (packed.ts); those that are objects are still read.
  (database, version) => database.version(version).stores({}),
  (database, version) => database.version(version).stores({ palettes: 'id, updatedAt' }),
  (database, version) =>
    database.version(version).stores({ states: 'id, [profile+at]', bin: 'id, deletedAt' }),
]

export class LibraryDatabase extends Dexie {
  declare profiles: Table<StoredProfile, string>
  declare macros: Table<StoredMacro, string>
  declare sessions: Table<StoredSession, string>
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
