import macros from '../../../demo/macros.json'
import brinewatch from '../../../demo/profiles/brinewatch.json'
import dunlinBrinewatch from '../../../demo/profiles/dunlin-brinewatch.json'
import dunlinEngraving from '../../../demo/profiles/dunlin-engraving.json'
import gantryRun from '../../../demo/profiles/gantry-run.json'
import godwitBrinewatch from '../../../demo/profiles/godwit-brinewatch.json'
import godwitHollowTithe from '../../../demo/profiles/godwit-hollow-tithe.json'
import hollowTithe from '../../../demo/profiles/hollow-tithe.json'
import knotProofs from '../../../demo/profiles/knot-proofs.json'
import scoreEngraving from '../../../demo/profiles/score-engraving.json'
import rules from '../../../demo/rules.json'
import brinewatchAsWritten from '../../../demo/on-device/tern-7-slot-1.json'
import { memoizeByObject } from '../../core/base/memoize'
import { modelById, modelByNumber } from '../../core/device/models'
import { lowerProfile } from '../../core/compile/lower'
import { encodeImage, imageChecksum } from '../../core/onboard/format'
import { LinkSession } from '../../core/link/session'
import { shelfOf } from '../../core/document/macro'
import { macrosFromDocument } from '../../core/files/macro-json'
import { readProfileFile } from '../../core/files/profile-file'
import { simulatedTransport, type SimulatorClient } from '../../simulator/client'
import type { Library } from '../database/library'
import { APP_RULES_KEY } from '../database/library-database'
import { MacroLibrary } from '../database/macro-library'

/**
 * The demo profiles, their slots counted from 0, and the initial contents of these slots: Brinewatch before its last
 * edits, Hollow Tithe missing.
 */
const PROFILES = [
  { document: brinewatch, slot: 0, onDevice: brinewatchAsWritten },
  { document: gantryRun, slot: 1, onDevice: gantryRun },
  { document: scoreEngraving, slot: 2, onDevice: scoreEngraving },
  { document: hollowTithe, slot: 3 },
  { document: godwitBrinewatch, slot: 0, onDevice: godwitBrinewatch },
  { document: godwitHollowTithe, slot: 1 },
  { document: knotProofs, slot: 0, onDevice: knotProofs },
  { document: dunlinBrinewatch, slot: 0, onDevice: dunlinBrinewatch },
  { document: dunlinEngraving, slot: 1, onDevice: dunlinEngraving },
]

/** Validates a demo document only once, although it fills both the library and a device. */
const opened = memoizeByObject((document: object) => readProfileFile(document))

/**
 * The image of a demo document on its model. The demo passes every check and fits with all its names (start.test.ts),
 * so the checks need not be loaded.
 */
const imageOf = memoizeByObject((document: object): Uint8Array | undefined => {
  const { profile, macros } = opened(document)
  const model = modelById(profile.model)
  return model && encodeImage(lowerProfile(profile, model, shelfOf(macros))).bytes
})

/** Adds the demo profiles and macros to a library; in one transaction, completely or not at all. */
export async function fillLibrary(library: Library): Promise<void> {
  await new MacroLibrary(library.database).put(macrosFromDocument(macros), Date.now())
  await library.database.marks.put({ key: APP_RULES_KEY, value: rules })
  for (const [index, { document, slot, onDevice }] of PROFILES.entries()) {
    const id = await library.add(opened(document).profile, slot, Date.now(), `demo-${index + 1}`)
    const written = onDevice && imageOf(onDevice)
    if (written) await library.setWritten(id, imageChecksum(written))
  }
}

/** Writes the demo slots to a device, if they are empty, over its link like any other write. */
export async function fillDevice(simulator: SimulatorClient, deviceId: string): Promise<void> {
  await navigator.locks.request(`unisera link ${deviceId}`, async () => {
    const session = new LinkSession(simulatedTransport(simulator, deviceId))
    const { model } = await session.info()
    for (const { slot, onDevice, document } of PROFILES) {
      const image = document.model === modelByNumber(model)?.id && onDevice && imageOf(onDevice)
      if (image && !(await session.readSlot(slot))) await session.writeSlot(slot, image, undefined)
    }
  })
}
