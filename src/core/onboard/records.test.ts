import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { ByteReader, ByteWriter, ImageError } from '../base/bytes'
import { bindingBytes, readAction, writeAction } from '../actions/records'
import { behaviourOf } from '../actions/registry'
import type { ImageAction } from '../actions/registry'
import { readMacro, writeMacro } from './macro-code'
import type { MacroOp } from './macro-ops'
import {
  ONE_DELAY,
  sequenceCounts,
  BUDGET,
  NO_OPERATIONS,
  findBudgetProblem,
  repeatedCounts,
  countOperations,
} from './macro-budget'
import { ALTGR_BIT, readStrokes, SHIFT_BIT, writeStrokes, type Stroke } from '../actions/strokes'
import { readTagged, writeTagged } from '../actions/tagged'

/** Records byte by byte, as in docs/onboard-format.md: the written form, and other forms with the same meaning. */

const written = (action: ImageAction): number[] => {
  const writer = new ByteWriter()
  writeAction(writer, action)
  return [...writer.toBytes()]
}
const read = (...bytes: number[]): ImageAction => readAction(new ByteReader(Uint8Array.from(bytes)))
/** A record with a code and a payload shorter than seven bytes. */
const record = (code: number, ...payload: number[]): number[] => [(code << 3) | payload.length, ...payload]

describe('the record of an action', () => {
  const cases: [ImageAction, number[]][] = [
    [{ kind: 'off' }, record(0)],
    [{ kind: 'pass' }, record(14)],
    [{ kind: 'stop-macros' }, record(16)],
    [{ kind: 'key', usage: 4, modifiers: 0 }, record(1, 4)],
    [{ kind: 'key', usage: 0xe7, modifiers: 5 }, record(1, 0xe7, 5)],
    [{ kind: 'key', usage: 6, modifiers: 0, shortcut: 3 }, record(1, 6, 0, 3)],
    [{ kind: 'button', button: 4, clicks: 1 }, record(2, 4)],
    [{ kind: 'button', button: 8, clicks: 2 }, record(2, 8, 2)],
    [{ kind: 'scroll', wheel: -1, pan: 0 }, record(3, 0xff)],
    [{ kind: 'scroll', wheel: 0, pan: 2 }, record(3, 0, 2)],
    [{ kind: 'scroll', wheel: 100, pan: -100 }, record(3, 100, 0x9c)],
    [{ kind: 'consumer', usage: 0xcd }, record(4, 0xcd)],
    [{ kind: 'consumer', usage: 0x223 }, record(4, 0x23, 2)],
    [{ kind: 'step', to: 'next' }, record(5, 0)],
    [{ kind: 'step', to: 'previous' }, record(5, 0xff)],
    [{ kind: 'step', to: 250 }, record(5, 250)],
    [{ kind: 'slot', to: 3 }, record(6, 3)],
    [{ kind: 'layer', layer: 1, how: 'hold' }, record(7, 1)],
    [{ kind: 'layer', layer: 7, how: 'switch' }, record(7, 7, 1)],
    [{ kind: 'light', change: 'previous' }, record(10, 4)],
    [{ kind: 'light', change: 'next' }, record(10, 0)],
    [{ kind: 'hold-step', step: 16 }, record(13, 16)],
    [{ kind: 'hold-step', dpi: 0x1234 }, record(13, 0, 0x34, 0x12)],
    [
      { kind: 'countdown', seconds: 200, colour: { red: 1, green: 2, blue: 3 } },
      record(12, 1, 2, 3, 0xc8, 1),
    ],
    [{ kind: 'macro-parts', press: 0, held: 2, release: 3 }, record(15, 0, 2, 3)],
    [
      { kind: 'macro', macro: 200, play: 'once', gapMs: 0, again: 'ignore', others: 'go-on' },
      record(8, 200, 0),
    ],
    [
      { kind: 'macro', macro: 1, play: 'times', times: 300, gapMs: 5, again: 'restart', others: 'stop' },
      record(8, 1, 0x15, 0xac, 2, 5),
    ],
    [
      { kind: 'macro', macro: 1, play: 'held', gapMs: 128, again: 'stop', others: 'go-on' },
      record(8, 1, 0x0a, 0x80, 1),
    ],
    [
      { kind: 'macro', macro: 1, play: 'toggle', gapMs: 0, again: 'ignore', others: 'go-on' },
      record(8, 1, 3),
    ],
    [
      { kind: 'strokes', purpose: 'folder', strokes: [{ kind: 'tap', usage: 4, modifiers: 0 }] },
      record(11, 3, 4),
    ],
    [
      {
        kind: 'tap-hold',
        thresholdMs: 200,
        decide: 'press',
        tap: { kind: 'off' },
        hold: { kind: 'key', usage: 5, modifiers: 0 },
      },
      record(9, 20, 1, ...record(0), ...record(1, 5)),
    ],
  ]

  it.each(cases)('%j', (action, bytes) => {
    expect(written(action)).toEqual(bytes)
    expect(read(...bytes)).toEqual(action)
    expect(behaviourOf(action)).toEqual(action)
    // One more byte for the number of its input.
    expect(bindingBytes(action)).toBe(1 + bytes.length)
  })

  it('leaves out at its end what is as if left out', () => {
    const same: [number[], ImageAction][] = [
      [record(1, 4, 0), { kind: 'key', usage: 4, modifiers: 0 }],
      [record(1, 4, 2, 0), { kind: 'key', usage: 4, modifiers: 2 }],
      [record(2, 3, 1), { kind: 'button', button: 3, clicks: 1 }],
      [record(8, 9), { kind: 'macro', macro: 9, play: 'once', gapMs: 0, again: 'ignore', others: 'go-on' }],
      [record(15, 6), { kind: 'macro-parts', press: 6, held: 0, release: 0 }],
    ]
    for (const [bytes, action] of same) expect(read(...bytes)).toEqual(action)
  })

  it.each([
    ['a usage that is no key', record(1, 3)],
    ['a usage behind the last key', record(1, 0xe8)],
    ['button 0', record(2, 0)],
    ['button 9', record(2, 9)],
    ['three clicks', record(2, 1, 3)],
    ['a scroll by 0', record(3, 0, 0)],
    ['a scroll too far', record(3, 101)],
    ['a scroll too far back', record(3, 0x9b)],
    ['control 0', record(4, 0)],
    ['a control behind the last', record(4, 0, 4)],
    ['step 251', record(5, 251)],
    ['layer 0', record(7, 0)],
    ['layer 8', record(7, 8)],
    ['a third way to a layer', record(7, 1, 2)],
    ['a change of light that is none', record(10, 5)],
    ['a purpose that is none', record(11, 5, 4)],
    ['a countdown of no time', record(12, 1, 2, 3, 0)],
    ['a countdown of over a day', record(12, 1, 2, 3, 0x81, 0xa3, 5)],
    ['a held step behind the last', record(13, 17)],
    ['a held step of no counts', record(13, 0, 0, 0)],
    ['macro 0', record(8, 0)],
    ['macro 201', record(8, 201)],
    ['a reserved playback mode', record(8, 1, 0x20)],
    ['a fourth way for the same input', record(8, 1, 0x0c)],
    ['a macro played once by count', record(8, 1, 1, 1)],
    ['a gap of over a minute', record(8, 1, 0, 0xe1, 0xd4, 3)],
    ['no macro in any part', record(15, 0, 0, 0)],
    ['too short a time for tap and hold', record(9, 7, 0, ...record(0), ...record(0))],
    ['too long a time for tap and hold', record(9, 151, 0, ...record(0), ...record(0))],
    ['a third way to decide', record(9, 20, 2, ...record(0), ...record(0))],
    ['cut short within', record(12, 1, 2)],
    ['a code of a later version', record(30, 1, 2, 3)],
  ])('keeps %s whole, and does nothing by it', (_, bytes) => {
    const action = read(...bytes)
    expect(action).toEqual({ kind: 'unknown', code: itemAt(bytes, 0) >> 3, payload: bytes.slice(1) })
    expect(behaviourOf(action)).toEqual({ kind: 'off' })
    expect(written(action)).toEqual(bytes)
  })

  it('does what it knows of a longer one and keeps the rest', () => {
    const longer = read(...record(2, 4, 1, 77))
    const does = { kind: 'button', button: 4, clicks: 1 }
    expect(longer).toEqual({ kind: 'unknown', code: 2, payload: [4, 1, 77], does })
    expect(behaviourOf(longer)).toEqual(does)
    expect(written(longer)).toEqual(record(2, 4, 1, 77))
  })

  it('has no tap and hold within another, nor one that is not known', () => {
    const inner = record(9, 20, 0, ...record(0), ...record(0))
    for (const within of [inner, record(9, 1)]) {
      const payload = [20, 0, ...within, ...record(0)]
      expect(read((9 << 3) | 7, payload.length, ...payload)).toMatchObject({ kind: 'unknown', payload })
    }
  })

  it('says its length in a varint where it is long, and is refused where it is cut short', () => {
    const writer = new ByteWriter()
    const payload = Array.from({ length: 200 }, (_, at) => at)
    writeTagged(writer, 31, payload)
    writeTagged(writer, 1, payload.slice(0, 6))
    writeTagged(writer, 1, payload.slice(0, 7))
    const bytes = writer.toBytes()
    expect([...bytes.subarray(0, 3)]).toEqual([0xff, 0xc8, 1])
    const reader = new ByteReader(bytes)
    const found = [readTagged(reader), readTagged(reader), readTagged(reader)]
    expect(found.map(({ code, payload: { left } }) => [code, left])).toEqual([
      [31, 200],
      [1, 6],
      [1, 7],
    ])
    expect(reader.left).toBe(0)
    expect(() => read((1 << 3) | 3, 4)).toThrow(ImageError)
  })
})

describe('strokes', () => {
  const tap = (usage: number, modifiers = 0): Stroke => ({ kind: 'tap', usage, modifiers })

  it.each<[Stroke, number[]]>([
    [tap(4), [4]],
    [tap(0x7f, SHIFT_BIT), [0xff]],
    [tap(0x80), [0, 0, 0x80]],
    [tap(0x80, SHIFT_BIT), [0, SHIFT_BIT, 0x80]],
    [tap(9, ALTGR_BIT), [2, 9]],
    [tap(9, ALTGR_BIT | SHIFT_BIT), [3, 9]],
    [tap(9, 5), [0, 5, 9]],
    [{ kind: 'wait', ms: 2550 }, [1, 255]],
  ])('%j', (stroke, bytes) => {
    expect(writeStrokes([stroke])).toEqual(bytes)
    expect(readStrokes(new ByteReader(Uint8Array.from(bytes)))).toEqual([stroke])
  })

  it('are refused where one is kept free or cut short', () => {
    for (const bytes of [[0x80], [0x83], [0], [0, 1], [1], [2], [3]])
      expect(() => readStrokes(new ByteReader(Uint8Array.from(bytes))), String(bytes)).toThrow(ImageError)
    expect(readStrokes(new ByteReader(Uint8Array.of(0x84)))).toEqual([tap(4, SHIFT_BIT)])
  })
})

describe('the code of a macro', () => {
  const cases: [MacroOp, number[]][] = [
    [{ kind: 'key', usage: 4 }, [4]],
    [{ kind: 'key', usage: 0x73 }, [0x73]],
    [{ kind: 'key', usage: 0xe0 }, [0x74]],
    [{ kind: 'key', usage: 0xe7 }, [0x7b]],
    [{ kind: 'key', usage: 0x74 }, [0x7f, 7, 0x74]],
    [{ kind: 'button', button: 8 }, [0x7c, 8]],
    [{ kind: 'consumer', usage: 0x1cd }, [0x7f, 6, 0xcd, 1]],
    [{ kind: 'wheel', wheel: -1, pan: 0 }, [0x7d, 0xff]],
    [{ kind: 'wheel', wheel: 0, pan: 3 }, [0x7f, 8, 3]],
    [{ kind: 'move', x: 127, y: -128 }, [0x7e, 0x7f, 0x80]],
    [{ kind: 'move', x: -129, y: 300 }, [0x7f, 9, 0x7f, 0xff, 0x2c, 1]],
    [{ kind: 'wait', ms: 1 }, [0x80]],
    [{ kind: 'wait', ms: 112 }, [0xef]],
    [{ kind: 'wait', ms: 113 }, [0xf0, 0]],
    [{ kind: 'wait', ms: 4208 }, [0xff, 0xff]],
    [{ kind: 'wait', ms: 4209 }, [0x7f, 0, 0xf1, 0x20]],
    [{ kind: 'random-wait', fromMs: 30, toMs: 50 }, [0x7f, 1, 30, 20]],
    [{ kind: 'strokes', strokes: [{ kind: 'tap', usage: 4, modifiers: 0 }] }, [0x7f, 2, 1, 4]],
    [{ kind: 'signal', colour: { red: 1, green: 2, blue: 3 } }, [0x7f, 3, 1, 2, 3]],
    [{ kind: 'step', to: 'next' }, [0x7f, 4, 0]],
    [{ kind: 'step', to: 'previous' }, [0x7f, 4, 0xff]],
    [{ kind: 'step', to: 9 }, [0x7f, 4, 9]],
    [{ kind: 'layer', layer: 7 }, [0x7f, 5, 7]],
    [{ kind: 'repeat', times: 300, body: [{ kind: 'key', usage: 4 }] }, [2, 0xac, 2, 4, 3]],
    [{ kind: 'unknown', code: 99, payload: [1, 2] }, [0x7f, 99, 2, 1, 2]],
  ]

  it.each(cases)('%j', (op, bytes) => {
    expect([...writeMacro([op])]).toEqual(bytes)
    expect(readMacro(Uint8Array.from(bytes))).toEqual([op])
  })

  it('has no wait of nothing, and both ways of the wheel as two', () => {
    expect(writeMacro([{ kind: 'wait', ms: 0 }])).toHaveLength(0)
    expect([...writeMacro([{ kind: 'wheel', wheel: 2, pan: -1 }])]).toEqual([0x7d, 2, 0x7f, 8, 0xff])
  })

  it.each([
    ['an end without a repeat', [3]],
    ['a repeat without an end', [2, 5, 4]],
    ['a repeat of nothing', [2, 5, 3]],
    ['a repeat no times', [2, 0, 4, 3]],
    ['a repeat too often', [2, 0x91, 0x4e, 4, 3]],
    ['repeats five deep', [2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 4, 3, 3, 3, 3, 3]],
    ['button 9', [0x7c, 9]],
    ['layer 8', [0x7f, 5, 8]],
    ['step 251', [0x7f, 4, 251]],
    ['a code that is none', [1]],
    ['an end in the middle', [0x7e, 1]],
  ])('is refused for %s', (_, bytes) => {
    expect(() => readMacro(Uint8Array.from(bytes))).toThrow(ImageError)
  })

  it('may repeat four deep', () => {
    expect(() => readMacro(Uint8Array.of(2, 2, 2, 2, 2, 2, 2, 2, 4, 3, 3, 3, 3))).not.toThrow()
  })
})

describe('the budget of a macro', () => {
  const press: MacroOp = { kind: 'key', usage: 4 }
  const wait: MacroOp = { kind: 'wait', ms: 1 }
  /** Expanded and counted one by one. */
  const counted = (ops: readonly MacroOp[]) => {
    const flat = (list: readonly MacroOp[]): MacroOp[] =>
      list.flatMap((op) =>
        op.kind === 'repeat' ? Array.from({ length: op.times }, () => flat(op.body)).flat() : [op],
      )
    let [atOnce, max] = [0, 0]
    const all = flat(ops)
    for (const op of all) {
      atOnce = op.kind === 'wait' && op.ms > 0 ? 0 : atOnce + 1
      max = Math.max(max, atOnce)
    }
    return { steps: all.length, max }
  }

  it('counts repeats without writing them out', () => {
    const body = [press, press, wait, press]
    for (const ops of [
      [],
      [press],
      body,
      [press, { kind: 'repeat' as const, times: 7, body }, press],
      [
        {
          kind: 'repeat' as const,
          times: 9,
          body: [press, { kind: 'repeat' as const, times: 4, body: [press, press] }],
        },
      ],
      [press, { kind: 'repeat' as const, times: 1, body }, wait, press, press, press],
      [{ kind: 'repeat' as const, times: 3, body: [wait, press, press] }, press],
    ])
      expect(countOperations(ops)).toMatchObject(counted(ops))
    expect(repeatedCounts(countOperations(body), 0)).toEqual(NO_OPERATIONS)
    expect(sequenceCounts(NO_OPERATIONS, ONE_DELAY)).toEqual(ONE_DELAY)
  })

  it('a text takes time with each end of a stroke, an empty one none', () => {
    const stroke = { kind: 'tap' as const, usage: 4, modifiers: 0 }
    expect(countOperations([{ kind: 'strokes', strokes: [stroke, stroke, stroke] }])).toMatchObject({
      steps: 6,
      max: 0,
    })
    expect(countOperations([{ kind: 'strokes', strokes: [] }])).toMatchObject({ steps: 1, max: 1 })
    expect(countOperations([{ kind: 'random-wait', fromMs: 0, toMs: 9 }])).toMatchObject({
      passesTime: false,
    })
    expect(countOperations([{ kind: 'random-wait', fromMs: 1, toMs: 9 }])).toMatchObject({ passesTime: true })
  })

  it('says what goes beyond it, and nothing at its very edge', () => {
    const times = (count: number, body: MacroOp[]): MacroOp[] => [{ kind: 'repeat', times: count, body }]
    expect(findBudgetProblem(countOperations(times(BUDGET.atOnce, [press])))).toBeUndefined()
    expect(findBudgetProblem(countOperations(times(BUDGET.atOnce + 1, [press])))).toEqual({
      key: 'too-much-at-once',
      facts: { does: BUDGET.atOnce + 1, max: BUDGET.atOnce },
    })
    const tenths = times(10_000, Array.from({ length: 5 }, () => [press, wait]).flat())
    expect(findBudgetProblem(countOperations(tenths))).toBeUndefined()
    expect(findBudgetProblem(countOperations([...tenths, wait]))).toEqual({
      key: 'too-much-in-one-pass',
      facts: { does: 100_001, max: 100_000 },
    })
  })
})
