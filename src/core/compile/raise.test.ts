import { describe, expect, it } from 'vitest'
import { MAX_DELAY_MS } from '../document/event-kinds'
import { lowerMacro } from '../terms/lower-macro'
import { EMPTY_SHELF, MAX_EVENTS } from '../document/macro'
import { countOperations } from '../onboard/macro-budget'
import { readMacro, writeMacro } from '../onboard/macro-code'
import type { MacroOp } from '../onboard/macro-ops'
import { raiseMacro } from './raise'

const US = { layout: 'us' } as const
/** Down the first time, up the next. */
const key: MacroOp = { kind: 'key', usage: 4 }
const wait = (ms: number): MacroOp => ({ kind: 'wait', ms })
const raised = (ops: readonly MacroOp[], room?: number) => raiseMacro(writeMacro(ops), 'x', 'X', US, room)
const kinds = (ops: readonly MacroOp[], room?: number) => raised(ops, room).events.map(({ kind }) => kind)

describe('a macro that is read back', () => {
  it('is written out as far as there is room for it, and else the code it is', () => {
    const code = [key, wait(10), key, wait(5)]
    const { steps } = countOperations(readMacro(writeMacro(code)))
    expect(kinds(code, steps)).toEqual(['key', 'key', 'pause'])
    expect(kinds(code, steps - 1)).toEqual(['code'])
    expect(raised(code, steps - 1).events[0]).toMatchObject({
      bytes: Buffer.from(writeMacro(code)).toString('hex'),
      afterMs: 0,
    })
    expect(raised(code)).toMatchObject({ id: 'x', name: 'X' })
  })

  it('of more events than a macro may have is the code it is', () => {
    const pairs = (count: number): MacroOp[] => [
      { kind: 'repeat', times: count, body: [key, wait(1), key, wait(1)] },
    ]
    const room = 10 * MAX_EVENTS
    expect(raised(pairs(MAX_EVENTS / 2 - 1), room).events.length).toBe(MAX_EVENTS - 1)
    expect(kinds(pairs(MAX_EVENTS / 2 + 1), room)).toEqual(['code'])
  })

  it('has its long waits in as few pauses as hold them, and comes to the same code again', () => {
    for (const ms of [1, MAX_DELAY_MS, MAX_DELAY_MS + 1, 2 * MAX_DELAY_MS, 5 * MAX_DELAY_MS + 7]) {
      const code = writeMacro([wait(ms), key, wait(3), key])
      const macro = raiseMacro(code, 'x', 'X', US)
      expect(macro.events.every(({ afterMs }) => afterMs <= MAX_DELAY_MS)).toBe(true)
      const pauses = macro.events.filter(({ kind }) => kind === 'pause').length
      expect(pauses, `${ms} ms`).toBe(Math.ceil(Math.max(0, ms - MAX_DELAY_MS) / (2 * MAX_DELAY_MS)))
      expect(writeMacro(lowerMacro(macro, EMPTY_SHELF, US))).toEqual(code)
    }
  })

  it('that no device plays, or that says otherwise what it does, is kept byte for byte', () => {
    const bytes = (...code: number[]) => raiseMacro(new Uint8Array(code), 'x', 'X', US).events
    expect(bytes(2, 0, 3)).toEqual([{ kind: 'code', bytes: '020003', afterMs: 0 }])
    // A repeat that the writer would not have folded.
    const unfolded = writeMacro([{ kind: 'repeat', times: 2, body: [key] }])
    expect(raiseMacro(unfolded, 'x', 'X', US).events).toEqual([
      { kind: 'code', bytes: Buffer.from(unfolded).toString('hex'), afterMs: 0 },
    ])
  })
})
