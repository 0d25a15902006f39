import { computed } from 'vue'
import { CompileError, compileProfile } from '../../core/compile/compile'
import { slotCapacity } from '../../core/device/lookups'
import type { MacroShelf } from '../../core/document/macro'
import type { LibraryEntry } from '../database/library'
import { noChanges } from '../shared/device-line'
import { useDevices } from '../stores/devices'
import type { KnownDevice } from '../stores/known-device'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { messageOf, useNotices } from '../stores/notices'
import { keepFirst, noteWritten, slotStanding } from '../stores/slots'

/** One slot on the board: what it holds, and how that stands to the library. */
export interface BoardSlot {
  index: number
  name: string | undefined
  /** What stands in place of a name. */
  none: string
  active: boolean
  /** The profile of the library that belongs to it. */
  entry?: LibraryEntry
  /** Edits of that profile that it does not hold. */
  edits: number
  /** Part of its room that is taken. */
  full: number
  standing: string
}

/** All devices with all slots, as they stand to the library. */
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
      cannot: noChanges(device),
    })),
  )

  /** Slots whose profile has edits that are not on them. */
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
    ? slotStanding(content, model, entries, macros)
    : { edits: 0, text: '' }
  return {
    index,
    name: content?.profile?.name ?? (content?.bytes ? 'not readable' : undefined),
    none: content ? 'empty' : 'not read yet',
    active: info?.activeSlot === index,
    full: (content?.bytes?.length ?? 0) / slotCapacity(model.memory),
    standing: text,
    ...standing,
  }
}

/** Writes from the board, one slot or many. */
export function useBoardWrites() {
  const devices = useDevices()
  const library = useLibrary()
  const macros = useMacros()
  const notices = useNotices()

  /** Writes a profile to a slot. What the slot holds and the library does not is kept as a copy first. */
  async function put(device: KnownDevice, slot: number, entry: LibraryEntry): Promise<boolean> {
    const { profile } = entry
    try {
      const { bytes } = compileProfile(profile, device.model, macros.shelf)
      const there = device.slots[slot]?.profile
      if (there && there.name !== profile.name) await keepFirst(there, device.model, slot)
      if (!(await devices.write(device.id, slot, bytes, entry.id))) {
        notices.trouble(
          device.outcome?.message ?? `“${profile.name}” was not written. The slot is as it was.`,
        )
        return false
      }
      library.setSlot(entry.id, slot)
      noteWritten(entry.id, profile, slot, bytes)
      return true
    } catch (error) {
      if (!(error instanceof CompileError)) throw error
      notices.trouble(`“${profile.name}” cannot be written: ${messageOf(error)}. The slot is as it was.`)
      return false
    }
  }

  /** Devices side by side, the slots of each one after the other. */
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
    if (written > 0)
      notices.say(`${written} ${written === 1 ? 'slot was' : 'slots were'} written and read back`)
  }

  return { put, writeAll }
}
