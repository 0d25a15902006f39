import { editsBetween } from '../../core/compile/pending'
import type { DeviceModel } from '../../core/device/model'
import { macrosUsed } from '../../core/document/profile'
import type { Profile } from '../../core/document/schema'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { useNotices } from './notices'

/**
 * What a slot holds and the library does not would be gone with a write over it: it is kept as a copy first. Notes, tags
 * and rules, which no device keeps, are no difference.
 */
export async function keepFirst(there: Profile, model: DeviceModel, slot: number): Promise<void> {
  const [library, macros, notices] = [useLibrary(), useMacros(), useNotices()]
  const here = library.entries.filter(({ profile }) => profile.model === there.model)
  if (here.some(({ profile }) => editsBetween(there, profile, model, macros.wholeShelf).length === 0)) return
  await macros.adopt(macrosUsed(there))
  await library.addFromFile(there)
  notices.say(
    `Slot ${slot + 1} held “${there.name}”, which was only on the device; a copy is in the library now`,
  )
}
