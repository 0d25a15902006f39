import { t } from '../../messages/page'
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
import { useNotifications } from './notifications'
import { useSavedVersions } from './saved-versions'

/**
 * Copies the contents of a slot to the library, with the macros it plays. @returns its id, or undefined if it was not
 * stored
 */
export async function copyFromSlot(there: Profile, slot = 0): Promise<string | undefined> {
  await useMacros().adopt(macrosUsed(there))
  return useLibrary().addFromFile(there, slot)
}

/** Records that a profile was written to a slot, counted from 0, as this image. */
export function recordWritten(id: string, profile: Profile, slot: number, image: Uint8Array): void {
  useLastUsed().used(id)
  useLibrary().setWritten(id, imageChecksum(image))
  void useSavedVersions().keep(id, profile, 'written', `slot ${slot + 1}`)
}

/** The profile of the library that matches one in a slot: by name, for this model. */
export const entryOf = (
  profile: Profile | undefined,
  model: DeviceModel,
  entries: readonly LibraryEntry[],
): LibraryEntry | undefined =>
  profile && entries.find((each) => each.profile.model === model.id && each.profile.name === profile.name)

/** Compares the profile of a slot with the matching one of the library. */
export function compareSlot(
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
    if (!entry) return t('stores.notInTheLibrary')
    return edits === 0 ? t('stores.sameAsInTheLibrary') : t('stores.unwrittenEdit', { count: edits })
  }
}

/**
 * Contents of a slot that the library does not have would be lost by a write, so they are copied first. Notes, tags and
 * rules, which no device stores, do not count as differences.
 */
export async function saveOverwritten(there: Profile, model: DeviceModel, slot: number): Promise<void> {
  const [library, macros, notices] = [useLibrary(), useMacros(), useNotifications()]
  const here = library.entries.filter(({ profile }) => profile.model === there.model)
  if (here.some(({ profile }) => editsBetween(there, profile, model, macros.wholeShelf).length === 0)) return
  await copyFromSlot(there)
  notices.say(t('stores.slotHadWhichExistedOnlyOnThe', { slot: slot + 1, name: there.name }))
}
