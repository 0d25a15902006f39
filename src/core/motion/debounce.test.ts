import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { debounceEdges, type Debounce } from './debounce'
import { debounceOutcome, simulateClicks } from './worn-switch'

const anySetting: fc.Arbitrary<Debounce> = fc.record({
  strategy: fc.constantFrom('eager' as const, 'deferred' as const),
  us: fc.integer({ min: 0, max: 25_000 }),
})
/** Any contact: gaps between edges that alternately close and open. */
const anyEdges = fc.array(fc.integer({ min: 1, max: 40_000 }), { maxLength: 60 }).map((gaps) => {
  let atUs = 0
  return gaps.map((gap, index) => ({ atUs: (atUs += gap), closed: index % 2 === 0 }))
})

describe('debounce', () => {
  it('alternates, ends as the contact ends, and never changes twice within its time', () => {
    fc.assert(
      fc.property(anyEdges, anySetting, (edges, setting) => {
        const out = debounceEdges(edges, setting)
        out.forEach(({ down }, index) => expect(down).toBe(index % 2 === 0))
        expect(out.at(-1)?.down ?? false).toBe(edges.at(-1)?.closed ?? false)
        out
          .slice(1)
          .forEach(({ atUs }, index) =>
            expect(atUs - itemAt(out, index).atUs).toBeGreaterThanOrEqual(setting.us),
          )
      }),
    )
  })

  it('is never late when eager, and late by just its time when deferred', () => {
    fc.assert(
      fc.property(
        anyEdges.filter(({ length }) => length > 0),
        fc.integer({ min: 1, max: 25_000 }),
        (edges, us) => {
          expect(debounceEdges(edges, { strategy: 'eager', us })[0]).toEqual({
            atUs: itemAt(edges, 0).atUs,
            down: true,
          })
          for (const { atUs } of debounceEdges(edges, { strategy: 'deferred', us }))
            expect(edges.some((edge) => edge.atUs + us === atUs)).toBe(true)
        },
      ),
    )
  })

  it('lets fewer double clicks of a worn switch through the longer it is; deferred pays in delay', () => {
    const series = simulateClicks(1500, { wear: 0.8, seed: 11 })
    const eager = [0, 2, 8, 25].map((ms) => debounceOutcome(series, 'eager', ms))
    const doubled = eager.map((each) => each.doubled)
    expect(doubled).toEqual([...doubled].sort((a, b) => b - a))
    expect(doubled[0]).toBeGreaterThan(0.5)
    const deferred = debounceOutcome(series, 'deferred', 8)
    expect(deferred.doubled).toBeLessThan(itemAt(eager, 2).doubled)
    expect(deferred.delayMs).toBeGreaterThan(8)
    expect(eager.every(({ delayMs }) => delayMs === 0)).toBe(true)
    expect(debounceOutcome(simulateClicks(500, { wear: 0, seed: 3 }), 'eager', 8).doubled).toBe(0)
  })
})
