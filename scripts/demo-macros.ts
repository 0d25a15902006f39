import { firstItems } from '../src/core/base/items'
import { pressAndRelease } from '../src/core/edits/macro-edits'
import { emptyMacro, type Macro, type MacroEvent } from '../src/core/document/macro'
import { fromTimes } from '../src/core/document/macro-timing'

/** The macros of the demo, as people would record and compose them. */

/** Pressed keys: code, ms from the start, ms held. */
type Stroke = [code: string, atMs: number, heldMs: number]

const combo = (strokes: Stroke[]): MacroEvent[] =>
  fromTimes(
    strokes.flatMap(([code, atMs, heldMs]) => {
      const [down, up] = firstItems(
        pressAndRelease({ kind: 'key', code, does: 'press', afterMs: 0 }, heldMs),
        2,
      )
      return [
        { atMs, event: down },
        { atMs: atMs + heldMs, event: up },
      ]
    }),
  )

const macro = (id: string, name: string, tags: string[], events: MacroEvent[]): Macro => ({
  ...emptyMacro(id, name),
  tags,
  events,
})

const click = (button: number, afterMs: number, heldMs: number): MacroEvent[] =>
  pressAndRelease({ kind: 'button', button, does: 'press', afterMs }, heldMs)

export const MACROS: Macro[] = [
  macro(
    'demo-blow-tanks',
    'Blow tanks',
    ['brinewatch'],
    [
      ...combo([
        ['KeyB', 0, 71],
        ['Digit1', 148, 64],
        ['Digit2', 262, 58],
        ['KeyB', 391, 77],
        ['ShiftLeft', 540, 214],
        ['KeyV', 601, 69],
        ['KeyY', 704, 66],
        ['Digit3', 842, 61],
        ['KeyX', 958, 73],
        ['KeyL', 1089, 68],
      ]),
      { kind: 'signal', colour: '#ff9d2e', afterMs: 40 },
    ],
  ),
  macro(
    'demo-winch-pump',
    'Winch pump',
    ['brinewatch', 'repeats'],
    [...combo([['KeyW', 0, 30]]), { kind: 'pause', fromMs: 35, toMs: 55, afterMs: 0 }],
  ),
  macro(
    'demo-sweep',
    'Wide sweep',
    ['brinewatch'],
    [
      ...combo([['KeyS', 0, 350]]),
      { kind: 'wheel', detents: 2, sideways: 0, afterMs: 120 },
      { kind: 'wheel', detents: 2, sideways: 0, afterMs: 120 },
      { kind: 'wheel', detents: -4, sideways: 0, afterMs: 240 },
    ],
  ),
  macro(
    'demo-hand-off',
    'Hand off and run',
    ['gantry run'],
    combo([
      ['KeyQ', 0, 82],
      ['ShiftLeft', 96, 460],
      ['Space', 214, 55],
      ['Space', 431, 58],
    ]),
  ),
  macro('demo-clicker', 'Fast clicks', ['hollow tithe', 'repeats'], click(1, 0, 10)),
  macro(
    'demo-march',
    'March and hold',
    ['hollow tithe'],
    [
      ...combo([
        ['F1', 0, 60],
        ['KeyM', 130, 60],
      ]),
      ...click(2, 140, 50),
      { kind: 'text', text: 'hold', afterMs: 200 },
    ],
  ),
  macro(
    'demo-copy-bar',
    'Copy the bar',
    ['score engraving'],
    combo([
      ['ControlLeft', 0, 160],
      ['KeyC', 60, 60],
      ['ArrowRight', 220, 50],
      ['ControlLeft', 320, 160],
      ['KeyV', 380, 60],
    ]),
  ),
  macro(
    'demo-copy-eight',
    'Copy eight bars',
    ['score engraving'],
    Array.from(
      { length: 8 },
      (_, index) =>
        ({
          kind: 'macro',
          macro: 'demo-copy-bar',
          afterMs: index === 0 ? 0 : 100,
        }) as const,
    ),
  ),
]
