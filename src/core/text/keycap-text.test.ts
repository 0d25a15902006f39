import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keycapText } from './keycap-text'

describe('words on a key cap', () => {
  it('are whole where they fit, broken between them, and shortened by one rule where they do not', () => {
    expect(keycapText('Descend', 7, 2)).toEqual(['Descend'])
    expect(keycapText('Roll left', 9, 2)).toEqual(['Roll left'])
    expect(keycapText('Roll left', 7, 2)).toEqual(['Roll', 'left'])
    expect(keycapText('Previous track', 6, 2)).toEqual(['Previ.', 'track'])
    expect(keycapText('Play or pause', 6, 2)).toEqual(['Play', 'or…'])
    expect(keycapText('Flood light', 6, 1)).toEqual(['Flood…'])
  })

  it('never take more lines or characters than there are, and never lose the beginning', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.integer({ min: 2, max: 12 }),
        fc.integer({ min: 1, max: 3 }),
        (text, per, max) => {
          const lines = keycapText(text, per, max)
          expect(lines.length).toBeLessThanOrEqual(max)
          for (const line of lines) expect([...line].length).toBeLessThanOrEqual(per)
          const [first] = [...text.trim()]
          if (first !== undefined) expect(lines[0]?.startsWith(first)).toBe(true)
        },
      ),
    )
  })
})
