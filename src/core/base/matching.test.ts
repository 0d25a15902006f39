import { describe, expect, it } from 'vitest'
import { matchesFilter } from './matching'

describe('a search', () => {
  it('wants every word somewhere, in any case and order, and shows all where nothing is typed', () => {
    const texts = ['Thumb 4', 'Shift S = Sonar sweep']
    expect(matchesFilter('', texts)).toBe(true)
    expect(matchesFilter('  SWEEP thumb ', texts)).toBe(true)
    expect(matchesFilter('sweep thumb 5', texts)).toBe(false)
  })
})
