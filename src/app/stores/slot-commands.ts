import type { KnownDevice } from './known-device'
import { useDevices } from './devices'
import { copyFromSlot } from './slots'

/** Something that can be done with a slot by name: menus, buttons and Find have it from here. */
export interface SlotCommand {
  /** All but keeping change the device, so it has to be within reach. */
  kind: 'keep' | 'activate' | 'clear' | 'swap'
  text: string
  /** What people call it as well. */
  words: string
  run: () => unknown
}

/**
 * What can be done with what a slot holds.
 *
 * @param index the slot, counted from 0
 * @param inLibrary whether a profile of the library belongs to it
 */
export function slotCommands(device: KnownDevice, index: number, inLibrary: boolean): SlotCommand[] {
  const devices = useDevices()
  const { id, info, slots, model } = device
  const { profile, bytes } = slots[index] ?? {}
  const commands: SlotCommand[] = []
  if (profile && !inLibrary)
    commands.push({
      kind: 'keep',
      text: 'Copy to the library',
      words: 'read back import keep',
      run: () => copyFromSlot(profile, index),
    })
  if (!bytes) return commands
  if (info?.activeSlot !== index)
    commands.push(
      {
        kind: 'activate',
        text: 'Make active',
        words: 'switch use select',
        run: () => devices.select(id, index),
      },
      { kind: 'clear', text: 'Clear', words: 'empty erase delete', run: () => devices.clear(id, index) },
    )
  for (let other = 0; other < model.memory.slots; other++)
    if (other !== index)
      commands.push({
        kind: 'swap',
        text: `Swap with slot ${other + 1}`,
        words: 'exchange move',
        run: () => devices.swap(id, index, other),
      })
  return commands
}
