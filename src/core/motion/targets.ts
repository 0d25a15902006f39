import { itemAt } from '../base/items'
import { meanEstimate, type Estimate } from '../base/statistics'
import { randomSource } from '../base/random'

/** A target on the screen of the try-out: to click (`hit`) or to pass over (`cross`). */
export interface Target {
  kind: 'hit' | 'cross'
  /** Its centre and width, in px of the screen. */
  x: number
  y: number
  size: number
}

export const TARGET_SIZES = [60, 110, 190] as const

/**
 * A sequence of targets, each at some distance from the last; sizes and kinds alternate, so that plans of equal length
 * are equally difficult.
 */
export function planTargets(
  count: number,
  seed: number,
  screen: { width: number; height: number },
): Target[] {
  const { uniform } = randomSource(seed)
  let [x, y] = [screen.width / 2, screen.height / 2]
  return Array.from({ length: count }, (_, index) => {
    const size = itemAt(TARGET_SIZES, index % TARGET_SIZES.length)
    const away = ([0.22, 0.34, 0.46][Math.floor(index / 3) % 3] ?? 0) * screen.width
    const margin = size / 2 + 10
    for (let tries = 0; tries < 40; tries++) {
      const turn = uniform() * 2 * Math.PI
      const [toX, toY] = [x + away * Math.cos(turn), y + away * Math.sin(turn)]
      const inside =
        toX > margin && toX < screen.width - margin && toY > margin && toY < screen.height - margin
      if (!inside) continue
      ;[x, y] = [toX, toY]
      return { kind: index % 4 === 3 ? 'cross' : 'hit', x, y, size }
    }
    ;[x, y] = [screen.width / 2, screen.height / 2]
    return { kind: 'hit', x, y, size }
  })
}

/** A reached target: the time since the previous one, and clicks that missed. */
export interface ReachedTarget {
  target: Target
  ms: number
  misses: number
}

/** Whether a point is on a target. */
export const hitsTarget = ({ x, y, size }: Target, at: { x: number; y: number }): boolean =>
  Math.hypot(at.x - x, at.y - y) <= size / 2

export interface TimeComparison {
  /** Time with B relative to A: below 1, B is faster. */
  ratio: Estimate
  /** The faster one, if the interval is conclusive. */
  faster: 'a' | 'b' | undefined
}

/**
 * Compares two settings with the same targets: the mean of the logarithms of the time ratios, target by target, so that
 * easy and hard ones have equal weight.
 *
 * @param a times in ms; `b` those of the same targets
 */
export function compareTimes(a: readonly number[], b: readonly number[]): TimeComparison {
  const ratios = b.slice(0, a.length).map((ms, index) => Math.log(ms / (a[index] ?? 0)))
  const { value, low, high, count } = meanEstimate(ratios)
  const ratio = { value: Math.exp(value), low: Math.exp(low), high: Math.exp(high), count }
  return { ratio, faster: ratio.high < 1 ? 'b' : ratio.low > 1 ? 'a' : undefined }
}

/**
 * The order in which two settings are tried without naming them, block by block and equally often: A B B A, or the
 * reverse.
 */
export function blindOrder(blocks: number, seed: number): ('a' | 'b')[] {
  const { uniform } = randomSource(seed)
  const order: ('a' | 'b')[] = []
  while (order.length < blocks) {
    const [first, second] = uniform() < 0.5 ? (['a', 'b'] as const) : (['b', 'a'] as const)
    order.push(first, second)
  }
  return order.slice(0, blocks)
}
