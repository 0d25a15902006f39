import { markRaw } from 'vue'
import { decompileImage } from '../../core/compile/decompile'
import type { DeviceModel } from '../../core/device/model'
import type { MacroShelf } from '../../core/document/macro'
import type { Profile } from '../../core/document/schema'
import type { DeviceInfo, LogLine } from '../../core/link/packets'
import { type WriteProgress } from '../../core/link/session'
import { LinkError } from '../../core/link/link-error'
import { messageOf } from './notices'

/** What was last read back from a slot. */
export interface SlotContent {
  bytes: Uint8Array | undefined
  profile: Profile | undefined
  /** Why the bytes are no profile, where they are none. */
  problem?: string
}

/** A device as the app knows it. What it holds stays known when it is unplugged, with the time it was read. */
export interface KnownDevice {
  id: string
  model: DeviceModel
  connected: boolean
  /** What its person calls it, as it is kept in the device; empty where it has no name. */
  name: string
  info?: DeviceInfo
  /** What it met and does not implement. */
  log?: readonly LogLine[]
  slots: SlotContent[]
  readAt?: number
  /** A write under way. */
  writing?: { slot: number; profileId: string; progress: WriteProgress }
  /** Two slots that change places, counted from 0. */
  swapping?: readonly [number, number]
  /** How the last write ended, until the next one. */
  outcome?: { slot: number; profileId: string; kind: 'written' | 'failed'; message: string }
}

/** A serial number as it stands on the device. */
export const serialText = (serial: number): string => serial.toString(16).toUpperCase().padStart(8, '0')

/** What a device is called everywhere: by its own name, else by its model, and by its serial among several of that. */
export function titleOf({ id, name, model, info }: KnownDevice, all: readonly KnownDevice[]): string {
  if (name) return name
  const alike = all.some((each) => each.id !== id && each.model.id === model.id && !each.name)
  return alike && info ? `${model.name} ${serialText(info.serial).slice(-4)}` : model.name
}

/** Kept raw: a profile read from a device is stored in the library as it is. */
export function contentOf(
  bytes: Uint8Array | undefined,
  model: DeviceModel,
  macros: MacroShelf,
): SlotContent {
  if (!bytes) return markRaw({ bytes, profile: undefined })
  try {
    return markRaw({ bytes, profile: decompileImage(bytes, model, macros) })
  } catch (error) {
    return markRaw({ bytes, profile: undefined, problem: messageOf(error) })
  }
}

/** What happened, what is safe, what to do. */
export function writeFailure(error: unknown, slot: number): string {
  if (error instanceof LinkError && error.reason === 'disconnected') {
    return (
      `The device went away during the write. Slot ${slot + 1} holds what it held before, or all of the new ` +
      'profile, never a part. Your edits are safe here. Connect the device and it is read again.'
    )
  }
  return `${messageOf(error)}. Your edits are safe here; the slot was not left half written.`
}
