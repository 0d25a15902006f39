import Dexie, { type EntityTable } from 'dexie'

/** A profile as it is stored. The document is whatever is there: it passes the gate each time it is read. */
export interface StoredProfile {
  id: string
  /** Place in the library, ascending. */
  order: number
  updatedAt: number
  document: unknown
  /** Slot it is written to, counted from 0. */
  slot: number
  /** Checksum of the image that was last written from it: its own earlier state is known by that. */
  written?: number
}

/** A macro as it is stored; like a profile's, its document passes the gate when it is read. */
export interface StoredMacro {
  id: string
  /** Grows with every edit: who edits says which state was edited. */
  updatedAt: number
  document: unknown
}

/** A session of play or work that was logged. */
export interface StoredSession {
  id: string
  startedAt: number
  document: unknown
}

interface StoredMark {
  key: string
  value: unknown
}

/** Numbered from 1; a version is added at the end and never changed once it has shipped. */
const MIGRATIONS: ((database: Dexie, version: number) => void)[] = [
  (database, version) => database.version(version).stores({ profiles: 'id, order', marks: 'key' }),
  (database, version) => database.version(version).stores({ macros: 'id, [id+updatedAt]' }),
  (database, version) => database.version(version).stores({ sessions: 'id, startedAt' }),
]

export class LibraryDatabase extends Dexie {
  declare profiles: EntityTable<StoredProfile, 'id'>
  declare macros: EntityTable<StoredMacro, 'id'>
  declare sessions: EntityTable<StoredSession, 'id'>
  declare marks: EntityTable<StoredMark, 'key'>

  constructor(name = 'unisera-library') {
    super(name)
    MIGRATIONS.forEach((migrate, index) => migrate(this, index + 1))
  }
}
