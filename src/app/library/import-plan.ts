import type { MessageFact } from '../../core/message/message'
import { itemAt } from '../../core/base/items'
import type { ArchivedState, LibraryFile } from '../../core/files/library-file'
import { deepEqual } from '../../core/base/deep-equal'
import { type Profile } from '../../core/document/schema'
import type { LibraryEntry } from '../database/library'

/** What to do with one profile of a backup. */
export type ImportChoice = 'take' | 'both' | 'replace' | 'leave'

/** A profile of a backup, compared with the library. */
export interface ImportedProfile {
  name: string
  model: string
  standing: 'new' | 'same' | 'different'
  /** Id of the profile in the library with the same name and model, if the two differ. */
  hereId?: string
}

/** The contents of a backup, compared with the library before anything is imported. */
export interface ImportPlan {
  name: string
  file: LibraryFile
  states: readonly ArchivedState[]
  profiles: readonly ImportedProfile[]
  broken: readonly { name: string; problems: readonly MessageFact[] }[]
}

/** Compares one profile of a file with those of the library. */
export function compareWithLibrary(
  { name, model, ...rest }: Profile,
  entries: readonly LibraryEntry[],
): ImportedProfile {
  const ofName = entries.filter(({ profile }) => profile.name === name && profile.model === model)
  const same = ofName.some(({ profile }) => deepEqual(profile, { name, model, ...rest }))
  return {
    name,
    model,
    standing: same ? 'same' : ofName.length > 0 ? 'different' : 'new',
    ...(!same && ofName.length > 0 && { hereId: itemAt(ofName, 0).id }),
  }
}
