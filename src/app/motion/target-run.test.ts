import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref, shallowRef, type EffectScope } from 'vue'
import { itemAt } from '../../core/base/items'
import { useTargetRun } from './target-run'
import type { TryOut } from './try-out'

let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['performance'] })
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

/** A try-out whose hand is the test's, and its active steps. */
function handled() {
  const pressed = new Set<(at: { x: number; y: number }, down: boolean) => void>()
  const moved = new Set<(at: { x: number; y: number }) => void>()
  const used: (number | undefined)[] = []
  const told: boolean[] = []
  const tryOut = {
    pressed,
    moved,
    screen: shallowRef({ width: 1920, height: 1200 }),
    step: ref(),
    clear: () => {},
    tryStep: (index: number | undefined, tell = true) => {
      used.push(index)
      told.push(tell)
    },
  } as unknown as TryOut
  const run = scope.run(() => useTargetRun(tryOut))
  if (!run) throw new Error('no run')
  const at = (point: { x: number; y: number }) => {
    for (const hear of moved) hear(point)
    for (const hear of pressed) hear(point, true)
    for (const hear of pressed) hear(point, false)
  }
  return { run, used, told, at }
}

describe('targets on the try-out', () => {
  it('count a click beside as a miss, and time each from the one before', () => {
    const { run, at } = handled()
    run.start(3)
    expect(run.running.value).toBe(true)
    at({ x: 1, y: 1 })
    expect(run.reached.value).toHaveLength(0)
    while (run.target.value) {
      vi.advanceTimersByTime(400)
      at(run.target.value)
    }
    expect(run.reached.value).toHaveLength(12)
    expect(itemAt(run.reached.value, 0).misses).toBe(1)
    expect(run.bySize.value.map(({ medianMs }) => medianMs)).toEqual([400, 400, 400])
    // The first target is reached from any position of the hand.
    expect(run.bySize.value.reduce((sum, { count }) => sum + count, 0)).toBe(11)
  })

  it('compare two steps by turns, on the same targets, and find the faster one', () => {
    const { run, used, told, at } = handled()
    run.choose('a', 2)
    run.choose('b', 0)
    run.startBlind(7)
    for (let reached = 0; run.target.value; reached++) {
      const slow = used.at(-1) === 2
      vi.advanceTimersByTime((slow ? 700 : 500) + 20 * (reached % 3))
      expect(run.comparison.value).toBeUndefined()
      at(run.target.value)
    }
    expect(used.slice(0, 4).sort()).toEqual([0, 0, 2, 2])
    // The previously tried step is active again.
    expect(used.slice(4)).toEqual([undefined])
    expect(told).toEqual([false, false, false, false, true])
    expect(run.comparison.value?.faster).toBe('b')
    expect(run.comparison.value?.ratio.count).toBe(22)
    expect(run.comparison.value?.ratio.value).toBeCloseTo(0.72, 1)
  })
})
