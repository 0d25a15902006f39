import brinewatch from '../../demo/profiles/brinewatch.json'
import gantryRun from '../../demo/profiles/gantry-run.json'
import hollowTithe from '../../demo/profiles/hollow-tithe.json'
import scoreEngraving from '../../demo/profiles/score-engraving.json'
import brinewatchAsWritten from '../../demo/on-device/tern-7-slot-1.json'
import { modelById } from '../core/device/models'
import { compileProfile } from '../core/image/compile'
import { LinkSession } from '../core/link/session'
import { parseProfile } from '../core/profile/schema'
import { simulatedTransport, type SimulatorClient } from '../simulator/client'
import type { Library } from './library'

/** The profiles of the demo, and the slot of their device each is written to, counted from 0. */
const PROFILES = [
  { document: brinewatch, slot: 0 },
  { document: gantryRun, slot: 1 },
  { document: scoreEngraving, slot: 2 },
  { document: hollowTithe, slot: 3 },
]

/** What is on the device when the demo begins: Brinewatch as it was before its last edits. */
const ON_DEVICE = [brinewatchAsWritten, gantryRun, scoreEngraving]

/** Puts the demo's profiles into an untouched library, once. */
export async function fillLibrary(library: Library): Promise<void> {
  await library.once('demo', async () => {
    for (const [index, { document, slot }] of PROFILES.entries()) {
      const profile = parseProfile(document)
      await library.add(profile, slot, Date.now(), `demo-${index + 1}`)
    }
  })
}

/** Writes the demo's slots to a device that has never been written, over its link like any other write. */
export async function fillDevice(simulator: SimulatorClient, deviceId: string): Promise<void> {
  await navigator.locks.request(`unisera link ${deviceId}`, async () => {
    const session = new LinkSession(simulatedTransport(simulator, deviceId))
    if ((await session.info()).revision !== 0) return
    for (const [slot, document] of ON_DEVICE.entries()) {
      const profile = parseProfile(document)
      const model = modelById(profile.model)
      if (model) await session.writeSlot(slot, compileProfile(profile, model).bytes, undefined)
    }
  })
}
