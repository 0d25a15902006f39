import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { rankFindables, type Findable } from './rank'

const list: Findable[] = [
  { kind: 'view', text: 'Devices', detail: 'what is here' },
  { kind: 'profile', text: 'Brinewatch', detail: 'Tern 7' },
  { kind: 'input', text: 'Side, front', detail: 'Ctrl+Shift+Y' },
  { kind: 'input', text: 'Side, rear', detail: 'Volume up' },
  { kind: 'setting', text: 'Step 2', detail: '800 DPI', words: 'sensitivity' },
  { kind: 'command', text: 'Undo', detail: 'bind side, front' },
  { kind: 'command', text: 'Capture a key', detail: 'F9' },
  { kind: 'word', text: 'Capture', detail: 'what it means' },
]
const found = (typed: string) => rankFindables(typed, list).map(({ text }) => text)

describe('finding', () => {
  it.each([
    ['side', ['Side, front', 'Side, rear', 'Undo']],
    ['front', ['Side, front', 'Undo']],
    ['volume', ['Side, rear']],
    ['ctrl+shift', ['Side, front']],
    ['SENS', ['Step 2']],
    ['tern brine', ['Brinewatch']],
    ['dev', ['Devices']],
    ['ndo', ['Undo']],
    // A command precedes the glossary term that explains it.
    ['capture', ['Capture a key', 'Capture']],
    ['nowhere', []],
  ])('“%s”', (typed, texts) => {
    expect(found(typed)).toEqual(texts)
  })

  it('leaves all as they are when nothing is typed, and no more than are asked for', () => {
    expect(found('  ')).toEqual(list.map(({ text }) => text))
    expect(rankFindables('', list, 2).length).toBe(2)
  })

  it('survives whatever is typed, and finds a thing by any part of its name', () => {
    fc.assert(
      fc.property(fc.string(), (typed) => rankFindables(typed, list).every((each) => list.includes(each))),
    )
    fc.assert(
      fc.property(
        fc.constantFrom(...list),
        fc.nat(8),
        fc.integer({ min: 1, max: 8 }),
        (thing, from, length) => {
          const part = thing.text.slice(from, from + length)
          expect(rankFindables(part, list)).toContain(thing)
        },
      ),
    )
  })
})
