import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { capWords } from './cap-words'

describe('words on a key cap', () => {
  it('are whole where they fit, broken between them, and shortened by one rule where they do not', () => {
    expect(capWords('Descend', 7, 2)).toEqual(['Descend'])
    expect(capWords('Roll left', 9, 2)).toEqual(['Roll left'])
    expect(capWords('Roll left', 7, 2)).toEqual(['Roll', 'left'])
    expect(capWords('Previous track', 6, 2)).toEqual(['Previ.', 'track'])
    expect(capWords('Play or pause', 6, 2)).toEqual(['Play', 'or…'])
    expect(capWords('Flood light', 6, 1)).toEqual(['Flood…'])
  })

  it('never take more lines or characters than there are, and never lose the beginning', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 1, max: 3 }),
        (text, per, most) => {
          const lines = capWords(text, per, most)
          expect(lines.length).toBeLessThanOrEqual(most)
          for (const line of lines) expect([...line].length).toBeLessThanOrEqual(per)
          const [first] = [...text.trim()]
          if (first !== undefined) expect(lines[0]?.startsWith(first)).toBe(true)
        },
      ),
    )
  })
})
