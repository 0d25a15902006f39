import { inEnglish, reportText } from '../../messages/english.test-support'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../base/runs.test-support'
import { reportDescriptor } from '../hid/descriptor'
import { consumerReport, keyboardReport, mouseReport } from '../hid/reports'
import { Computer, type ComputerEvent } from './computer'
import { applyEvent, emptyDesktop, type Desktop } from './desktop'
import { layoutFor, type LayoutId } from './layouts'
import { keystrokeLines, lowerLaunch, raiseLaunch, type LaunchKind } from './launches'
import { OPERATING_SYSTEMS, type OperatingSystem } from './operating-systems'
import { tap } from './typing'

/** A computer that received a report descriptor, and its results for a sequence of reports. */
const USAGE = {
  a: 0x04,
  b: 0x05,
  e: 0x08,
  q: 0x14,
  five: 0x22,
  control: 0xe0,
  shift: 0xe1,
  alt: 0xe2,
  altGr: 0xe6,
}
const computer = (layout: LayoutId = 'us', system: OperatingSystem = 'windows') =>
  new Computer(reportDescriptor(), layoutFor(layout, system))
const keys = (on: Computer, ...usages: number[]) => on.receive(keyboardReport(usages))
const texts = (events: readonly ComputerEvent[]) =>
  events.map((event) => (event.kind === 'key' ? event.text : '')).join('')
const MOUSE = { buttons: 0, x: 0, y: 0, wheel: 0, pan: 0 }

describe('what a computer hears', () => {
  it('tells what went down and what came up, what came up first, and modifiers before keys', () => {
    const on = computer()
    expect(keys(on, USAGE.a).map(reportText)).toEqual(['A down'])
    expect(keys(on, USAGE.a)).toEqual([])
    expect(keys(on, USAGE.b, USAGE.shift).map(reportText)).toEqual(['A up', 'Shift down', 'B down'])
    expect(keys(on).map(reportText).sort()).toEqual(['B up', 'Shift up'])
  })

  it('types by the level that is held, and nothing while a shortcut is', () => {
    const typed = (layout: LayoutId, ...usages: number[]) => texts(keys(computer(layout), ...usages))
    expect(typed('us', USAGE.a)).toBe('a')
    expect(typed('us', USAGE.shift, USAGE.a)).toBe('A')
    expect(typed('de', USAGE.altGr, USAGE.q)).toBe('@')
    expect(typed('us', USAGE.control, USAGE.a)).toBe('')
    expect(typed('us', USAGE.alt, USAGE.a)).toBe('')
    expect(typed('us', 0xe3, USAGE.a)).toBe('')
  })

  it('keeps a dead key for the next character, and forgets it then', () => {
    const on = computer('de')
    const one = (...usages: number[]) => {
      const text = texts(keys(on, ...usages))
      keys(on)
      return text
    }
    // The accent key next to Backspace, then e; then only e.
    expect(one(0x2e)).toBe('')
    expect(one(USAGE.e)).toBe('é')
    expect(one(USAGE.e)).toBe('e')
  })

  it('keeps the reports of mouse, keyboard and controls apart', () => {
    const on = computer()
    keys(on, USAGE.a)
    expect(on.receive(mouseReport({ ...MOUSE, buttons: 0b10001 })).map(reportText)).toEqual([
      'Left click down',
      'Forward click down',
    ])
    expect(on.receive(consumerReport([0xe9, 0xcd])).map(reportText)).toEqual([
      'Volume up down',
      'Play or pause down',
    ])
    expect(on.receive(consumerReport([0xcd])).map(reportText)).toEqual(['Volume up up'])
    expect(on.receive(mouseReport(MOUSE)).map(reportText)).toEqual(['Left click up', 'Forward click up'])
    expect(keys(on).map(reportText)).toEqual(['A up'])
  })

  it('adds up nothing: movement and turns are of one report each', () => {
    const on = computer()
    expect(on.receive(mouseReport({ ...MOUSE, x: -300, y: 5 }))).toEqual([{ kind: 'pointer', x: -300, y: 5 }])
    expect(on.receive(mouseReport({ ...MOUSE, wheel: -1 }))).toEqual([
      { kind: 'scroll', vertical: -1, horizontal: 0 },
    ])
    expect(on.receive(mouseReport({ ...MOUSE, pan: 2, y: 1 })).map(reportText)).toEqual([
      'pointer 0, +1',
      'pan +2',
    ])
    expect(on.receive(mouseReport({ ...MOUSE, wheel: 3 })).map(reportText)).toEqual(['scroll +3'])
    expect(on.receive(mouseReport(MOUSE))).toEqual([])
  })

  it('says what it does not know, and refuses what is no report of its device', () => {
    const on = computer()
    expect(on.receive(consumerReport([0x3ff])).map(reportText)).toEqual(['control 0x3ff down'])
    expect(() => on.receive(Uint8Array.of(9, 0))).toThrow('there is no input report with the id 9')
    expect(() => on.receive(Uint8Array.of(1, 0))).toThrow(RangeError)
  })
})

describe('the system’s own boxes', () => {
  const key = (usage: number, label: string, text = '', down = true): ComputerEvent => ({
    kind: 'key',
    usage,
    down,
    text,
    label,
  })
  const hit = (
    desktop: Desktop,
    atMs: number,
    ...presses: [usage: number, label: string, text?: string][]
  ) => {
    const down = presses.reduce(
      (now, [usage, label, text]) => applyEvent(now, key(usage, label, text), atMs),
      desktop,
    )
    return presses.reduce((now, [usage, label]) => applyEvent(now, key(usage, label, '', false), atMs), down)
  }
  const type = (desktop: Desktop, atMs: number, text: string) =>
    [...text].reduce((now, character) => hit(now, atMs, [4, character.toUpperCase(), character]), desktop)
  const opened = (system: OperatingSystem = 'windows') =>
    system === 'windows'
      ? hit(emptyDesktop(system), 0, [0xe3, 'System'], [0x15, 'R', 'r'])
      : system === 'macos'
        ? hit(emptyDesktop(system), 0, [0xe3, 'System'], [0x2c, 'Space', ' '])
        : hit(emptyDesktop(system), 0, [0xe2, 'Alt'], [0x3b, 'F2'])

  it.each(OPERATING_SYSTEMS)(
    'on %s it comes up by its own keys alone, and takes keys once it is there',
    (system) => {
      const box = opened(system)
      expect(box.box).toMatchObject({ kind: 'run', text: '' })
      for (const other of OPERATING_SYSTEMS)
        if (other !== system)
          expect({ ...opened(other), system }.box === undefined || opened(other).system === other).toBe(true)
      // If it is too early, keys still go to the page.
      expect(type(box, 299, 'x')).toMatchObject({ text: 'x', box: { text: '' } })
      expect(type(box, 300, 'divelog')).toMatchObject({ text: '', box: { text: 'divelog' } })
      const done = type(type(box, 300, 'divelog'), 400, '\n')
      expect(done).toMatchObject({ box: undefined, opened: ['divelog'] })
      expect(type(hit(box, 400, [0x29, 'Escape']), 500, 'x')).toMatchObject({
        text: 'x',
        box: undefined,
        opened: [],
      })
    },
  )

  it('opens what stands in quotes, what a command is given, and the last first', () => {
    const run = (typed: string, system: OperatingSystem = 'windows') =>
      type(type(opened(system), 300, typed), 400, '\n').opened
    expect(run('"/charts/north bay.txt"')).toEqual(['/charts/north bay.txt'])
    expect(run("xdg-open '/charts/x.txt'", 'linux')).toEqual(['/charts/x.txt'])
    expect(run("xdg-open 'it'\\''s'", 'linux')).toEqual(["it's"])
    const terminal = type(type(opened('macos'), 300, 'Terminal'), 400, '\n')
    expect(terminal).toMatchObject({ box: { kind: 'terminal', readyMs: 1400 }, opened: [] })
    expect(type(type(terminal, 1400, "open '/charts'"), 1500, '\n').opened).toEqual(['/charts'])
    const two = type(type({ ...opened(), opened: ['before'] }, 300, 'x'), 400, '\n')
    expect(two.opened).toEqual(['x', 'before'])
  })

  it('the page takes text back by whole characters, keeps the last of very much, and scrolls', () => {
    const typed = type(emptyDesktop(), 0, 'a👩')
    expect(hit(typed, 0, [0x2a, 'Backspace']).text).toBe('a')
    // With another key held it is a shortcut.
    const shortcut = hit(typed, 0, [0xe0, 'Ctrl'], [0x2a, 'Backspace'])
    expect(inEnglish(shortcut)).toMatchObject({ text: 'a👩', last: 'Ctrl+Backspace' })
    expect(type({ ...emptyDesktop(), text: 'y'.repeat(2000) }, 0, 'z').text).toBe(`${'y'.repeat(1999)}z`)
    const scrolled = applyEvent(emptyDesktop(), { kind: 'scroll', vertical: -3, horizontal: 9 }, 0)
    expect(applyEvent(scrolled, { kind: 'scroll', vertical: 1, horizontal: 0 }, 0).scrolled).toBe(-2)
  })

  it('buttons are held and let go; controls play, mute and turn the volume', () => {
    const press = (desktop: Desktop, usage: number, label = 'x') =>
      applyEvent(desktop, { kind: 'control', usage, down: true, label }, 0)
    const button = (down: boolean): ComputerEvent => ({
      kind: 'button',
      button: 1,
      down,
      label: 'Left click',
    })
    const held = applyEvent(emptyDesktop(), button(true), 0)
    expect(held.down).toMatchObject([{ kind: 'button', usage: 1 }])
    expect(applyEvent(held, button(false), 0).down).toEqual([])
    expect(press(emptyDesktop(), 0xcd, 'Play or pause')).toMatchObject({
      playing: true,
      last: 'Play or pause',
    })
    expect(press(press(emptyDesktop(), 0xcd), 0xcd).playing).toBe(false)
    expect(press(press(emptyDesktop(), 0xe2), 0xb5)).toMatchObject({ muted: true, volume: 40 })
    expect(press({ ...emptyDesktop(), volume: 1 }, 0xea).volume).toBe(0)
    expect(
      applyEvent(emptyDesktop(), { kind: 'control', usage: 0xe9, down: false, label: 'x' }, 0).volume,
    ).toBe(40)
  })
})

describe('an opening as keys', () => {
  const target = fc.stringMatching(/^[a-z/ .'-]{1,20}$/)
  const kinds = fc.constantFrom<LaunchKind>('program', 'file', 'folder', 'address')

  it('is the same again from its keys, on any operating system', () => {
    for (const system of OPERATING_SYSTEMS)
      fc.assert(
        fc.property(kinds, target, (what, text) => {
          const strokes = lowerLaunch({ what, target: text }, system, 'us')
          const raised = raiseLaunch(what, strokes, system, 'us')
          expect(raised && lowerLaunch(raised, system, 'us')).toEqual(strokes)
        }),
        runs(40),
      )
    const divelog = lowerLaunch({ what: 'program', target: 'divelog' }, 'windows', 'us')
    expect(raiseLaunch('program', divelog, 'windows', 'us')).toEqual({ what: 'program', target: 'divelog' })
    expect(raiseLaunch('program', divelog, 'linux', 'us')).toBeUndefined()
    expect(raiseLaunch('program', [tap('KeyA')], 'windows', 'us')).toBeUndefined()
  })

  it('is told key for key, as the layout prints them', () => {
    const lines = (what: LaunchKind, target: string, system: OperatingSystem) =>
      keystrokeLines({ what, target }, system, 'us').map(({ text }) => inEnglish(text))
    expect(lines('file', '/a b', 'windows')).toEqual(['System+R', '500 ms', '"/a b"', '100 ms', 'Enter'])
    expect(lines('program', 'a b', 'windows')[2]).toBe('a b')
    expect(lines('folder', "Kit's", 'linux')).toEqual([
      'Alt+F2',
      '600 ms',
      "xdg-open 'Kit'\\''s'",
      '100 ms',
      'Enter',
    ])
    expect(lines('folder', '/a', 'macos')).toEqual([
      'System+Space',
      '700 ms',
      'Terminal',
      '700 ms',
      'Enter',
      '1500 ms',
      "open '/a'",
      'Enter',
    ])
  })
})
