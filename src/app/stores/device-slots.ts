import { t } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import type { Ref } from 'vue'
import type { LinkSession } from '../../core/link/session'
import type { Swap } from '../../core/link/swap'
import { imageChecksum } from '../../core/onboard/format'
import type { SimulatorClient } from '../../simulator/client'
import { useUndoableActions, type UndoOutcome } from './undoable-actions'
import type { useDeviceSessions } from './device-sessions'
import { slotContentOf, writeFailure, type KnownDevice, type SlotContent } from './known-device'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { errorMessage, useNotifications } from './notifications'
import { useSwaps } from './swaps'
import { useUnfinishedWork } from './unfinished'

/** Dependencies of the slots on the store of devices. */
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

/** All changes of a device's memory: writes, swaps, and their undo. */
export function useDeviceSlots(access: DeviceAccess) {
  const { known, simulator, memoryTrouble, withSession, refresh, slotContent, title } = access
  const notices = useNotifications()
  const deeds = useUndoableActions()
  const library = useLibrary()
  const macros = useMacros()
  const swaps = useSwaps()
  const unfinished = useUnfinishedWork()

  /** Writes an image to a slot, reads it back, and reports the result. */
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
      // The session compared every byte read back from flash.
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

  /** Swaps two slots. An interrupted swap is completed when the device is connected again. */
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

  /** The same as an action that can be undone. */
  async function swapSlots(id: string, a: number, b: number): Promise<void> {
    const device = known.get(id)
    if (device && (await swap(id, a, b)) === 'undone')
      deeds.say(
        'devices',
        t('stores.slotsAndOfWereSwapped', { a: a + 1, b: b + 1, title: title(device) }),
        () => swap(id, a, b),
      )
  }

  /** Profiles whose image was in one of two swapped slots now refer to the other one. */
  function followSwap({ model }: KnownDevice, { slots, images }: Swap): void {
    const moves = slots.flatMap((from, at) => {
      const image = images[at]
      if (!image) return []
      const checksum = imageChecksum(image)
      const name = slotContentOf(image, model, macros.shelf).profile?.name
      return library.entries
        .filter(({ profile, slot }) => profile.model === model.id && slot === from)
        .filter(({ profile, written }) => written === checksum || profile.name === name)
        .map(({ id }) => ({ id, to: itemAt(slots, 1 - at) }))
    })
    for (const { id, to } of moves) library.setSlot(id, to)
  }

  /** Completes a swap that an unplugged cable or a closed tab has interrupted. */
  async function finishSwap(id: string): Promise<void> {
    const device = known.get(id)
    const journal = device && (await swaps.underWay(id))
    if (!journal || device.writing || device.swapping) return
    const finished = await withSession(id, (session) =>
      swaps.finish(id, journal, session, () => followSwap(device, journal)),
    )
    if (!finished) return
    const [a, b] = journal.slots
    notices.say(t('stores.theSwapOfSlotsAndOfWas', { a: a + 1, b: b + 1, title: title(device) }))
    await refresh(id, 'all')
  }

  /** If it cannot be completed now, it is tried again the next time the device connects. */
  const finishInterruptedSwap = (id: string) => finishSwap(id).catch(() => undefined)

  /** @returns whether the device did it; otherwise a problem has been reported */
  async function act(id: string, what: (session: LinkSession) => Promise<void>): Promise<boolean> {
    let done = true
    try {
      await withSession(id, what)
    } catch (error) {
      done = false
      const words = t('stores.eachSlotIsEitherUnchangedOr', { message: errorMessage(error) })
      notices.trouble(words, undefined, () => known.has(id))
    }
    await refresh(id)
    return done
  }

  const undoing = async (id: string, what: (session: LinkSession) => Promise<void>): Promise<UndoOutcome> =>
    (await act(id, what)) ? 'undone' : 'not undone'

  /** Activates a slot, counted from 0. */
  const select = (id: string, slot: number) => act(id, (session) => session.select(slot))

  async function clear(id: string, slot: number): Promise<void> {
    const content = known.get(id)?.slots[slot]
    await act(id, (session) => session.clear(slot))
    const { bytes, profile } = content ?? {}
    if (!bytes || known.get(id)?.slots[slot]?.bytes) return
    deeds.say(
      'devices',
      profile
        ? t('stores.slotWasCleared', { slot: slot + 1, name: profile.name })
        : t('stores.slotWasCleared2', { slot: slot + 1 }),
      () => undoing(id, (session) => session.writeSlot(slot, bytes, undefined)),
    )
  }

  /** Renames a device, which stores the name; an empty one removes it. @returns whether it succeeded */
  async function rename(id: string, name: string): Promise<boolean> {
    const device = known.get(id)
    if (!device) return false
    const [before, called] = [device.name, title(device)]
    await act(id, (session) => session.rename(name))
    if (known.get(id)?.name !== name) return false
    deeds.say('devices', t('stores.wasRenamedTo', { name: called, title: title(device) }), () =>
      undoing(id, (session) => session.rename(before)),
    )
    return true
  }

  /** Resets a device to factory settings. Undo restores its slots, its name and the active slot. */
  async function reset(id: string): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing) return
    const { slots, name, info } = device
    const called = title(device)
    const revision = info?.revision
    await act(id, (session) => session.reset())
    if (device.info?.revision === revision || device.slots.some(({ bytes }) => bytes)) return
    deeds.say('devices', t('stores.wasResetToFactorySettings', { name: called }), () =>
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
