import { watch, type ComputedRef, type ShallowRef } from 'vue'
import { modelByNumber } from '../../core/device/models'
import { LinkError } from '../../core/link/link-error'
import type { LinkSession } from '../../core/link/session'
import { yieldThread } from '../database/yield-thread'
import { useDeviceNotifications } from './device-notifications'
import type { useDeviceSessions } from './device-sessions'
import { slotContentOf, type KnownDevice, type SlotContent } from './known-device'
import { useMacros } from './macros'
import { errorMessage } from './notifications'
import { message } from '../../core/message/message'

/**
 * Reads the information and the slots of devices whenever they change.
 *
 * @param unread devices that are skipped until they have been filled
 */
export function useDeviceReading({
  known,
  list,
  unread,
  failure,
  withSession,
}: {
  known: Map<string, KnownDevice>
  list: ComputedRef<KnownDevice[]>
  unread: ReadonlySet<string>
  failure: ShallowRef<string | undefined>
  withSession: ReturnType<typeof useDeviceSessions>['withSession']
}) {
  const macros = useMacros()
  const { noteBattery, noteSlot, noteConnection } = useDeviceNotifications(known)

  /**
   * Reads the information of a device, and its slots if anything has changed since.
   *
   * @param read `all` to read in any case, or the expected revision if no other program wrote
   */
  async function refresh(id: string, read?: 'all' | number): Promise<void> {
    const device = known.get(id)
    if (!device || device.writing || unread.has(id)) return
    try {
      await withSession(id, async (session) => {
        const info = await session.info()
        const model = modelByNumber(info.model)
        if (!model) throw new LinkError('refused', message('link.unknownModel', { model: info.model }))
        const same = info.revision === read || info.revision === device.info?.revision
        const stale = read === 'all' || !same || device.slots.length === 0
        if (stale && model.connections[info.connection]?.configurable)
          await readAllOf(device, session, info.slots)
        noteBattery(device, info)
        noteSlot(device, info.activeSlot)
        const tells = info.logLines > 0 && model.connections[info.connection]?.configurable
        device.log = tells ? await session.log() : []
        device.info = info
        device.connected = true
      })
    } catch (error) {
      if (error instanceof LinkError && error.reason === 'disconnected') device.connected = false
      else failure.value = errorMessage(error)
    }
  }

  async function readAllOf(device: KnownDevice, session: LinkSession, count: number): Promise<void> {
    // Early firmware does not store a name.
    device.name = await session.name().catch((error: unknown) => {
      if (error instanceof LinkError && error.reason === 'refused') return ''
      throw error
    })
    const slots: SlotContent[] = []
    for (let slot = 0; slot < count; slot++)
      slots.push(slotContent(device, slot, await session.readSlot(slot)))
    device.slots = slots
    device.readAt = Date.now()
  }

  /** The contents of a slot; its macros are matched with those of the library. */
  function slotContent(device: KnownDevice, slot: number, bytes: Uint8Array | undefined): SlotContent {
    macros.read(`${device.id} ${slot}`, bytes)
    return slotContentOf(bytes, device.model, macros.shelf)
  }

  /** Editing a macro does not change the devices, but it may change which macro of the library a slot refers to. */
  watch(
    () => macros.shelf,
    async () => {
      for (const device of list.value) {
        for (const [slot, { bytes }] of device.slots.entries()) {
          await yieldThread()
          // If the slot was written or cleared meanwhile, it has been read again already.
          if (device.slots[slot]?.bytes === bytes) device.slots[slot] = slotContent(device, slot, bytes)
        }
      }
    },
  )

  return { refresh, slotContent, noteConnection }
}
