import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../base/runs.test-support'
import { capabilitiesOf, encodeCapabilities } from './capabilities'
import { foldRepeats, unfoldRepeats } from './fold'
import { repeatedCounts, countOperations } from './macro-budget'
import { MAX_DEPTH, writeMacro } from './macro-code'
import type { MacroOp } from './macro-ops'

const key = (usage: number): MacroOp => ({ kind: 'key', usage })
const wait = (ms: number): MacroOp => ({ kind: 'wait', ms })
const times = (count: number, piece: readonly MacroOp[]): MacroOp[] =>
  Array.from({ length: count }, () => piece).flat()
const piece = (length: number): MacroOp[] => Array.from({ length }, (_, index) => key(4 + index))
const depthOf = (ops: readonly MacroOp[]): number =>
  Math.max(0, ...ops.map((op) => (op.kind === 'repeat' ? 1 + depthOf(op.body) : 0)))

describe('folding repeats', () => {
  it('says the same in no more bytes, whatever is repeated', () => {
    const op = fc.oneof(fc.integer({ min: 4, max: 7 }).map(key), fc.integer({ min: 1, max: 3 }).map(wait))
    const ops = fc
      .array(fc.tuple(fc.array(op, { minLength: 1, maxLength: 4 }), fc.integer({ min: 1, max: 9 })), {
        maxLength: 6,
      })
      .map((pieces) => pieces.flatMap(([body, count]) => times(count, body)))
    fc.assert(
      fc.property(ops, (written) => {
        const folded = foldRepeats(written)
        expect(unfoldRepeats(folded)).toEqual(written)
        expect(writeMacro(folded).length).toBeLessThanOrEqual(writeMacro(written).length)
        expect(depthOf(folded)).toBeLessThanOrEqual(MAX_DEPTH)
      }),
      runs(60),
    )
  })

  it('folds what saves a byte, and leaves what saves none', () => {
    // A repeat needs its body, its count and two marks.
    expect(foldRepeats(times(4, [key(4)]))).toEqual(times(4, [key(4)]))
    expect(foldRepeats(times(5, [key(4)]))).toEqual([{ kind: 'repeat', times: 5, body: [key(4)] }])
    const pair = [key(4), wait(20)]
    expect(foldRepeats(times(2, pair))).toEqual(times(2, pair))
    expect(foldRepeats([key(9), ...times(3, pair), key(9)])).toEqual([
      key(9),
      { kind: 'repeat', times: 3, body: pair },
      key(9),
    ])
    // A key and a delay with the same number are different.
    expect(foldRepeats([key(5), wait(5), key(5), wait(5), key(5), wait(5)])).toEqual([
      { kind: 'repeat', times: 3, body: [key(5), wait(5)] },
    ])
    expect(foldRepeats([key(5), wait(5)])).toEqual([key(5), wait(5)])
  })

  it('looks for pieces of up to 64 operations', () => {
    expect(foldRepeats(times(2, piece(64)))).toEqual([{ kind: 'repeat', times: 2, body: piece(64) }])
    expect(foldRepeats(times(2, piece(65)))).toEqual(times(2, piece(65)))
  })

  it('folds within what it has folded, and not deeper than a device goes', () => {
    const nested = (depth: number): MacroOp[] =>
      depth === 0 ? [key(4)] : times(depth === 1 ? 5 : 2, [...nested(depth - 1), key(4 + depth)])
    for (const depth of [2, 3, 4, 5]) {
      const ops = foldRepeats(nested(depth))
      expect(depthOf(ops), String(depth)).toBe(Math.min(depth, MAX_DEPTH))
      expect(unfoldRepeats(ops)).toEqual(nested(depth))
    }
  })
})

describe('the weight of a repeat', () => {
  it('counts what stands at the seam of two passes, and nothing at one', () => {
    const body = [key(4), key(4), wait(10), key(5), key(5), key(5)]
    const once = countOperations(body)
    expect(once).toMatchObject({ steps: 6, first: 2, last: 3, max: 3 })
    expect(repeatedCounts(once, 1)).toEqual(once)
    expect(repeatedCounts(once, 2)).toMatchObject({ steps: 12, first: 2, last: 3, max: 5 })
    expect(repeatedCounts(countOperations([key(4), wait(0)]), 3)).toMatchObject({
      steps: 6,
      max: 6,
      passesTime: false,
    })
  })
})

describe('the table of a firmware', () => {
  it('has its numbers in order', () => {
    const abilities = {
      ...capabilitiesOf({ major: 1, minor: 0 }),
      effects: new Set([9, 1, 4]),
      settings: new Set([7, 2]),
    }
    expect([...encodeCapabilities(abilities, new Uint8Array())].slice(0, 11)).toEqual([
      1, 3, 0, 1, 4, 9, 2, 2, 0, 2, 7,
    ])
  })
})
