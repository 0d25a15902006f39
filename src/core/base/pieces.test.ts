import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PieceJoiner, splitIntoPieces } from './pieces'
import { runs } from './runs.test-support'

const gathered = (value: unknown): unknown => {
  const gathering = new PieceJoiner()
  for (const piece of splitIntoPieces(value)) gathering.add(structuredClone(piece))
  return gathering.whole()
}

describe('what goes from thread to thread in pieces', () => {
  it('is the same at the other end, whatever it is', () => {
    const long = fc.array(fc.jsonValue({ maxDepth: 2 }), { minLength: 99, maxLength: 400, size: 'max' })
    fc.assert(
      fc.property(fc.oneof(fc.jsonValue(), fc.array(long), fc.record({ a: long, b: long })), (value) => {
        expect(gathered(value)).toEqual(structuredClone(value))
      }),
      runs(20),
    )
  })

  it('goes in pieces that are each read in little time, the arrays within long arrays too', () => {
    const events = (count: number) =>
      Array.from({ length: count }, (_, at) => ({ kind: 'wait', afterMs: at }))
    const library = { macros: Array.from({ length: 150 }, (_, at) => ({ id: at, events: events(at * 20) })) }
    expect(gathered(library)).toEqual(library)
    const sizes = [...splitIntoPieces(library)].map((piece) => JSON.stringify(piece).length)
    expect(Math.max(...sizes)).toBeLessThan(60_000)
    expect(sizes.length).toBeGreaterThan(100)
  })
})
