import { itemAt } from '../base/items'
import { equalBytes } from '../base/bytes'

/** Two slots to swap, and their previous contents; undefined for an empty one. */
export interface Swap {
  slots: readonly [number, number]
  images: readonly [Uint8Array | undefined, Uint8Array | undefined]
}

export interface SwapStep {
  slot: number
  /** The image to write; undefined to clear the slot. */
  image: Uint8Array | undefined
}

/**
 * The remaining steps of a swap, in an order that keeps at least one of the two images on the device at every moment: a
 * slot is cleared last. A device changes one slot at a time, completely or not at all, so the contents of the slots
 * show how far an interrupted swap came.
 *
 * @param held current contents of the two slots
 * @returns undefined if they have other contents by now, and the swap must not be finished
 */
export function remainingSteps(
  { slots, images }: Swap,
  held: readonly [Uint8Array | undefined, Uint8Array | undefined],
): SwapStep[] | undefined {
  const same = (a: Uint8Array | undefined, b: Uint8Array | undefined) => (a && b ? equalBytes(a, b) : a === b)
  if (!held.every((now) => images.some((image) => same(now, image)))) return undefined
  // Both have the same image, so it is unknown which one was written; in both cases the other one remains.
  const wanted = [images[1], images[0]] as const
  const steps = [0, 1].flatMap((at): SwapStep[] =>
    same(held[at], wanted[at]) ? [] : [{ slot: itemAt(slots, at), image: wanted[at] }],
  )
  return steps.sort((a, b) => Number(a.image === undefined) - Number(b.image === undefined))
}
