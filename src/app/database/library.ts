import Dexie from 'dexie'
import { parseProfile, type Profile } from '../../core/document/schema'
import type { Change } from '../../core/edits/changes'
import {
  DocumentTable,
  nextStamp,
  type History,
  type ValidDocument,
  type QuarantinedDocument,
} from './documents'
import type { BinnedProfile, LibraryDatabase, StoredProfile } from './library-database'

/** Days until a deleted profile is removed. */
export const BIN_DAYS = 30
const DAY_MS = 24 * 3600 * 1000

export { EditConflict, type QuarantinedDocument } from './documents'

/** A valid profile of the library. */
export interface LibraryEntry {
  id: string
  order: number
  updatedAt: number
  slot: number
  written?: number
  profile: Profile
}

export type ValidProfile = ValidDocument<StoredProfile, Profile>

/** The profiles in the library's database. Every call is one transaction: completely or not at all. */
export class Library {
  readonly profiles: DocumentTable<StoredProfile, Profile>

  constructor(readonly database: LibraryDatabase) {
    this.profiles = new DocumentTable(database, database.profiles, {
      table: 'profiles',
      index: 'order',
      parse: parseProfile,
      order: (a, b) => placeBefore(orderOf(a.row), orderOf(b.row)) || placeBefore(a.id, b.id),
    })
  }

  async contents(): Promise<{ entries: LibraryEntry[]; quarantined: QuarantinedDocument[] }> {
    const { kept, quarantined } = await this.profiles.all()
    return { entries: kept.map(entryOf), quarantined }
  }

  /** Runs several changes in one transaction: all are stored, or none. */
  together<Result>(change: () => Promise<Result>): Promise<Result> {
    return this.database.transaction('rw', this.database.tables, change)
  }

  /** Adds a profile at the end. @returns its id */
  async add(profile: Profile, slot: number, now: number, id: string = crypto.randomUUID()): Promise<string> {
    await this.database.transaction('rw', this.database.profiles, async () => {
      const last = await this.database.profiles.orderBy('order').last()
      await this.profiles.put([
        {
          id,
          order: (last?.order ?? 0) + 1,
          updatedAt: now,
          stamp: now,
          slot,
          document: profile,
        },
      ])
    })
    return id
  }

  /**
   * Applies an edit to the stored profile.
   *
   * @throws EditConflict if the same place was changed elsewhere
   */
  async edit(
    id: string,
    changes: Change[],
    now: number,
    after?: Profile,
    history?: History,
  ): Promise<Profile> {
    const edited = await this.profiles.edit(id, { changes, after }, now, history)
    return edited.document
  }

  async setSlot(id: string, slot: number): Promise<void> {
    await this.profiles.change(id, { slot }, Date.now())
  }

  /** Records that the image with this checksum was written from a profile and read back. */
  async setWritten(id: string, checksum: number): Promise<void> {
    await this.profiles.change(id, { written: checksum }, Date.now())
  }

  /** Changes the positions of profiles, all or none. @returns their previous positions */
  async setPlaces(places: ReadonlyMap<string, number>): Promise<Map<string, number>> {
    return this.database.transaction('rw', this.database.profiles, async () => {
      const before = new Map<string, number>()
      for (const [id, order] of places) {
        const row = await this.database.profiles.get(id)
        if (row) before.set(id, orderOf(row))
        await this.profiles.change(id, { order }, Date.now())
      }
      return before
    })
  }

  /** Moves profiles to the bin, all or none. @returns what {@link restoreDeleted} needs */
  async remove(ids: readonly string[]): Promise<StoredProfile[]> {
    const { profiles, bin } = this.database
    return this.database.transaction('rw', profiles, bin, async () => {
      const gone: StoredProfile[] = []
      for (const id of ids) {
        const row = await this.profiles.remove(id)
        if (!row) continue
        await bin.put({ id, deletedAt: Date.now(), row })
        gone.push(row)
      }
      return gone
    })
  }

  /** Restores deleted profiles, all or none. */
  async restoreDeleted(rows: readonly StoredProfile[]): Promise<void> {
    await this.database.transaction('rw', this.database.profiles, this.database.bin, async () => {
      await this.profiles.put(rows.map((row) => ({ ...row, stamp: nextStamp(row, Date.now()) })))
      await this.database.bin.bulkDelete(rows.map(({ id }) => id))
    })
  }

  /** Deleted profiles, the latest first; expired ones are removed for good. */
  async binned(now: number): Promise<BinnedProfile[]> {
    return this.database.transaction('rw', this.database.bin, this.database.states, async () => {
      const old = await this.database.bin
        .where('deletedAt')
        .below(now - BIN_DAYS * DAY_MS)
        .primaryKeys()
      for (const id of old) await this.discard(id)
      return this.database.bin.orderBy('deletedAt').reverse().toArray()
    })
  }

  /** Deletes a profile in the bin for good, with its saved versions. */
  async discard(id: string): Promise<void> {
    const { bin, states } = this.database
    await this.database.transaction('rw', bin, states, async () => {
      await bin.delete(id)
      await states.where('[profile+at]').between([id, Dexie.minKey], [id, Dexie.maxKey]).delete()
    })
  }

  /** Runs `fill` once in the life of this library, even if two tabs start together. */
  async once(mark: string, fill: () => Promise<void>): Promise<boolean> {
    return this.database.transaction('rw', ['marks', 'profiles', 'macros'], async () => {
      if (await this.database.marks.get(mark)) return false
      await this.database.marks.put({ key: mark, value: true })
      await fill()
      return true
    })
  }
}

/** Below this distance, positions are renumbered soon. */
const MIN_GAP = 1e-6

/**
 * Positions after a profile moves: its own between its new neighbours, or new ones for all if there is no room or a
 * neighbour has no valid position.
 *
 * @param ids of all profiles in their order
 * @param to new index, counted from 0, at most after the last
 */
export function positionsAfterMove(
  entries: readonly { id: string; order: number }[],
  id: string,
  to: number,
): Map<string, number> {
  const moved = entries.find((entry) => entry.id === id)
  if (!moved) return new Map()
  const others = entries.filter((entry) => entry !== moved)
  const [before, after] = [others[to - 1]?.order, others[to]?.order]
  const place = between(before, after)
  if (place !== undefined) return new Map([[id, place]])
  const anew = [...others.slice(0, to), moved, ...others.slice(to)]
  return new Map(anew.map((entry, index) => [entry.id, index + 1]))
}

function between(before: number | undefined, after: number | undefined): number | undefined {
  if (before === undefined) return after === undefined ? 1 : Number.isFinite(after) ? after - 1 : undefined
  if (!Number.isFinite(before)) return undefined
  if (after === undefined || !Number.isFinite(after)) return before + 1
  return after - before < MIN_GAP ? undefined : (before + after) / 2
}

/** One entry object per state of a row, so that unchanged entries stay the same object. */
const entries = new WeakMap<ValidProfile, LibraryEntry>()

export function entryOf(kept: ValidProfile): LibraryEntry {
  const known = entries.get(kept)
  if (known) return known
  const { id, row, document } = kept
  const entry: LibraryEntry = {
    id,
    order: orderOf(row),
    updatedAt: row.updatedAt,
    slot: Number.isInteger(row.slot) ? row.slot : 0,
    ...(row.written !== undefined && { written: row.written }),
    profile: document,
  }
  entries.set(kept, entry)
  return entry
}

/** A row without a valid position is last. */
const orderOf = ({ order }: StoredProfile): number => (typeof order === 'number' ? order : Infinity)

/** Negative if the first comes first, 0 if they are equal. */
const placeBefore = <T extends string | number>(a: T, b: T): number => (a === b ? 0 : a < b ? -1 : 1)
