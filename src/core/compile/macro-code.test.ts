import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyEvents, anyOps, key, macro } from '../document/any-macro.test-support'
import { lowerMacro } from '../terms/lower-macro'
import { shelfOf, shelfWithin } from '../document/macro'
import { cachedCode, compileMacro, cacheCode } from './macro-code-cache'
import { raiseMacro } from './raise'
import { ImageError } from '../base/bytes'
import { foldRepeats, unfoldRepeats } from '../onboard/fold'
import { opBytes, readMacro, writeMacro } from '../onboard/macro-code'

describe('byte code', () => {
  it('takes a byte for a key and for a short wait: a combo of 20 events within 64, a repeater within 8', () => {
    const human = Array.from({ length: 10 }, (_, index) => {
      const code = `Key${'YBLSWFXTRG'[index]}`
      return [key(code, 'press', index === 0 ? 0 : 95 + 13 * index), key(code, 'release', 62 + 7 * index)]
    }).flat()
    expect(writeMacro(lowerMacro(macro(human), shelfOf([]), { layout: 'us' })).length).toBeLessThanOrEqual(64)
    const repeater = macro([
      key('KeyK', 'press', 0),
      key('KeyK', 'release', 30),
      { kind: 'pause', fromMs: 50, toMs: 50, afterMs: 0 },
    ])
    expect(writeMacro(lowerMacro(repeater, shelfOf([]), { layout: 'us' })).length).toBeLessThanOrEqual(8)
    expect(opBytes({ kind: 'wait', ms: 112 })).toBe(1)
    expect(opBytes({ kind: 'wait', ms: 113 })).toBe(2)
    expect(opBytes({ kind: 'wait', ms: 4209 })).toBeLessThanOrEqual(4)
    // A movement of one signed byte per axis is short.
    for (const [x, y, bytes] of [
      [127, -128, 3],
      [128, 0, 6],
      [0, 128, 6],
      [-129, 0, 6],
      [0, -129, 6],
    ] as const) {
      expect(opBytes({ kind: 'move', x, y })).toBe(bytes)
      expect(readMacro(writeMacro([{ kind: 'move', x, y }]))).toEqual([{ kind: 'move', x, y }])
    }
  })

  it('needs only the macros that one plays, and is taken from a worker that has made it', () => {
    const inner = { ...macro([key('KeyK', 'press', 0)]), id: 'inner' }
    const outer = macro([{ kind: 'macro', macro: 'inner', afterMs: 5 }])
    const other = { ...macro([key('KeyL', 'press', 0)]), id: 'other' }
    const [shelf, on] = [shelfOf([inner, outer, other]), { layout: 'us' } as const]
    const within = shelfWithin(outer, shelf)
    expect([...within.keys()]).toEqual(['inner'])
    const made = Uint8Array.from(compileMacro({ ...outer }, within, on))
    expect(cachedCode(outer, shelf, on)).toBeUndefined()
    cacheCode(outer, shelf, on, made)
    expect(compileMacro(outer, shelf, on)).toBe(made)
    expect(cachedCode(outer, shelf, { layout: 'de' })).toBeUndefined()
    expect(writeMacro(lowerMacro(outer, shelf, on))).toEqual(made)
  })

  it('is read back as it was written', () => {
    fc.assert(
      fc.property(anyOps, (ops) => {
        expect(readMacro(writeMacro(ops))).toEqual(ops)
      }),
    )
  })

  it('folds what comes again behind itself, the piece that saves most, and nothing that saves nothing', () => {
    const wait = (ms: number) => ({ kind: 'wait', ms }) as const
    const press = (usage: number) => ({ kind: 'key', usage }) as const
    const pair = [press(4), wait(300)]
    expect(foldRepeats(Array.from({ length: 5 }, () => pair).flat())).toEqual([
      { kind: 'repeat', times: 5, body: pair },
    ])
    // Two short ones need as many bytes as their repeat.
    expect(foldRepeats([press(4), press(4)])).toEqual([press(4), press(4)])
    // A repeat inside a repeat.
    const line = [...Array.from({ length: 6 }, () => pair).flat(), press(5)]
    expect(foldRepeats([...line, ...line, ...line])).toEqual([
      { kind: 'repeat', times: 3, body: [{ kind: 'repeat', times: 6, body: pair }, press(5)] },
    ])
  })

  it('folds repeats where that saves bytes, to the same when unfolded', () => {
    fc.assert(
      fc.property(fc.array(anyOps, { maxLength: 4 }), fc.nat(6), (parts, again) => {
        const ops = parts.flatMap((part) => Array.from({ length: 1 + again }, () => part).flat())
        const folded = foldRepeats(ops)
        expect(unfoldRepeats(folded)).toEqual(unfoldRepeats(ops))
        expect(writeMacro(folded).length).toBeLessThanOrEqual(writeMacro(ops).length)
        expect(readMacro(writeMacro(folded))).toEqual(folded)
      }),
    )
    const tapped = Array.from({ length: 30 }, () => [
      key('KeyK', 'press', 40),
      key('KeyK', 'release', 20),
    ]).flat()
    expect(writeMacro(lowerMacro(macro(tapped), shelfOf([]), { layout: 'us' })).length).toBeLessThanOrEqual(
      10,
    )
  })

  it.each<[string, number[], RegExp]>([
    ['a repeat that does not end', [2, 5, 4], /without an end/],
    ['an end of no repeat', [4, 3], /unknown code/],
    ['repeats too deep', [2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 3, 3, 3, 3, 3], /more than 4 repeats/],
    ['half an operation of a later version', [0x7f, 99, 2, 1], /Incomplete/],
    ['a repeat of nothing', [2, 2, 3], /empty repeat/],
    ['a button beyond all', [0x7c, 9], /button 9/],
    ['more in one pass than a device does', [2, 0x90, 0x4e, 2, 11, 4, 3, 3], /110,000 steps/],
    ['more at once than a device does', [2, 0x81, 0x20, 4, 3], /4097 steps, but a device plays at most 4096/],
    ['half a wait', [0xf3], /Incomplete/],
    ['no repeats at all', [2, 0, 3], /repeats 0 times/],
  ])('refuses %s', (_, code, reason) => {
    expect(() => readMacro(Uint8Array.from(code))).toThrow(reason)
  })

  it('never crashes on noise', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), (noise) => {
        try {
          readMacro(noise)
        } catch (error) {
          expect(error).toBeInstanceOf(ImageError)
        }
      }),
    )
  })

  it('of any macro leads back to a macro of the same code', () => {
    fc.assert(
      fc.property(anyEvents, (events) => {
        const code = writeMacro(lowerMacro(macro(events), shelfOf([]), { layout: 'us' }))
        const raised = raiseMacro(code, 'x', 'x', { layout: 'us' })
        expect(writeMacro(lowerMacro(raised, shelfOf([]), { layout: 'us' }))).toEqual(code)
      }),
    )
  })
})
