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

  /** The day of each profile's last daily version, and the document of it while storage refuses that. */
  const daily = new Map<string, { day: string; unstored?: Profile }>()

  /** Before an edit: the first of a day saves the profile as it was the evening before, and later ones make up for it. */
  async function beforeEdit(profile: string, document: Profile): Promise<void> {
    const day = new Date().toDateString()
    const known = daily.get(profile)
    if (known?.day === day && !known.unstored) return
    const before = known?.unstored ?? document
    daily.set(profile, { day, unstored: before })
    if (await keep(profile, before, 'day', '')) daily.set(profile, { day })
  }

  const of = (profile: string): Promise<EarlierState[]> => states.of(profile)

  async function remove({ id }: EarlierState): Promise<void> {
    const row = await library.attempt(() => states.remove(id))
    if (!row) return
    changed.value++
    deeds.sayStored('library', 'A saved version was deleted', async () => {
      await states.putBack(row)
      changed.value++
    })
  }

  return { changed, keep, beforeEdit, of, remove }
})
