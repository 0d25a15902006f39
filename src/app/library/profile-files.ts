import { t, textOf } from '../../messages/page'
import { shallowRef } from 'vue'
import { modelById } from '../../core/device/models'
import { deepEqual } from '../../core/base/deep-equal'
import { editsBetween, type Edit } from '../../core/compile/pending'
import { importProfile } from '../../core/files/import-profile'
import { rejectCycleWith, type ProfileFile } from '../../core/files/profile-file'
import { ProfileError } from '../../core/base/errors'
import { shelfOf } from '../../core/document/macro'
import type { LibraryEntry } from '../database/library'
import { useUndoableActions } from '../stores/undoable-actions'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useNotifications } from '../stores/notifications'
import { useSavedVersions } from '../stores/saved-versions'
import { useOpening } from '../files/open-file'

export type ClashAnswer = 'both' | 'replace' | 'skip'

/** A profile from a file whose name exists, with differences. */
export interface ProfileClash {
  here: LibraryEntry
  brought: ProfileFile
  edits: readonly Edit[]
}

/**
 * Adds profiles from files and links to the library, completely or not at all, and asks if a different one has the same
 * name.
 *
 * @param kept receives the id of an added profile
 */
export function useProfileFiles(kept: (id: string) => void = () => {}) {
  const library = useLibrary()
  const macros = useMacros()
  const notices = useNotifications()
  const deeds = useUndoableActions()
  const states = useSavedVersions()
  const { refuse } = useOpening()
  const clash = shallowRef<ProfileClash>()

  /** @param name of the file or other source */
  async function bring(name: string, file: ProfileFile): Promise<void> {
    clash.value = undefined
    await Promise.all([library.readAll(), macros.readAll()])
    const brought = importProfile(file, macros.shelf, () => crypto.randomUUID())
    try {
      rejectCycleWith(brought.macros, macros.shelf)
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      return refuse(name, error.problems.map(textOf))
    }
    const { profile } = brought
    const here = library.entries.find(
      (entry) => entry.profile.name === profile.name && entry.profile.model === profile.model,
    )
    if (!here) return add(brought)
    const model = modelById(profile.model)
    if (deepEqual(here.profile, profile))
      return notices.say(t('library.isAlreadyInTheLibraryAndIdentical', { name: profile.name }))
    const shelf = shelfOf([...macros.list, ...brought.macros])
    clash.value = { here, brought, edits: model ? editsBetween(here.profile, profile, model, shelf) : [] }
  }

  async function settle(answer: ClashAnswer): Promise<void> {
    const { here, brought } = clash.value ?? {}
    clash.value = undefined
    if (!here || !brought || answer === 'skip') return
    if (answer === 'both') return add(brought)
    if (brought.macros.length > 0 && !(await macros.bring(brought.macros))) return
    void states.keep(here.id, here.profile, 'changed', t('library.replaceItByAFile'))
    library.change(
      here.id,
      t('library.wasReplacedByTheVersionInThe', { name: here.profile.name }),
      () => brought.profile,
    )
  }

  async function add({ profile, macros: played }: ProfileFile): Promise<void> {
    const itsMacros = macros.prepareImport(played)
    const id = await library.addFromFile(profile, 0, itsMacros.store)
    if (id === undefined) return
    kept(id)
    deeds.sayStored('library', t('library.wasImported', { name: profile.name }), () =>
      library.library.together(async () => {
        await library.library.remove([id])
        await itsMacros.undo()
      }),
    )
  }

  return { clash, bring, settle }
}
