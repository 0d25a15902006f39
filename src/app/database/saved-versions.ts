import type { MessageFact } from '../../core/message/message'
import Dexie from 'dexie'
import { deepEqual } from '../../core/base/deep-equal'
import { ProfileError } from '../../core/base/errors'
import { parseProfile, type Profile } from '../../core/document/schema'
import type { LibraryDatabase, StoredState } from './library-database'

/** A saved version of a profile; an invalid one has its problems, and is kept. */
export type SavedVersion = Omit<StoredState, 'document'> &
  ({ document: Profile } | { problems: readonly MessageFact[] })

/** Maximum size of the saved versions of one profile: the oldest unnamed ones are deleted first. */
export const MAX_VERSIONS = 40
export const MAX_VERSION_BYTES = 512 * 1024

/** Saved versions of profiles. */
export class SavedVersions {
  constructor(private readonly database: LibraryDatabase) {}

  /**
   * Saves a version, unless it equals the last one.
   *
   * @returns whether it was saved
   */
  async keep(
    profile: string,
    document: Profile,
    { why, words, now }: Pick<StoredState, 'why' | 'words'> & { now: number },
  ): Promise<boolean> {
    const { states } = this.database
    return this.database.transaction('rw', states, async () => {
      const rows = await this.rowsOf(profile)
      const last = rows.at(-1)
      if (last && deepEqual(last.document, document)) {
        // The same state: the latest reason replaces an earlier one, unless that has a name.
        if (last.why !== 'kept') await states.put({ ...last, at: Math.max(now, last.at), why, words })
        if (last.why !== 'kept' || why !== 'kept') return true
      }
      const bytes = new TextEncoder().encode(JSON.stringify(document)).length
      const at = Math.max(now, (last?.at ?? 0) + 1)
      const row: StoredState = { id: crypto.randomUUID(), profile, at, why, words, bytes, document }
      await states.add(row)
      await states.bulkDelete(overflow([...rows, row]))
      return true
    })
  }

  /** Latest first. */
  async of(profile: string): Promise<SavedVersion[]> {
    const rows = await this.rowsOf(profile)
    return rows.reverse().map(({ document, ...row }): SavedVersion => {
      try {
        return { ...row, document: parseProfile(document) }
      } catch (error) {
        if (error instanceof ProfileError) return { ...row, problems: error.problems }
        throw error
      }
    })
  }

  /** @returns what {@link restoreDeleted} needs to undo it */
  async remove(id: string): Promise<StoredState | undefined> {
    return this.database.transaction('rw', this.database.states, async () => {
      const row = await this.database.states.get(id)
      await this.database.states.delete(id)
      return row
    })
  }

  async restoreDeleted(row: StoredState): Promise<void> {
    await this.database.states.put(row)
  }

  private rowsOf(profile: string): Promise<StoredState[]> {
    return this.database.states
      .where('[profile+at]')
      .between([profile, Dexie.minKey], [profile, Dexie.maxKey])
      .toArray()
  }
}

/** Saved versions, oldest first, that exceed the limit; the last one always stays. */
function overflow(rows: readonly StoredState[]): string[] {
  let [count, bytes] = [rows.length, rows.reduce((sum, row) => sum + row.bytes, 0)]
  const gone: string[] = []
  const before = rows.slice(0, -1)
  for (const row of [
    ...before.filter(({ why }) => why !== 'kept'),
    ...before.filter(({ why }) => why === 'kept'),
  ]) {
    if (count <= MAX_VERSIONS && bytes <= MAX_VERSION_BYTES) break
    gone.push(row.id)
    count--
    bytes -= row.bytes
  }
  return gone
}
