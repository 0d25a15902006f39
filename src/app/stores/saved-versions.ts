import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { markRaw, shallowRef } from 'vue'
import type { Profile } from '../../core/document/schema'
import { SavedVersions, type SavedVersion } from '../database/saved-versions'
import type { StoredState } from '../database/library-database'
import { useUndoableActions } from './undoable-actions'
import { useLibrary } from './library'

/** Saved versions of profiles: saved at certain times, compared and copied from. */
export const useSavedVersions = defineStore('states', () => {
  const library = useLibrary()
  const deeds = useUndoableActions()
  const states = markRaw(new SavedVersions(library.library.database))
  /** Increases with each saved or deleted version, so that lists are read again. */
  const changed = shallowRef(0)

  /** Saves the current state of a profile. */
  async function keep(
    profile: string,
    document: Profile,
    why: StoredState['why'],
    words: string,
  ): Promise<boolean> {
    const act = () => states.keep(profile, document, { why, words, now: Date.now() })
    // A requested version is reported; during an edit or a write, these report problems of storage.
    const kept = why === 'kept' ? await library.attempt(act) : await act().catch(() => undefined)
    changed.value++
    return kept ?? false
  }

  /** The day of each profile's last daily version, and its document if storage failed. */
  const daily = new Map<string, { day: string; unstored?: Profile }>()

  /** Before an edit: the first one of a day saves the state of the evening before; later ones retry it. */
  async function beforeEdit(profile: string, document: Profile): Promise<void> {
    const day = new Date().toDateString()
    const known = daily.get(profile)
    if (known?.day === day && !known.unstored) return
    const before = known?.unstored ?? document
    daily.set(profile, { day, unstored: before })
    if (await keep(profile, before, 'day', '')) daily.set(profile, { day })
  }

  const of = (profile: string): Promise<SavedVersion[]> => states.of(profile)

  async function remove({ id }: SavedVersion): Promise<void> {
    const row = await library.attempt(() => states.remove(id))
    if (!row) return
    changed.value++
    deeds.sayStored('library', t('stores.aSavedVersionWasDeleted'), async () => {
      await states.restoreDeleted(row)
      changed.value++
    })
  }

  return { changed, keep, beforeEdit, of, remove }
})
