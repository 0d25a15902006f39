import { editsBetween } from '../../core/compile/pending'
import type { DeviceModel } from '../../core/device/model'
import { macrosUsed } from '../../core/terms/profile'
import type { Profile } from '../../core/document/schema'
import { imageChecksum } from '../../core/onboard/format'
import type { MacroShelf } from '../../core/document/macro'
import type { LibraryEntry } from '../database/library'
import type { SlotContent } from './known-device'
import { useLastUsed } from './last-used'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { useNotices } from './notices'
import { useStates } from './states'

/** Copies what a slot holds into the library, with the macros it plays. @returns its id, or undefined where it was not stored */
export async function copyFromSlot(there: Profile, slot = 0): Promise<string | undefined> {
  await useMacros().adopt(macrosUsed(there))
  return useLibrary().addFromFile(there, slot)
}

/** Notes that a profile was written to a slot, counted from 0, as this image. */
export function noteWritten(id: string, profile: Profile, slot: number, image: Uint8Array): void {
  useLastUsed().used(id)
  useLibrary().setWritten(id, imageChecksum(image))
  void useStates().keep(id, profile, 'written', `slot ${slot + 1}`)
}

/** The profile of the library that belongs to one in a slot: by name, for this model. */
export const entryOf = (
  profile: Profile | undefined,
  model: DeviceModel,
  entries: readonly LibraryEntry[],
): LibraryEntry | undefined =>
  profile && entries.find((each) => each.profile.model === model.id && each.profile.name === profile.name)

/** How the profile of a slot stands to the one of the library that belongs to it. */
export function slotStanding(
  { bytes, profile, problem }: SlotContent,
  model: DeviceModel,
  entries: readonly LibraryEntry[],
  macros: MacroShelf,
): { entry?: LibraryEntry; edits: number; text: string } {
  const entry = entryOf(profile, model, entries)
  const edits = profile && entry ? editsBetween(profile, entry.profile, model, macros).length : 0
  return { ...(entry && { entry }), edits, text: standingText() }

  function standingText(): string {
    if (!bytes) return ''
    if (problem) return problem
    if (!entry) return 'not in the library'
    return edits === 0 ? 'as in the library' : `${edits} ${edits === 1 ? 'edit' : 'edits'} not on it`
  }
}

/**
 * What a slot holds and the library does not would be gone with a write over it: it is kept as a copy first. Notes, tags
 * and rules, which no device keeps, are no difference.
 */
export async function keepFirst(there: Profile, model: DeviceModel, slot: number): Promise<void> {
  const [library, macros, notices] = [useLibrary(), useMacros(), useNotices()]
  const here = library.entries.filter(({ profile }) => profile.model === there.model)
  if (here.some(({ profile }) => editsBetween(there, profile, model, macros.wholeShelf).length === 0)) return
  await copyFromSlot(there)
  notices.say(
    `Slot ${slot + 1} held “${there.name}”, which was only on the device; a copy is in the library now`,
  )
}
