import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { runs } from '../base/runs.test-support'
import type { Press } from './effect'
import { ALL, RED, set, covers } from './painting.test-support'

describe('effects of presses', () => {
  it('a ripple is where its ring is by now, and weaker with its age', () => {
    const by = fc.record({
      periodMs: fc.integer({ min: 100, max: 2000 }),
      spreadMm: fc.integer({ min: 10, max: 300 }),
      widthMm: fc.integer({ min: 2, max: 60 }),
      decayMs: fc.integer({ min: 100, max: 3000 }),
    })
    fc.assert(
      fc.property(by, fc.integer({ min: 1, max: 5 }), fc.nat(3500), (values, input, ageMs) => {
        const ripple = set('ripple', { colour: RED, brightness: 100, ...values })
        const presses = [{ input, atMs: 1000 }]
        const radius = (ageMs / values.periodMs) * values.spreadMm
        covers(ripple, { ms: 1000 + ageMs, presses }).forEach((cover, light) => {
          const away = Math.abs(light - (input - 1)) * 10
          const near = Math.max(0, 1 - Math.abs(away - radius) / values.widthMm)
          const wanted = ageMs >= values.decayMs ? 0 : near * (1 - ageMs / values.decayMs)
          // A tenth of a millimetre is the resolution.
          expect(Math.abs(cover - wanted)).toBeLessThanOrEqual(0.11 / values.widthMm + 0.001)
        })
      }),
      runs(80),
    )
  })

  it('of two rings the stronger one shows; none before its press, none of an input that is nowhere', () => {
    const ripple = set('ripple', { colour: RED, periodMs: 400, spreadMm: 100, widthMm: 20, decayMs: 1000 })
    const press = (input: number, atMs: number): Press => ({ input, atMs })
    const after = (each: Press) => covers(ripple, { ms: 300, presses: [each] })
    const [early, late] = [after(press(1, 0)), after(press(6, 200))]
    const both = covers(ripple, { ms: 300, presses: [press(1, 0), press(6, 200)] })
    expect(both).toEqual(ALL.map((light) => Math.max(itemAt(early, light), itemAt(late, light))))
    expect(Math.max(...both)).toBeGreaterThan(0.5)
    const none = ALL.map(() => 0)
    expect(covers(ripple, { ms: 300, presses: [press(1, 301)] })).toEqual(none)
    expect(covers(ripple, { ms: 300, presses: [press(99, 290)] })).toEqual(none)
    expect(covers(ripple, { ms: 300 })).toEqual(none)
  })

  it('a glow is full while its input is held and fades in its time when it is let go', () => {
    const glow = set('glow', { colour: RED, decayMs: 1000, reachMm: 0, delayMs: 0 })
    const at = (ms: number, upMs?: number) => covers(glow, { ms, presses: [{ input: 3, atMs: 100, upMs }] })
    expect(at(99)).toEqual([0, 0, 0, 0, 0, 0])
    expect(at(100)).toEqual([0, 0, 1, 0, 0, 0])
    expect(at(5000)).toEqual([0, 0, 1, 0, 0, 0])
    expect(at(700, 200)[2]).toBeCloseTo(0.5, 3)
    expect(at(1199, 200)[2]).toBeCloseTo(0.001, 3)
    expect(at(1200, 200)[2]).toBe(0)
    // The light nearest to an input without its own light.
    expect(covers(glow, { ms: 10, chosen: [4, 5], presses: [{ input: 2, atMs: 0 }] })).toEqual([1, 0])
    const twice = [
      { input: 3, atMs: 0, upMs: 10 },
      { input: 3, atMs: 500 },
    ]
    expect(covers(glow, { ms: 600, presses: twice })[2]).toBe(1)
  })

  it('within its reach the others glow too, less and later the further they are', () => {
    const by = fc.record({
      decayMs: fc.integer({ min: 100, max: 2000 }),
      reachMm: fc.integer({ min: 0, max: 60 }),
      delayMs: fc.integer({ min: 0, max: 300 }),
    })
    fc.assert(
      fc.property(by, fc.nat(3000), fc.option(fc.nat(2000), { nil: undefined }), (values, ms, upMs) => {
        if (upMs !== undefined && upMs > ms) return
        const glow = set('glow', { colour: RED, brightness: 100, ...values })
        covers(glow, { ms, presses: [{ input: 1, atMs: 0, upMs }] }).forEach((cover, light) => {
          const furtherMm = 10 * light
          const lateMs = (furtherMm * values.delayMs) / 10
          const since = upMs === undefined ? 0 : ms - upMs - lateMs
          const near = values.reachMm === 0 ? 1 : 1 - furtherMm / (values.reachMm + 0.1)
          const shows = furtherMm <= values.reachMm && ms >= lateMs && since < values.decayMs
          const wanted = shows ? near * (1 - Math.max(0, since) / values.decayMs) : 0
          expect(Math.abs(cover - wanted), `light ${light}`).toBeLessThan(0.001)
        })
      }),
      runs(120),
    )
  })
})
