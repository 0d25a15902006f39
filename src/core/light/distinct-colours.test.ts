import { describe, expect, it } from 'vitest'
import { STEP_COLOURS } from './step-colours'
import { minDifference, nearestDistinctColour, MIN_DISTINCT_DELTA } from './distinct-colours'
import { inEnglish } from '../../messages/english.test-support'

describe('colours of steps', () => {
  it('are told apart by every sight, and a bad one is offered the nearest that is', () => {
    STEP_COLOURS.forEach((colour, index) => {
      for (const other of STEP_COLOURS.slice(0, index))
        expect(minDifference(colour, other).delta).toBeGreaterThan(MIN_DISTINCT_DELTA)
    })
    // In linear light, as the source of the matrices requires; with encoded values these two would pass.
    expect(inEnglish(minDifference('#e04f2f', '#c33e93'))).toMatchObject({
      vision: 'blue-blindness (tritanopia)',
    })
    expect(minDifference('#e04f2f', '#c33e93').delta).toBeLessThan(MIN_DISTINCT_DELTA)
    // Red and green of equal lightness: clearly different for full colour vision, the same for two deficiencies.
    const { vision, delta } = minDifference('#c96f4a', '#8f8f3a')
    expect(vision.key).toBe('checks.deuteranopia')
    expect(delta).toBeLessThan(MIN_DISTINCT_DELTA)
    const better = nearestDistinctColour('#8f8f3a', ['#c96f4a', '#ffffff']) ?? ''
    expect(minDifference(better, '#c96f4a').delta).toBeGreaterThanOrEqual(MIN_DISTINCT_DELTA)
    expect(minDifference(better, '#ffffff').delta).toBeGreaterThanOrEqual(MIN_DISTINCT_DELTA)
  })
})
