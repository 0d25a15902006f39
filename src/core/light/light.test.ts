import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromHex, toHex } from '../base/colour'
import { frameTimeUs, meanColour, zoneColour } from './effects'
import type { LightEffect } from '../onboard/light-effect'

const amber = { red: 255, green: 128, blue: 0 }
const breathing: LightEffect = { kind: 'breathing', colour: amber, brightness: 100, periodMs: 4000 }
const cycle: LightEffect = { kind: 'cycle', brightness: 100, periodMs: 6000 }

const channel = fc.nat(255)
const anyEffect: fc.Arbitrary<LightEffect> = fc
  .record({
    colour: fc.record({ red: channel, green: channel, blue: channel }),
    brightness: fc.integer({ min: 1, max: 100 }),
    periodMs: fc.integer({ min: 500, max: 10_000 }),
    kind: fc.constantFrom('off' as const, 'solid' as const, 'breathing' as const, 'cycle' as const),
  })
  .map(({ kind, colour, brightness, periodMs }): LightEffect => {
    if (kind === 'off') return { kind }
    if (kind === 'solid') return { kind, colour, brightness }
    return kind === 'cycle' ? { kind, brightness, periodMs } : { kind, colour, brightness, periodMs }
  })

describe('light effects', () => {
  it('drive every channel within 0 to 255 and never above the brightness that is set', () => {
    fc.assert(
      fc.property(anyEffect, fc.nat(1e9), (effect, timeUs) => {
        const colour = zoneColour([effect], timeUs)
        const most = 'brightness' in effect ? Math.ceil((255 * effect.brightness) / 100) : 0
        for (const value of Object.values(colour)) {
          expect(Number.isInteger(value)).toBe(true)
          expect(value).toBeGreaterThanOrEqual(0)
          expect(value).toBeLessThanOrEqual(most)
        }
      }),
    )
  })

  it('come round after their period', () => {
    fc.assert(
      fc.property(anyEffect, (effect) => {
        // Fifty periods are a whole number of frames, whatever the period in ms.
        const atStart = zoneColour([effect], 0)
        const afterFifty = 'periodMs' in effect ? zoneColour([effect], effect.periodMs * 1000 * 50) : atStart
        expect(afterFifty).toEqual(atStart)
      }),
    )
  })

  it('change sixty times a second and stand still in between', () => {
    const seen = new Set<number>()
    for (let timeUs = 0; timeUs < 1e6; timeUs += 250) seen.add(frameTimeUs(timeUs))
    expect(seen.size).toBe(60)
    for (const frame of seen) expect(frameTimeUs(frame)).toBeLessThanOrEqual(frame)
  })

  it('breathe from dark to full and back, evenly about the middle', () => {
    expect(zoneColour([breathing], 0)).toEqual({ red: 0, green: 0, blue: 0 })
    expect(zoneColour([breathing], 2e6)).toEqual(amber)
    const [up, down] = [1e6, 3e6].map((timeUs) => zoneColour([breathing], timeUs).red)
    expect(Math.abs(up - down)).toBeLessThanOrEqual(1)
    expect(up).toBe(64)
  })

  it('cycle through red, green and blue, a third of the period apart', () => {
    expect(zoneColour([cycle], 0)).toEqual({ red: 255, green: 0, blue: 0 })
    expect(zoneColour([cycle], 2e6)).toEqual({ red: 0, green: 255, blue: 0 })
    expect(zoneColour([cycle], 4e6)).toEqual({ red: 0, green: 0, blue: 255 })
  })

  it('show the top of the stack, and nothing where there is none', () => {
    expect(zoneColour([{ kind: 'off' }, cycle], 0)).toEqual({ red: 0, green: 0, blue: 0 })
    expect(zoneColour([], 0)).toEqual({ red: 0, green: 0, blue: 0 })
  })

  it('have the mean their shape has: three eighths of full for breathing, half a channel for cycle', () => {
    const mean = meanColour([breathing])
    expect(mean.red / 255).toBeCloseTo(3 / 8, 2)
    expect(mean.green / 128).toBeCloseTo(3 / 8, 2)
    for (const value of Object.values(meanColour([cycle]))) expect(value / 255).toBeCloseTo(1 / 2, 2)
    expect(meanColour([{ kind: 'solid', colour: amber, brightness: 50 }])).toEqual({
      red: 128,
      green: 64,
      blue: 0,
    })
  })
})

describe('colours', () => {
  it('go to hex and back', () => {
    fc.assert(
      fc.property(fc.record({ red: channel, green: channel, blue: channel }), (colour) => {
        expect(fromHex(toHex(colour))).toEqual(colour)
      }),
    )
    for (const wrong of ['red', '#12345', '#1234567', '123456', '#12345g', '']) {
      expect(() => fromHex(wrong)).toThrow(RangeError)
    }
  })
})
