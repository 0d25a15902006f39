import { t } from '../../messages/page'
import { markRaw } from 'vue'
import { decompileImage } from '../../core/compile/decompile'
import type { DeviceModel } from '../../core/device/model'
import type { MacroShelf } from '../../core/document/macro'
import type { Profile } from '../../core/document/schema'
import type { DeviceInfo, LogLine } from '../../core/link/packets'
import { type WriteProgress } from '../../core/link/session'
import { LinkError } from '../../core/link/link-error'
import { errorMessage } from './notifications'

/** The contents of a slot when it was last read. */
export interface SlotContent {
  bytes: Uint8Array | undefined
  profile: Profile | undefined
  /** Why the bytes are not a valid profile. */
  problem?: string
}

/** A device as the app knows it. Its contents stay known while it is disconnected, with the time they were read. */
export interface KnownDevice {
  id: string
  model: DeviceModel
  connected: boolean
  /** Its name, stored on the device; empty if it has none. */
  name: string
  info?: DeviceInfo
  /** Items it does not support. */
  log?: readonly LogLine[]
  slots: SlotContent[]
  readAt?: number
  /** The current write. */
  writing?: { slot: number; profileId: string; progress: WriteProgress }
  /** Two slots being swapped, counted from 0. */
  swapping?: readonly [number, number]
  /** Result of the last write, until the next one. */
  outcome?: { slot: number; profileId: string; kind: 'written' | 'failed'; message: string }
}

/** A serial number as printed on the device. */
export const serialText = (serial: number): string => serial.toString(16).toUpperCase().padStart(8, '0')

/** The title of a device everywhere: its name, otherwise its model, with its serial number if there are several. */
export function deviceTitle({ id, name, model, info }: KnownDevice, all: readonly KnownDevice[]): string {
  if (name) return name
  const alike = all.some((each) => each.id !== id && each.model.id === model.id && !each.name)
  return alike && info ? `${model.name} ${serialText(info.serial).slice(-4)}` : model.name
}

/** Kept raw: a profile read from a device is stored in the library unchanged. */
export function slotContentOf(
  bytes: Uint8Array | undefined,
  model: DeviceModel,
  macros: MacroShelf,
): SlotContent {
  if (!bytes) return markRaw({ bytes, profile: undefined })
  try {
    return markRaw({ bytes, profile: decompileImage(bytes, model, macros) })
  } catch (error) {
    return markRaw({ bytes, profile: undefined, problem: errorMessage(error) })
  }
}

/** What happened, what is safe, what to do. */
export function writeFailure(error: unknown, slot: number): string {
  if (error instanceof LinkError && error.reason === 'disconnected') {
    return t('stores.theDeviceWasDisconnectedDuringThe', { slot: slot + 1 })
  }
  return t('stores.yourEditsAreSafeHereAndThe', { message: errorMessage(error) })
}
