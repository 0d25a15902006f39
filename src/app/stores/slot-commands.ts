import { t } from '../../messages/page'
import type { KnownDevice } from './known-device'
import { useDevices } from './devices'
import { copyFromSlot } from './slots'

/** A command for a slot, for menus, buttons and Find. */
export interface SlotCommand {
  /** All except copying change the device, so it must be connected. */
  kind: 'keep' | 'activate' | 'clear' | 'swap'
  text: string
  /** Other search words. */
  words: string
  run: () => unknown
}

/**
 * Commands for a slot.
 *
 * @param index the slot, counted from 0
 * @param inLibrary whether the library has a matching profile
 */
export function slotCommands(device: KnownDevice, index: number, inLibrary: boolean): SlotCommand[] {
  const devices = useDevices()
  const { id, info, slots, model } = device
  const { profile, bytes } = slots[index] ?? {}
  const commands: SlotCommand[] = []
  if (profile && !inLibrary)
    commands.push({
      kind: 'keep',
      text: t('stores.copyToLibrary'),
      words: 'read back import keep',
      run: () => copyFromSlot(profile, index),
    })
  if (!bytes) return commands
  if (info?.activeSlot !== index)
    commands.push(
      {
        kind: 'activate',
        text: t('stores.makeActive'),
        words: 'switch use select',
        run: () => devices.select(id, index),
      },
      {
        kind: 'clear',
        text: t('stores.clear2'),
        words: 'empty erase delete',
        run: () => devices.clear(id, index),
      },
    )
  for (let other = 0; other < model.memory.slots; other++)
    if (other !== index)
      commands.push({
        kind: 'swap',
        text: t('stores.swapWithSlot', { other: other + 1 }),
        words: 'exchange move',
        run: () => devices.swap(id, index, other),
      })
  return commands
}
