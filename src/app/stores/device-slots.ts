import { itemAt } from '../../core/base/items'
import type { Ref } from 'vue'
import type { LinkSession } from '../../core/link/session'
import type { Swap } from '../../core/link/swap'
import { imageChecksum } from '../../core/onboard/format'
import type { SimulatorClient } from '../../simulator/client'
import { useDeeds, type UndoOutcome } from './deeds'
import type { useDeviceSessions } from './device-sessions'
import { contentOf, writeFailure, type KnownDevice, type SlotContent } from './known-device'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { messageOf, useNotices } from './notices'
import { useSwaps } from './swaps'
import { useUnfinished } from './unfinished'

/** What the slots need of the store of devices. */
interface DeviceAccess {
  known: Map<string, KnownDevice>
  simulator: Readonly<Ref<SimulatorClient | undefined>>
  /** Why this browser cannot store the simulated devices' memory; undefined when it can. */
  memoryTrouble: Ref<string | undefined>
  withSession: ReturnType<typeof useDeviceSessions>['withSession']
  refresh(id: string, read?: 'all' | number): Promise<void>
  slotContent(device: KnownDevice, slot: number, bytes: Uint8Array | undefined): SlotContent
  title(device: KnownDevice): string
}

/** Everything that changes the memory of a device: writes, swaps, and what can be undone of them. */
export function useDeviceSlots(access: DeviceAccess) {
  const { known, simulator, memoryTrouble, withSession, refresh, slotContent, title } = access
  const notices = useNotices()
  const deeds = useDeeds()
  const library = useLibrary()
  const macros = useMacros()
  const swaps = useSwaps()
  const unfinished = useUnfinished()

  /** Writes an image to a slot, reads it back, and says how it went. */
  async function write(id: string, slot: number, image: Uint8Array, profileId: string): Promise<boolean> {
    const device = known.get(id)
    if (!device || device.writing) return false
    device.outcome = undefined
    const revision = device.info?.revision
    device.writing = {
      slot,
      profileId,
      progress: { phase: 'sending', doneBytes: 0, totalBytes: image.length },
    }
    try {
      await unfinished.during('write', () =>
        withSession(id, (session) =>
          session.writeSlot(slot, image, device.slots[slot]?.bytes, (progress) => {
            if (device.writing) device.writing.progress = progress
          }),
        ),
      )
      // The session compared every byte as it came back from flash.
      device.slots[slot] = slotContent(device, slot, image)
      device.readAt = Date.now()
      memoryTrouble.value = await simulator.value?.memoryTrouble()
      device.outcome = { slot, profileId, kind: 'written', message: '' }
    } catch (error) {
      const message = writeFailure(error, slot)
      device.outcome = { slot, profileId, kind: 'failed', message }
    } finally {
      device.writing = undefined
    }
    // The write was verified, so the slots are read again only if another program wrote as well.
    const written = device.outcome.kind === 'written'
    await refresh(id, written && revision !== undefined ? revision + 1 : 'all')
    return written
  }

  /** Swaps two slots. If it is interrupted, it is finished when the device is connected again. */
  async function swap(id: string, a: number, b: number): Promise<UndoOutcome> {
    const device = known.get(id)
    if (!device || device.writing || device.swapping || a === b) return 'not undone'
    const images = [device.slots[a]?.bytes, device.slots[b]?.bytes] as const
    if (!images[0] && !images[1]) return 'impossible'
    const journal: Swap = { slots: [a, b], images }
    if (!(await library.attempt(() => swaps.begin(id, journal).then(() => true)))) return 'not undone'
    device.swapping = journal.slots
    const done = await act(id, (session) =>
      unfinished.during('swap', async () => {
        await swaps.finish(id, journal, session, () => followSwap(device, journal))
      }),
    )
    device.swapping = undefined
    await refresh(id, 'all')
    return done ? 'undone' : 'not undone'
  }

  /** The same as an action of its own, which can be undone. */
  async function swapSlots(id: string, a: number, b: number): Promise<void> {
    const device = known.get(id)
    if (device && (await swap(id, a, b)) === 'undone')
      deeds.say('devices', `Slots ${a + 1} and ${b + 1} of ${title(device)} were swapped`, () =>
        swap(id, a, b),
      )
  }

  /** Profiles whose image was in one of two swapped slots are written to the other from now on. */
  function followSwap({ model }: KnownDevice, { slots, images }: Swap): void {
    const moves = slots.flatMap((from, at) => {
      const image = images[at]
      if (!image) return []
      const checksum = imageChecksum(image)
      const name = contentOf(image, model, macros.shelf).profile?.name
      return library.entries
        .filter(({ profile, slot }) => profile.model === model.id && slot === from)
        .filter(({ profile, written }) => written === checksum || profile.name === name)
        .map(({ id }) => ({ id, to: itemAt(slots, 1 - at) }))
    })
    for (const { id, to } of moves) library.setSlot(id, to)
  }

  /** Finishes a swap that a pulled cable or a closed tab has interrupted. */
  async function finishSwap(id: string): Promise<void> {
    const device = known.get(id)
    const journal = device && (await swaps.underWay(id))
    if (!journal || device.writing || device.swapping) return
    const finished = await withSession(id, (session) =>
      swaps.finish(id, journal, session, () => followSwap(device, journal)),
    )
    if (!finished) return
    const [a, b] = journal.slots
    notices.say(
      `The swap of slots ${a + 1} and ${b + 1} of ${title(device)} was interrupted. It is finished now.`,
    )
    await refresh(id, 'all')
  }

  /** If it cannot be finished now, it is tried again the next time the device connects. */
  const finishInterruptedSwap = (id: string) => finishSwap(id).catch(() => undefined)

  /** @returns whether the device did it; if not, that has been reported */
  async function act(id: string, what: (session: LinkSession) => Promise<void>): Promise<boolean> {
    let done = true
    try {
      await withSession(id, what)
    } catch (error) {
      done = false
      const words = `${messageOf(error)}. Each slot is either as it was or completely changed.`
      notices.trouble(words, undefined, () => known.has(id))
    }
    await refresh(id)
    return done
  }

  const undoing = async (id: string, what: (session: LinkSession) => Promise<void>): Promise<UndoOutcome> =>
    (await act(id, what)) ? 'undone' : 'not undone'

  /** Makes a slot, counted from 0, the active one. */
  const select = (id: string, slot: number) => act(id, (session) => session.select(slot))

  async function clear(id: string, slot: number): Promise<void> {
    const content = known.get(id)?.slots[slot]
    await act(id, (session) => session.clear(slot))
    const { bytes, profile } = content ?? {}
    if (!bytes || known.get(id)?.slots[slot]?.bytes) return
    deeds.say('devices', `Slot ${slot + 1}${profile ? ` (${profile.name})` : ''} was cleared`, () =>
      undoing(id, (session) => session.writeSlot(slot, bytes, undefined)),
    )
  }

  /** Gives a device a name, stored in the device; an empty one removes it. @returns whether it has it */
  async function rename(id: string, name: string): Promise<boolean> {
    const device = known.get(id)
    if (!device) return false
    const [before, called] = [device.name, title(device)]
    await act(id, (session) => session.rename(name))
    if (known.get(id)?.name !== name) return false
    deeds.say('devices', `${called} was renamed to ${title(device)}`, () =>
      undoing(id, (session) => session.rename(before)),
    )
    return true
  }

  /** Resets everything in a device to factory settings. Undo restores its slots, its name and the active slot. */
  async function reset(id: string): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing) return
    const { slots, name, info } = device
    const called = title(device)
    const revision = info?.revision
    await act(id, (session) => session.reset())
    if (device.info?.revision === revision || device.slots.some(({ bytes }) => bytes)) return
    deeds.say('devices', `${called} was reset to factory settings`, () =>
      undoing(id, async (session) => {
        for (const [slot, { bytes }] of slots.entries())
          if (bytes) await session.writeSlot(slot, bytes, undefined)
        if (name) await session.rename(name)
        if (info) await session.select(info.activeSlot)
      }),
    )
  }

  return { write, swap: swapSlots, finishInterruptedSwap, select, clear, rename, reset }
}
