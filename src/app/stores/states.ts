import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import type { Profile } from '../../core/document/schema'
import { States, type EarlierState } from '../database/states'
import type { StoredState } from '../database/library-database'
import { useDeeds } from './deeds'
import { useLibrary } from './library'

/** Earlier states of profiles: kept at the moments that matter, looked at and taken from. */
export const useStates = defineStore('states', () => {
  const library = useLibrary()
  const deeds = useDeeds()
  const states = markRaw(new States(library.library.database))
  /** Grows with each state that is kept or goes: lists are read anew by it. */
  const changed = shallowRef(0)

  /**
   * Keeps what a profile is now.
   *
   * @param why what has just become of it, or is about to
   */
  async function keep(
    profile: string,
    document: Profile,
    why: StoredState['why'],
    words: string,
  ): Promise<boolean> {
    const act = () => states.keep(profile, document, { why, words, now: Date.now() })
    // Who asked for it is told; beside an edit or a write, those say themselves what storage did.
    const kept = why === 'kept' ? await library.attempt(act) : await act().catch(() => undefined)
    changed.value++
    return kept ?? false
  }

  /** Profiles of which this day's first edit was seen. */
  const seen = new Map<string, string>()

  /** Before an edit: the first of a day keeps what was there the evening before. */
  async function beforeEdit(profile: string, document: Profile): Promise<void> {
    const today = new Date().toDateString()
    if (seen.get(profile) === today) return
    seen.set(profile, today)
    await keep(profile, document, 'day', '')
  }

  const of = (profile: string): Promise<EarlierState[]> => states.of(profile)

  async function remove({ id }: EarlierState): Promise<void> {
    const row = await library.attempt(() => states.remove(id))
    if (!row) return
    changed.value++
    deeds.say('library', 'An earlier state was deleted', async () => {
      await library.attempt(() => states.putBack(row))
      changed.value++
    })
  }

  return { changed, keep, beforeEdit, of, remove }
})
