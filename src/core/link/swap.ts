import { itemAt } from '../base/items'
import { sameBytes } from '../base/bytes'

/** Two slots that are to change places, and what each held before; undefined for an empty one. */
export interface Swap {
  slots: readonly [number, number]
  images: readonly [Uint8Array | undefined, Uint8Array | undefined]
}

export interface SwapStep {
  slot: number
  /** What is written there; undefined where it is cleared. */
  image: Uint8Array | undefined
}

/**
 * What is left to do of a swap, in an order in which at every moment at least one of the two is on the device: a slot is
 * cleared last. A device changes one slot at a time, and each wholly or not at all; so whatever cut the swap, what the
 * slots hold says how far it came.
 *
 * @param held what the two slots hold now
 * @returns undefined where they hold something else by now: then it is no longer this swap's to finish
 */
export function stepsLeft(
  { slots, images }: Swap,
  held: readonly [Uint8Array | undefined, Uint8Array | undefined],
): SwapStep[] | undefined {
  const same = (a: Uint8Array | undefined, b: Uint8Array | undefined) => (a && b ? sameBytes(a, b) : a === b)
  if (!held.every((now) => images.some((image) => same(now, image)))) return undefined
  // Both hold the same: which of the two went first is not told by that; either way the other is still to be written.
  const wanted = [images[1], images[0]] as const
  const steps = [0, 1].flatMap((at): SwapStep[] =>
    same(held[at], wanted[at]) ? [] : [{ slot: itemAt(slots, at), image: wanted[at] }],
  )
  return steps.sort((a, b) => Number(a.image === undefined) - Number(b.image === undefined))
}
