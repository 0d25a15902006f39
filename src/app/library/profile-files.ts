import { shallowRef } from 'vue'
import { modelById } from '../../core/device/models'
import { sameValue } from '../../core/base/same-value'
import { editsBetween, type Edit } from '../../core/compile/pending'
import { broughtInto, refuseCircleWith, type ProfileFile } from '../../core/files/profile-file'
import { ProfileError } from '../../core/base/refusal'
import { shelfOf } from '../../core/document/macro'
import type { LibraryEntry } from '../database/library'
import { useDeeds } from '../stores/deeds'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { useNotices } from '../stores/notices'
import { useStates } from '../stores/states'
import { useReading } from '../shared/reading'

export type ClashAnswer = 'both' | 'replace' | 'skip'

/** A profile from a file that has the name of one that is here, and differs from it. */
export interface ProfileClash {
  here: LibraryEntry
  brought: ProfileFile
  edits: readonly Edit[]
}

/** Profiles from files: beside what is there, asked where one of the same name is, and never half. */
/** @param kept told the id of what was added */
export function useProfileFiles(kept: (id: string) => void = () => {}) {
  const library = useLibrary()
  const macros = useMacros()
  const notices = useNotices()
  const deeds = useDeeds()
  const states = useStates()
  const { reading, refusal, read, stop } = useReading('profile')
  const clash = shallowRef<ProfileClash>()

  async function open(file: File): Promise<void> {
    clash.value = undefined
    const found = await read(file)
    if (found?.kind === 'profile') await bring(file.name, found.file)
  }

  async function bring(name: string, file: ProfileFile): Promise<void> {
    await Promise.all([library.readAll(), macros.readAll()])
    const brought = broughtInto(file, macros.shelf, () => crypto.randomUUID())
    try {
      refuseCircleWith(brought.macros, macros.shelf)
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      refusal.value = { file: name, problems: error.problems }
      return
    }
    const { profile } = brought
    const here = library.entries.find(
      (entry) => entry.profile.name === profile.name && entry.profile.model === profile.model,
    )
    if (!here) return add(brought)
    const model = modelById(profile.model)
    if (sameValue(here.profile, profile))
      return notices.say(
        `“${profile.name}” is in the library already, the same in everything. Nothing to do.`,
      )
    const shelf = shelfOf([...macros.list, ...brought.macros])
    clash.value = { here, brought, edits: model ? editsBetween(here.profile, profile, model, shelf) : [] }
  }

  async function settle(answer: ClashAnswer): Promise<void> {
    const { here, brought } = clash.value ?? {}
    clash.value = undefined
    if (!here || !brought || answer === 'skip') return
    if (answer === 'both') return add(brought)
    if (brought.macros.length > 0 && !(await macros.bring(brought.macros))) return
    void states.keep(here.id, here.profile, 'changed', 'a file in its place')
    library.change(here.id, `“${here.profile.name}” was replaced by the file’s`, () => brought.profile)
  }

  async function add({ profile, macros: played }: ProfileFile): Promise<void> {
    const itsMacros = macros.prepareImport(played)
    const id = await library.addFromFile(profile, 0, itsMacros.store)
    if (id === undefined) return
    kept(id)
    deeds.sayStored('library', `“${profile.name}” was imported`, () =>
      library.library.together(async () => {
        await library.library.remove([id])
        await itsMacros.undo()
      }),
    )
  }

  return { reading, refusal, clash, open, bring, settle, stop }
}
