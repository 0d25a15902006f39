import { describe, expect, it } from 'vitest'
import { STEP_COLOURS } from './step-colours'
import { leastDifference, nearestTellable, TELLABLE_DELTA } from './tellable'

describe('colours of steps', () => {
  it('are told apart by every sight, and a bad one is offered the nearest that is', () => {
    STEP_COLOURS.forEach((colour, index) => {
      for (const other of STEP_COLOURS.slice(0, index))
        expect(leastDifference(colour, other).delta).toBeGreaterThan(TELLABLE_DELTA)
    })
    // In linear light, as the source of the matrices has it: on coded values these two would pass.
    expect(leastDifference('#e04f2f', '#c33e93')).toMatchObject({ vision: 'blue-weak sight (tritanopia)' })
    expect(leastDifference('#e04f2f', '#c33e93').delta).toBeLessThan(TELLABLE_DELTA)
    // Red and green of one lightness: nothing to full colour vision, the same to two of the others.
    const { vision, delta } = leastDifference('#c96f4a', '#8f8f3a')
    expect(vision).toMatch(/weak/)
    expect(delta).toBeLessThan(TELLABLE_DELTA)
    const better = nearestTellable('#8f8f3a', ['#c96f4a', '#ffffff']) ?? ''
    expect(leastDifference(better, '#c96f4a').delta).toBeGreaterThanOrEqual(TELLABLE_DELTA)
    expect(leastDifference(better, '#ffffff').delta).toBeGreaterThanOrEqual(TELLABLE_DELTA)
  })
})
