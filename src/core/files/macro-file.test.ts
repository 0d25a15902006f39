import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { firstItems } from '../base/items'
import type { ProfileError } from '../base/errors'
import { anyEvents } from '../document/any-macro.test-support'
import { emptyMacro, shelfOf, type Macro } from '../document/macro'
import { macrosFromCsv, macrosToCsv } from './macro-csv'
import { macrosFromJson, macrosToJson } from './macro-json'
import { refusalOf } from '../../messages/english.test-support'
import { englishText } from '../../messages/plain'

const anyName = fc.constantFrom('Sweep, "wide"', '=1+1', "'=x", '-Winch', '+', '@sum', "''-", ' spaced ')
const anyText = fc.constantFrom('=cmd()', '-1', "'@", ' =', '\t=', 'all clear\n')
const anyMacro = fc
  .tuple(
    fc.uuid(),
    anyEvents,
    anyName,
    fc.subarray(['salvage', '=tag', '-x']),
    fc.array(anyText, { maxLength: 2 }),
  )
  .map(([id, events, name, tags, texts]): Macro => ({
    ...emptyMacro(id, name),
    tags,
    events: [...events, ...texts.map((text) => ({ kind: 'text' as const, text, afterMs: 0 }))],
  }))
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

  it('come back from a table the same, those of one name, empty ones and tags among them, and no cell is a formula', () => {
    fc.assert(
      fc.property(fc.array(anyMacro, { minLength: 1, maxLength: 3 }), (macros) => {
        const text = macrosToCsv(macros, () => undefined)
        const back = macrosFromCsv(text, () => undefined, ids())
        expect(back).toEqual(macros.map((macro, index) => ({ ...macro, id: `new-${index + 1}` })))
        for (const cells of Papa.parse<string[]>(text).data)
          for (const cell of cells.filter((each) => !/^-?[\d ]/.test(each)))
            expect(cell).not.toMatch(/^[=+\-@\t\r]/)
      }),
    )
  })

  it('know each other by name in a table, and read what a spreadsheet makes of it', () => {
    const text =
      '\ufeffMacro;Wait ms;Does;What\r\nInner;0;press;KeyA\r\nOuter;5;play;Inner\r\n;;;\r\nOuter;5;wait;20\r\n'
    const [inner, outer] = firstItems(
      macrosFromCsv(text, () => undefined, ids()),
      2,
    )
    expect(inner.events).toEqual([{ kind: 'key', code: 'KeyA', does: 'press', afterMs: 0 }])
    expect(outer.events).toEqual([
      { kind: 'macro', macro: inner.id, afterMs: 5 },
      { kind: 'pause', fromMs: 20, toMs: 20, afterMs: 5 },
    ])
    expect(macrosToCsv([outer], (id) => shelfOf([inner]).get(id)?.name)).toContain('Outer,5,play,Inner')
  })

  it.each([
    ['{"format": ', /Not valid JSON: line 1, column 12: expected a value/],
    ['{"a": 1,\n "a": 2}', /Line 2, column 2: “a” appears twice/],
    ['['.repeat(2000), /more than 60 nested objects/],
    ['{"format": "unisera-macros", "version": 2, "macros": []}', /reads version 1/],
    ['{"format": "unisera-macros", "version": 1}', /macros: Missing/],
    ['{"format": "unisera-macros", "version": 1, "macros": [{"format": "unisera-macro"}]}', /macros\[0\]: /],
  ])('are refused: %s', (text, message) => {
    expect(refusalOf(() => macrosFromJson(text))).toMatch(message)
  })

  it('are refused with the first hundred findings, two of one id among them', () => {
    const events = Array.from({ length: 20_000 }, () => ({
      kind: 'key',
      code: 'KeyÄ',
      does: 'press',
      afterMs: 0,
    }))
    try {
      macrosFromJson(JSON.stringify({ ...emptyMacro('a', 'Sweep'), events }))
      expect.unreachable()
    } catch (error) {
      expect((error as ProfileError).problems).toHaveLength(100)
      expect(englishText((error as ProfileError).problems[99] ?? '')).toMatch(
        /^events\[99\]\.code: “KeyÄ” is not the code/,
      )
    }
    const twins = [emptyMacro('a', 'Sweep'), emptyMacro('a', 'Winch')]
    expect(refusalOf(() => macrosFromJson(macrosToJson(twins)))).toMatch(
      /macros\[1\]: “Winch” has the id of “Sweep”/,
    )
  })

  it('never read a table in any other way than whole or refused', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (head, body) => {
        try {
          const read = macrosFromCsv(`macro,wait ms,does,what\n${head},0,${body}\n`, () => undefined, ids())
          expect(read.every(({ name }) => name !== '')).toBe(true)
        } catch (error) {
          expect(error).toHaveProperty('problems')
        }
      }),
    )
  })
})
