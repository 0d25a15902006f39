import { membersOf } from '../../core/base/tables'
import { defineStore } from 'pinia'
import type { LinkSession } from '../../core/link/session'
import { remainingSteps, type Swap } from '../../core/link/swap'
import { useLibrary } from './library'

/**
 * Swaps in progress, stored so that they survive a closed tab or an unplugged cable: the images of both slots, until
 * the swap is complete. It is completed when the device is connected again.
 */
export const useSwaps = defineStore('swaps', () => {
  const { database } = useLibrary().library
  const key = (deviceId: string) => `swap ${deviceId}`

  async function begin(deviceId: string, swap: Swap): Promise<void> {
    await database.marks.put({ key: key(deviceId), value: swap })
  }

  async function underWay(deviceId: string): Promise<Swap | undefined> {
    const mark = await database.marks.get(key(deviceId))
    return isSwap(mark?.value) ? mark.value : undefined
  }

  /**
   * Completes a swap.
   *
   * @param follow called once both slots have their new contents, before the swap is deleted
   * @returns whether there was one; the slots now have their new contents, or others that are not part of this swap
   * @throws LinkError; then it stays in progress
   */
  async function finish(
    deviceId: string,
    swap: Swap,
    session: LinkSession,
    follow: () => void = () => {},
  ): Promise<boolean> {
    const [a, b] = swap.slots
    const held = [await session.readSlot(a), await session.readSlot(b)] as const
    const left = remainingSteps(swap, held)
    const steps = left ?? []
    for (const { slot, image } of steps) {
      if (image) await session.writeSlot(slot, image, undefined)
      else await session.clear(slot)
    }
    if (left) follow()
    await database.marks.delete(key(deviceId))
    return steps.length > 0
  }

  return { begin, underWay, finish }
})

const isSwap = (value: unknown): value is Swap => {
  const { slots, images } = membersOf(value)
  return (
    Array.isArray(slots) &&
    slots.length === 2 &&
    slots.every((slot) => Number.isInteger(slot)) &&
    Array.isArray(images) &&
    images.length === 2 &&
    images.every((image) => image === undefined || image instanceof Uint8Array)
  )
}
