import { t } from '../../messages/page'
import { computed } from 'vue'
import { CompileError, compileProfile } from '../../core/compile/compile'
import { slotCapacity } from '../../core/device/lookups'
import type { MacroShelf } from '../../core/document/macro'
import type { LibraryEntry } from '../database/library'
import { whyReadOnly } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { errorMessage, useNotifications } from '../stores/notifications'
import { saveOverwritten, recordWritten, compareSlot } from '../stores/slots'

/** One slot on the board: its contents, and their state in the library. */
export interface BoardSlot {
  index: number
  name: string | undefined
  /** The text in place of a name. */
  none: string
  active: boolean
  /** The matching profile of the library. */
  entry?: LibraryEntry
  /** Edits of that profile that the slot does not have. */
  edits: number
  /** Used share of its memory. */
  full: number
  standing: string
}

/** All devices with all slots, and their state in the library. */
export function useBoard() {
  const devices = useDevices()
  const library = useLibrary()
  const macros = useMacros()

  const columns = computed(() =>
    devices.list.map((device) => ({
      device,
      slots: Array.from({ length: device.model.memory.slots }, (_, index) =>
        slotOf(device, index, library.entries, macros.wholeShelf),
      ),
      cannot: whyReadOnly(device),
    })),
  )

  /** Slots with unwritten edits of their profile. */
  const stale = computed(() =>
    columns.value.flatMap(({ device, slots, cannot }) =>
      cannot === undefined
        ? slots.flatMap(({ index, entry, edits }) => (entry && edits > 0 ? [{ device, index, entry }] : []))
        : [],
    ),
  )

  return { columns, stale }
}

export type StaleSlot = ReturnType<typeof useBoard>['stale']['value'][number]

function slotOf(
  device: KnownDevice,
  index: number,
  entries: readonly LibraryEntry[],
  macros: MacroShelf,
): BoardSlot {
  const content = device.slots[index]
  const { model, info } = device
  const { text, ...standing } = content
    ? compareSlot(content, model, entries, macros)
    : { edits: 0, text: '' }
  return {
    index,
    name: content?.profile?.name ?? (content?.bytes ? t('devices.unreadable') : undefined),
    none: content ? t('devices.empty') : t('devices.notReadYet'),
    active: info?.activeSlot === index,
    full: (content?.bytes?.length ?? 0) / slotCapacity(model.memory),
    standing: text,
    ...standing,
  }
}

/** Writes one slot or several from the board. */
export function useBoardWrites() {
  const devices = useDevices()
  const library = useLibrary()
  const macros = useMacros()
  const notices = useNotifications()

  /** Writes a profile to a slot. Contents that the library does not have are copied to it first. */
  async function put(device: KnownDevice, slot: number, entry: LibraryEntry): Promise<boolean> {
    const { profile } = entry
    try {
      const { bytes } = compileProfile(profile, device.model, macros.shelf)
      const there = device.slots[slot]?.profile
      if (there && there.name !== profile.name) await saveOverwritten(there, device.model, slot)
      if (!(await devices.write(device.id, slot, bytes, entry.id))) {
        notices.trouble(
          device.outcome?.message ?? t('devices.wasNotWrittenTheSlotIsUnchanged', { name: profile.name }),
        )
        return false
      }
      library.setSlot(entry.id, slot)
      recordWritten(entry.id, profile, slot, bytes)
      return true
    } catch (error) {
      if (!(error instanceof CompileError)) throw error
      notices.trouble(
        t('devices.cannotBeWrittenTheSlotIsUnchanged', { name: profile.name, message: errorMessage(error) }),
      )
      return false
    }
  }

  /** Devices in parallel, the slots of each in sequence. */
  async function writeAll(stale: readonly StaleSlot[]): Promise<void> {
    const ofDevice = new Map<KnownDevice, StaleSlot[]>()
    for (const job of stale) ofDevice.set(job.device, [...(ofDevice.get(job.device) ?? []), job])
    const counts = await Promise.all(
      [...ofDevice].map(async ([device, jobs]) => {
        let count = 0
        for (const { index, entry } of jobs) if (await put(device, index, entry)) count++
        return count
      }),
    )
    const written = counts.reduce((sum, count) => sum + count, 0)
    if (written > 0) notices.say(t('devices.slotWasWrittenAndReadBack', { count: written }))
  }

  return { put, writeAll }
}
