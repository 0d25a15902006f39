import Dexie from 'dexie'
import { sameValue } from '../../core/base/same-value'
import { ProfileError } from '../../core/base/refusal'
import { parseProfile, type Profile } from '../../core/document/schema'
import type { LibraryDatabase, StoredState } from './library-database'

/** An earlier state of a profile; one that does not pass the gate says why, and is kept. */
export type EarlierState = Omit<StoredState, 'document'> &
  ({ document: Profile } | { problems: readonly string[] })

/** So much is kept of one profile: the oldest without a name of their own go first. */
export const MOST_STATES = 40
export const MOST_STATE_BYTES = 512 * 1024

/** What profiles were at earlier moments. */
export class States {
  constructor(private readonly database: LibraryDatabase) {}

  /**
   * Keeps a state, unless it is the one that was kept last.
   *
   * @returns whether it was kept
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
      if (last && sameValue(last.document, document)) {
        // The same state: what has become of it since says more than what had before, but for a name.
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
  async of(profile: string): Promise<EarlierState[]> {
    const rows = await this.rowsOf(profile)
    return rows.reverse().map(({ document, ...row }): EarlierState => {
      try {
        return { ...row, document: parseProfile(document) }
      } catch (error) {
        if (error instanceof ProfileError) return { ...row, problems: error.problems }
        throw error
      }
    })
  }

  /** @returns what {@link putBack} needs to undo it */
  async remove(id: string): Promise<StoredState | undefined> {
    return this.database.transaction('rw', this.database.states, async () => {
      const row = await this.database.states.get(id)
      await this.database.states.delete(id)
      return row
    })
  }

  async putBack(row: StoredState): Promise<void> {
    await this.database.states.put(row)
  }

  private rowsOf(profile: string): Promise<StoredState[]> {
    return this.database.states
      .where('[profile+at]')
      .between([profile, Dexie.minKey], [profile, Dexie.maxKey])
      .toArray()
  }
}

/** Which of the states, oldest first, no longer have room; the last stays whatever it takes. */
function overflow(rows: readonly StoredState[]): string[] {
  let [count, bytes] = [rows.length, rows.reduce((sum, row) => sum + row.bytes, 0)]
  const gone: string[] = []
  const before = rows.slice(0, -1)
  for (const row of [
    ...before.filter(({ why }) => why !== 'kept'),
    ...before.filter(({ why }) => why === 'kept'),
  ]) {
    if (count <= MOST_STATES && bytes <= MOST_STATE_BYTES) break
    gone.push(row.id)
    count--
    bytes -= row.bytes
  }
  return gone
}
