import { describe, expect, it } from 'vitest'
import type { DeviceOperations } from './action'
import {
  behaviourOf,
  endAction,
  isContinuous,
  actionByCode,
  startAction,
  ACTIONS,
  type KnownAction,
} from './registry'

/** Records the operations it is asked to perform. */
function noting(): { reach: DeviceOperations; asked: string[] } {
  const asked: string[] = []
  const reach = new Proxy({} as DeviceOperations, {
    get:
      (_, name: string) =>
      (...words: unknown[]) =>
        void asked.push(
          [name, ...words.map((word) => (word === undefined ? 'nothing' : JSON.stringify(word)))].join(' '),
        ),
  })
  return { reach, asked }
}

const RED = { red: 255, green: 0, blue: 0 }
const tap = { kind: 'tap', usage: 4, modifiers: 0 } as const
const macro = { kind: 'macro', macro: 2, play: 'held', gapMs: 5, again: 'ignore', others: 'stop' } as const
const parts = { kind: 'macro-parts', press: 1, held: 0, release: 3 } as const
const press = { kind: 'button', button: 1, clicks: 1 } as const

const DOES: [does: KnownAction, start: string[], end: string[], goesOn: boolean][] = [
  [{ kind: 'off' }, [], [], false],
  [{ kind: 'pass' }, [], [], false],
  // Left Control is bit 0 and usage 224, right GUI bit 7 and usage 231; modifiers come first.
  [{ kind: 'key', usage: 4, modifiers: 0x81 }, ['pressKeys [224,231,4]'], ['releaseKeys [224,231,4]'], true],
  [press, ['pressButton 1'], ['releaseButton 1'], true],
  [{ ...press, clicks: 2 }, ['clickTwice 1'], ['releaseSecondClick 1'], false],
  [{ kind: 'scroll', wheel: -1, pan: 2 }, ['scroll -1 2'], [], false],
  [{ kind: 'consumer', usage: 0xe9 }, ['pressControl 233'], ['releaseControl 233'], true],
  [{ kind: 'step', to: 'next' }, ['goToStep "next"'], [], false],
  [{ kind: 'slot', to: 3 }, ['goToSlot 3'], [], false],
  [{ kind: 'hold-step', step: 2 }, ['holdStep {"step":2}'], ['holdStep nothing'], true],
  [{ kind: 'hold-step', dpi: 400 }, ['holdStep {"dpi":400}'], ['holdStep nothing'], true],
  [{ kind: 'layer', layer: 1, how: 'hold' }, ['holdLayer 1'], ['letLayerGo'], true],
  [{ kind: 'layer', layer: 2, how: 'switch' }, ['switchLayer 2'], ['letLayerGo'], true],
  [{ kind: 'light', change: 'dimmer' }, ['changeLight "dimmer"'], [], false],
  [{ kind: 'strokes', purpose: 'text', strokes: [tap] }, [`type ${JSON.stringify([tap])}`], [], false],
  [{ kind: 'countdown', colour: RED, seconds: 90 }, [`countDown 90 ${JSON.stringify(RED)}`], [], false],
  [macro, [`play ${JSON.stringify(macro)}`], [`letMacroGo ${JSON.stringify(macro)}`], true],
  [parts, [`play ${JSON.stringify(parts)}`], [`letMacroGo ${JSON.stringify(parts)}`], true],
  [{ kind: 'stop-macros' }, ['stopAll'], [], false],
  // The bindings decide which of the two applies.
  [{ kind: 'tap-hold', thresholdMs: 200, decide: 'time', tap: press, hold: press }, [], [], false],
]

describe('what an action does', () => {
  it.each(DOES)('%j', (does, start, end, goesOn) => {
    const began = noting()
    startAction(does, began.reach)
    expect(began.asked).toEqual(start)
    const ended = noting()
    endAction(does, ended.reach)
    expect(ended.asked).toEqual(end)
    expect(isContinuous(does)).toBe(goesOn)
  })

  it('is said for every kind, each of which has a code of its own', () => {
    expect(new Set(DOES.map(([{ kind }]) => kind))).toEqual(new Set(Object.keys(ACTIONS)))
    for (const [name, { code }] of Object.entries(ACTIONS)) expect(actionByCode(code)).toBe(name)
    expect(actionByCode(31)).toBeUndefined()
  })

  it('is that of the version it is known in, and nothing where it is not known at all', () => {
    expect(behaviourOf(press)).toBe(press)
    expect(behaviourOf({ kind: 'unknown', code: 2, payload: [1, 1, 9], does: press })).toBe(press)
    expect(behaviourOf({ kind: 'unknown', code: 31, payload: [] })).toEqual({ kind: 'off' })
  })
})
