import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyEvents } from './any-macro.test-support'
import { emptyMacro, shelfOf, type Macro } from './macro'
import { macrosFromCsv, macrosToCsv } from './macro-csv'
import { macrosFromJson, macrosToJson } from './macro-json'

const anyMacro = fc
  .tuple(fc.uuid(), anyEvents)
  .map(([id, events]): Macro => ({ ...emptyMacro(id, 'Sweep, "wide"'), events }))
const ids = () => {
  let count = 0
  return () => `new-${++count}`
}

describe('macros as files', () => {
  it('come back from JSON as they were', () => {
    fc.assert(
      fc.property(fc.array(anyMacro, { minLength: 1, maxLength: 4 }), (macros) => {
        expect(macrosFromJson(macrosToJson(macros))).toEqual(macros)
      }),
    )
  })

  it('come back from a table with the same events', () => {
    fc.assert(
      fc.property(anyMacro, (macro) => {
        fc.pre(macro.events.length > 0)
        const [back] = macrosFromCsv(
          macrosToCsv([macro], () => undefined),
          () => undefined,
          ids(),
        )
        expect(back).toEqual({ ...macro, id: 'new-1' })
      }),
    )
  })

  it('know each other by name in a table, and read what a spreadsheet makes of it', () => {
    const text =
      '\ufeffMacro;Wait ms;Does;What\r\nInner;0;press;KeyA\r\nOuter;5;play;Inner\r\n;;;\r\nOuter;5;wait;20\r\n'
    const [inner, outer] = macrosFromCsv(text, () => undefined, ids())
    expect(inner.events).toEqual([{ kind: 'key', code: 'KeyA', does: 'press', afterMs: 0 }])
    expect(outer.events).toEqual([
      { kind: 'macro', macro: inner.id, afterMs: 5 },
      { kind: 'pause', fromMs: 20, toMs: 20, afterMs: 5 },
    ])
    expect(macrosToCsv([outer], (id) => shelfOf([inner]).get(id)?.name)).toContain('Outer,5,play,Inner')
  })

  it.each([
    ['{"format": ', /no JSON/],
    ['{"format": "unisera-macros", "version": 2, "macros": []}', /reads version 1/],
    ['{"format": "unisera-macros", "version": 1}', /macros is missing/],
    ['{"format": "unisera-macros", "version": 1, "macros": [{"format": "unisera-macro"}]}', /macros\[0\]: /],
  ])('are refused: %s', (text, message) => {
    expect(() => macrosFromJson(text)).toThrow(message)
  })

  it('never read a table in any other way than whole or refused', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (head, body) => {
        try {
          const read = macrosFromCsv(`macro,wait ms,does,what\n${head},0,${body}\n`, () => undefined, ids())
          expect(read.every(({ events }) => events.length > 0)).toBe(true)
        } catch (error) {
          expect(error).toHaveProperty('problems')
        }
      }),
    )
  })
})
