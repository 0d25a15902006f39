import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import type { MacroOp } from '../onboard/macro-ops'
import { ProfileError } from './schema'
import { macroFigures, delayedEventsAt } from '../compile/analysis'
import {
  copyEvents,
  duplicateEvents,
  insertEvents,
  moveEvents,
  pressAndRelease,
  removeEvents,
  renameMacro,
  scaleTimes,
  setDelay,
  setEveryDelay,
  setTags,
} from '../edits/macro-edits'
import { eventDurations } from '../compile/event-durations'
import { lowerMacro, lowerUnfolded } from '../terms/lower-macro'
import { macrosWithin, parseMacro, shelfOf, type Macro, type MacroEvent } from './macro'
import { anyCombo, anyEvents, key, macro } from './any-macro.test-support'
import { macroFromRecording, type RawEvent, type RecordingOptions } from '../edits/recording'
import {
  durationMs,
  eventTimes,
  fromTimes,
  unreleasedPresses,
  eventPartners,
  addReleases,
} from './macro-timing'
import { refusalOf } from '../../messages/english.test-support'

const combo = [
  key('KeyY', 'press', 0),
  key('KeyB', 'press', 40),
  key('KeyY', 'release', 60),
  key('KeyB', 'release', 50),
]
const KEYS_ONLY: RecordingOptions = {
  buttons: false,
  wheel: false,
  movement: false,
  delays: { kind: 'recorded' },
}

describe('recording', () => {
  const raw = (code: string, down: boolean, atMs: number, repeat = false): RawEvent => ({
    kind: 'key',
    code,
    down,
    atMs,
    repeat,
  })

  it('takes times from the events themselves, begins with the first, and knows no key repeat', () => {
    const { events, released } = macroFromRecording(
      [
        raw('KeyA', false, 900),
        raw('KeyY', true, 1000.4),
        raw('KeyY', true, 1500, true),
        raw('KeyY', false, 1520.6),
      ],
      KEYS_ONLY,
    )
    expect(events).toEqual([key('KeyY', 'press', 0), key('KeyY', 'release', 520)])
    expect(released).toBe(0)
  })

  it('lets go what is still down at the end, in the other order, and says how many', () => {
    const { events, released } = macroFromRecording(
      [raw('ShiftLeft', true, 0), raw('KeyY', true, 30)],
      KEYS_ONLY,
    )
    expect(events.slice(2)).toEqual([key('KeyY', 'release', 0), key('ShiftLeft', 'release', 0)])
    expect(released).toBe(2)
  })

  it('keeps clicks, wheel and movement only by choice, delays as recorded, fixed or none', () => {
    const all: RawEvent[] = [
      raw('KeyY', true, 0),
      { kind: 'button', button: 1, down: true, atMs: 20 },
      { kind: 'move', x: 3, y: -4, atMs: 25 },
      { kind: 'wheel', detents: -1, sideways: 0, atMs: 30 },
      { kind: 'button', button: 1, down: false, atMs: 50 },
      raw('KeyY', false, 90),
      raw('Fn', true, 95),
    ]
    expect(macroFromRecording(all, KEYS_ONLY)).toMatchObject({
      events: [{}, { afterMs: 90 }],
      strange: ['Fn'],
    })
    const everything = { buttons: true, wheel: true, movement: true }
    const fixed = macroFromRecording(all, { ...everything, delays: { kind: 'fixed', ms: 15 } }).events
    expect(fixed.map(({ kind }) => kind)).toEqual(['key', 'button', 'move', 'wheel', 'button', 'key'])
    expect(fixed.map(({ afterMs }) => afterMs)).toEqual([0, 15, 15, 15, 15, 15])
    expect(
      macroFromRecording(all, { ...everything, delays: { kind: 'none' } }).events.every(
        ({ afterMs }) => afterMs === 0,
      ),
    ).toBe(true)
  })

  it('always gives a macro in which everything comes up again and no time is lost, whatever was pressed', () => {
    const anyRaw = fc.array(
      fc.tuple(
        fc.constantFrom('KeyA', 'KeyB', 'ShiftLeft'),
        fc.boolean(),
        fc.double({ min: 0, max: 400, noNaN: true }),
      ),
      { maxLength: 40 },
    )
    fc.assert(
      fc.property(anyRaw, (list) => {
        let now = 0
        const events = macroFromRecording(
          list.map(([code, down, after]) => raw(code, down, (now += after))),
          KEYS_ONLY,
        ).events
        expect(unreleasedPresses(events)).toEqual([])
        // Each time is rounded once relative to the start, so errors do not add up.
        expect(durationMs(events)).toBeLessThanOrEqual(now + 1)
        expect(parseMacro(JSON.parse(JSON.stringify(macro(events)))).events).toEqual(events)
      }),
    )
  })
})

describe('time and pairs', () => {
  it('are told from the list: when, how long, what belongs together', () => {
    expect(eventTimes(combo)).toEqual([0, 40, 100, 150])
    expect(durationMs([...combo, { kind: 'pause', fromMs: 100, toMs: 200, afterMs: 10 }])).toBe(310)
    expect(eventPartners(combo)).toEqual([2, 3, 0, 1])
    expect(unreleasedPresses(combo.slice(0, 3))).toEqual([1])
    expect(addReleases(combo.slice(0, 2)).events.length).toBe(4)
  })

  it('lead from delays to times and back', () => {
    fc.assert(
      fc.property(anyEvents, (events) => {
        const times = eventTimes(events)
        expect(fromTimes(events.map((event, index) => ({ event, atMs: itemAt(times, index) })))).toEqual(
          events,
        )
      }),
    )
  })
})

describe('edits', () => {
  it('remove and duplicate pairs whole, and leave what follows at its time', () => {
    expect(removeEvents(combo, [0])).toEqual([key('KeyB', 'press', 40), key('KeyB', 'release', 110)])
    expect(removeEvents(combo, [0], true).length).toBe(3)
    const twice = duplicateEvents(
      combo.filter((_, index) => index % 2 === 0),
      [0],
    )
    expect(twice.map((event) => 'does' in event && event.does)).toEqual([
      'press',
      'release',
      'press',
      'release',
    ])
    expect(copyEvents(combo, [1, 3])).toEqual([key('KeyB', 'press', 0), key('KeyB', 'release', 110)])
  })

  it('move pairs whole, stretch an end alone, and never before the press or the beginning', () => {
    expect(eventTimes(moveEvents(combo, [0], 200).events)).toEqual([40, 150, 200, 300])
    expect(eventTimes(moveEvents(combo, [0], -500).events)).toEqual([0, 40, 100, 150])
    const stretched = moveEvents(combo, [2], 30, true)
    expect(eventTimes(stretched.events)).toEqual([0, 40, 130, 150])
    const squeezed = moveEvents(combo, [3], -500, true).events
    expect(unreleasedPresses(squeezed)).toEqual([])
    expect(durationMs(squeezed)).toBe(100)
  })

  it('set one delay, all, or scale the whole', () => {
    expect(eventTimes(setDelay(combo, 1, 10))).toEqual([0, 10, 70, 120])
    expect(setEveryDelay(combo, 25).map(({ afterMs }) => afterMs)).toEqual([25, 25, 25, 25])
    expect(eventTimes(scaleTimes(combo, 0.5))).toEqual([0, 20, 50, 75])
    expect(refusalOf(() => setDelay(combo, 1, -1))).toMatch(/whole number of ms/)
    // Random delays have times too.
    const drawn: MacroEvent = { kind: 'pause', fromMs: 10, toMs: 31, afterMs: 8 }
    expect(scaleTimes([drawn], 0.5)).toEqual([{ ...drawn, fromMs: 5, toMs: 16, afterMs: 4 }])
    expect(refusalOf(() => scaleTimes(combo, 0))).toMatch(/factor/)
    expect(insertEvents(combo, 1, pressAndRelease(key('KeyX', 'press', 5), 30)).length).toBe(6)
    expect(refusalOf(() => renameMacro(macro(combo), ' '))).toMatch(/has no name/)
    expect(setTags(macro(combo), [' combat', 'combat', '']).tags).toEqual(['combat'])
  })

  it('keep every pair a pair, whatever is moved, removed, scaled and duplicated', () => {
    const anyEdit = fc.tuple(fc.nat(3), fc.nat(40), fc.integer({ min: -300, max: 300 }))
    fc.assert(
      fc.property(anyCombo, fc.array(anyEdit, { maxLength: 8 }), (events, edits) => {
        let now = events
        for (const [what, at, by] of edits) {
          if (now.length === 0) break
          const index = at % now.length
          if (what === 0) now = removeEvents(now, [index])
          else if (what === 1) now = duplicateEvents(now, [index])
          else if (what === 2) now = moveEvents(now, [index], by).events
          else now = scaleTimes(now, 1 + by / 400)
          expect(now.every(({ afterMs }) => Number.isInteger(afterMs) && afterMs >= 0)).toBe(true)
        }
        expect(unreleasedPresses(now).length).toBe(0)
      }),
    )
  })
})

describe('macros in macros', () => {
  const inner = macro(combo, 'inner', 'Inner')
  const outer = macro([{ kind: 'macro', macro: 'inner', afterMs: 100 }, ...combo], 'outer', 'Outer')

  it('are written out in the one that plays them', () => {
    const waits = (ops: MacroOp[]) => ops.reduce((sum, op) => sum + (op.kind === 'wait' ? op.ms : 0), 0)
    expect(waits(lowerUnfolded(outer, shelfOf([inner, outer]), { layout: 'us' }))).toBe(100 + 150 + 150)
    expect([...macrosWithin('outer', shelfOf([inner, outer])).ids]).toEqual(['inner'])
  })

  it('may not go in a circle', () => {
    const circle = shelfOf([{ ...inner, events: [{ kind: 'macro', macro: 'outer', afterMs: 0 }] }, outer])
    expect(macrosWithin('outer', circle).circle).toEqual(['outer', 'inner', 'outer'])
    expect(refusalOf(() => lowerMacro(outer, circle, { layout: 'us' }))).toMatch(/plays itself/)
  })
})

describe('what a macro comes to', () => {
  const figuresOf = (events: MacroEvent[], ...others: Macro[]) =>
    macroFigures(macro(events), shelfOf(others), { layout: 'us' })

  it('is said in figures, and where polling is too slow for it', () => {
    const figures = figuresOf(combo)
    expect(figures).toEqual({
      durationMs: 150,
      types: false,
      bytes: 7,
      maxDown: 2,
      leftDown: 0,
      gapsMs: [40, 60, 50],
    })
    const { gapsMs } = figuresOf(scaleTimes(combo, 0.1))
    expect(delayedEventsAt(gapsMs, 125)).toBe(3)
    expect(delayedEventsAt(gapsMs, 1000)).toBe(0)
  })

  it('counts the macros within, texts by their reports, controls and waits at their shortest', () => {
    const inner = macro(combo.slice(0, 3), 'inner', 'Inner')
    const text: MacroEvent = { kind: 'text', text: 'Ab', afterMs: 10 }
    const mute: MacroEvent = { kind: 'control', control: 'mute', afterMs: 3 }
    const pause: MacroEvent = { kind: 'pause', fromMs: 5, toMs: 15, afterMs: 0 }
    const within: MacroEvent = { kind: 'macro', macro: 'inner', afterMs: 2 }
    const events = [text, mute, pause, within, key('KeyB', 'release', 7)]
    expect(figuresOf(events, inner)).toMatchObject({
      // 10, two strokes of 10 ms and a report, 3, ten on average, 2, the nested macro, 7
      durationMs: 10 + 22 + 3 + 10 + 2 + 100 + 7,
      leftDown: 0,
      maxDown: 2,
      gapsMs: [5 + 2, 40, 60, 7],
    })
    expect(figuresOf([within], inner).leftDown).toBe(1)
    const lasting = eventDurations(shelfOf([inner]), { layout: 'us' })
    expect(eventTimes(events, lasting)).toEqual([10, 35, 35, 47, 154])
    expect(moveEvents(events, [4], -3, false, lasting).events).toEqual([
      ...events.slice(0, 4),
      key('KeyB', 'release', 4),
    ])
    expect(durationMs(events, lasting)).toBe(figuresOf(events, inner).durationMs)
  })
})

describe('the gate for macros', () => {
  it('names what is wrong', () => {
    const wrong: [unknown, RegExp][] = [
      [7, /Not a macro/],
      [{ ...macro(combo), version: 4 }, /up to version 3, not 4/],
      [{ ...macro(combo), extra: 1 }, /extra/],
      [macro([{ ...itemAt(combo, 0), afterMs: 0.5 }]), /events\[0\]\.afterMs: Expected an integer/],
      [macro([{ kind: 'pause', fromMs: 9, toMs: 3, afterMs: 0 }]), /ends before it starts/],
      [{ ...macro([]), events: [{ kind: 'warp' }] }, /“warp” is not a known kind/],
      [{ ...macro([]), name: 'x'.repeat(40) }, /32 bytes/],
    ]
    for (const [value, reason] of wrong) {
      expect(() => parseMacro(value)).toThrow(ProfileError)
      expect(() => parseMacro(value)).toThrow(reason)
    }
  })
})
