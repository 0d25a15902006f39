import { applyChanges, type Change } from '../core/profile/changes'
import { parseProfile, ProfileError, type Profile } from '../core/profile/schema'
import type { LibraryDatabase, StoredProfile } from './library-database'

/** A profile of the library that passed its gate. */
export interface LibraryEntry {
  id: string
  order: number
  updatedAt: number
  slot: number
  written?: number
  profile: Profile
}

/** A document that did not: kept as it is, named, and out of the way. */
export interface SetAside {
  id: string
  name: string
  problems: string[]
  stored: StoredProfile
}

export interface LibraryContents {
  entries: LibraryEntry[]
  setAside: SetAside[]
}

/** The place an edit was made for no longer holds what it did: another tab was there in the meantime. */
export class EditConflict extends Error {
  override name = 'EditConflict'
}

/** The library over its database. Every call is one transaction: it happens whole or not at all. */
export class Library {
  constructor(readonly database: LibraryDatabase) {}

  async contents(): Promise<LibraryContents> {
    const stored = await this.database.profiles.orderBy('order').toArray()
    const contents: LibraryContents = { entries: [], setAside: [] }
    for (const row of stored) {
      try {
        const { document, ...rest } = row
        contents.entries.push({ ...rest, profile: parseProfile(document) })
      } catch (error) {
        if (!(error instanceof ProfileError)) throw error
        contents.setAside.push({
          id: row.id,
          name: nameIn(row.document),
          problems: error.problems,
          stored: row,
        })
      }
    }
    return contents
  }

  /** Adds a profile at the end. @returns its id */
  async add(profile: Profile, slot: number, now: number, id: string = crypto.randomUUID()): Promise<string> {
    await this.database.transaction('rw', this.database.profiles, async () => {
      const last = await this.database.profiles.orderBy('order').last()
      await this.database.profiles.add({
        id,
        order: (last?.order ?? 0) + 1,
        updatedAt: now,
        slot,
        document: profile,
      })
    })
    return id
  }

  /**
   * Applies an edit to what is stored now, which may have been edited elsewhere since it was read.
   *
   * @throws EditConflict when the same place was
   */
  async edit(id: string, changes: Change[], now: number): Promise<Profile> {
    return this.database.transaction('rw', this.database.profiles, async () => {
      const row = await this.database.profiles.get(id)
      if (!row) throw new EditConflict('The profile was deleted in another tab')
      const next = applyChanges(parseProfile(row.document), changes)
      if (!next) throw new EditConflict('The same place was changed in another tab since')
      await this.database.profiles.put({ ...row, document: next, updatedAt: now })
      return next
    })
  }

  async setSlot(id: string, slot: number): Promise<void> {
    await this.database.profiles.update(id, { slot })
  }

  /** Notes that an image of this checksum was written from a profile and read back. */
  async setWritten(id: string, checksum: number): Promise<void> {
    await this.database.profiles.update(id, { written: checksum })
  }

  /** Takes a profile out. @returns what {@link putBack} needs to undo it */
  async remove(id: string): Promise<StoredProfile | undefined> {
    return this.database.transaction('rw', this.database.profiles, async () => {
      const row = await this.database.profiles.get(id)
      await this.database.profiles.delete(id)
      return row
    })
  }

  async putBack(row: StoredProfile): Promise<void> {
    await this.database.profiles.put(row)
  }

  /** Runs `fill` once in the life of this library; two tabs that start together run it once between them. */
  async once(mark: string, fill: () => Promise<void>): Promise<void> {
    await this.database.transaction('rw', ['marks', 'profiles', 'macros'], async () => {
      if (await this.database.marks.get(mark)) return
      await this.database.marks.put({ key: mark, value: true })
      await fill()
    })
  }
}

export function nameIn(document: unknown): string {
  const name =
    typeof document === 'object' && document !== null && 'name' in document ? document.name : undefined
  return typeof name === 'string' && name.trim() !== '' ? name : 'a profile without a name'
}
