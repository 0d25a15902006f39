import { baseLayer } from './base-layer'
import { describe, expect, it } from 'vitest'
import { dunlin84 } from '../device/models/dunlin-84'
import { tern7 } from '../device/models/tern-7'
import { compileProfile } from '../compile/compile'
import { decompileImage } from '../compile/decompile'
import { PLAY_ONCE } from './action-schema'
import { bindAll } from '../edits/edits'
import { type EffectCondition } from './light'
import { newStackItem } from '../terms/light'
import { ANY_MACRO } from '../terms/parameter-terms'
import { emptyMacro, deviceCode, parseMacro, shelfOf } from './macro'
import { setDefaultStep } from '../edits/motion-edits'
import { mainColours } from './palette'
import { factoryProfile, unknownInputBindings } from '../terms/profile'
import { parseProfile, type Profile } from './schema'
import { emptySession, recordMovement, recordPress, sessionFigures } from './session-log'
import { refusalOf } from '../../messages/english.test-support'

/** Parts of documents at their limits: exact values, and refusals. */

const tern = factoryProfile(tern7, 'Brinewatch')

describe('the colours of a picture', () => {
  const picture = (...runs: [count: number, ...rgb: number[]][]) =>
    Uint8ClampedArray.from(
      runs.flatMap(([count, ...rgb]) => Array.from({ length: count }, () => [...rgb, 255]).flat()),
    )

  it('are as many as are asked for, parted where they differ most, the most frequent first', () => {
    const three = picture([10, 0, 0, 250], [40, 0, 0, 10], [20, 200, 0, 0])
    // First along red, whose spread is weighted by the number of pixels; each part contributes its mean.
    expect(mainColours(three, 1)).toEqual(['#390029'])
    expect(mainColours(three, 2)).toHaveLength(2)
    const four = mainColours(three, 16)
    for (const own of ['#00000a', '#c80000', '#0000fa']) expect(four).toContain(own)
    expect(mainColours(picture([5, 1, 2, 3]), 4)).toEqual(['#010203'])
    expect(mainColours(picture([1, 9, 9, 9], [1, 10, 9, 9]), 2).sort()).toEqual(['#090909', '#0a0909'])
    // Half transparent counts as transparent.
    const pixels = Uint8ClampedArray.of(1, 2, 3, 128, 4, 5, 6, 127)
    expect(mainColours(pixels, 4)).toEqual(['#010203'])
  })
})

describe('a session', () => {
  it('counts presses and movement by slices of five seconds, and its busiest half minute', () => {
    const log = emptySession(1000, 800)
    for (const atMs of [0, 4999, 5000, 61_000]) recordPress(log, { what: 'left', atMs, down: true }, 'clicks')
    recordPress(log, { what: 'left', atMs: 62_000, down: false }, 'clicks')
    recordPress(log, { what: 'KeyY', atMs: 12_000, down: true }, 'keys')
    recordMovement(log, 10_000, 300, 400)
    recordMovement(log, 70_000, -800, 0)
    expect(log).toMatchObject({ durationMs: 70_000, clicks: { left: 4 }, keys: { KeyY: 1 } })
    expect(log.actions).toEqual([2, 1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1])
    expect(log.counts.slice(0, 3)).toEqual([0, 0, 500])
    expect(log.counts).toHaveLength(15)
    const figures = sessionFigures(log)
    expect(figures).toMatchObject({ clicks: 4, keys: 1 })
    expect(figures.actionsPerMinute).toBeCloseTo(5 / (70 / 60))
    expect(figures.peakPerMinute).toBeCloseTo(8)
    expect(figures.metres).toBeCloseTo((1300 / 800) * 0.0254)
    expect(figures.overTime).toHaveLength(14)
    expect(figures.overTime[2]).toEqual({ minute: 12.5 / 60, perMinute: 12, metres: (500 / 800) * 0.0254 })
  })
})

describe('profiles', () => {
  it('have a default step that is there, bindings of inputs there are, and what a later version said', () => {
    expect(setDefaultStep(tern, 3).defaultStep).toBe(3)
    expect(refusalOf(() => setDefaultStep(tern, 4))).toContain('There is no step 5')
    const strange = {
      ...tern,
      layers: [{ ...baseLayer(tern), bindings: { nose: { action: { kind: 'off' } as const } } }],
    }
    expect(unknownInputBindings(strange, tern7)).toEqual([{ layer: 0, inputId: 'nose' }])
    expect(
      unknownInputBindings(
        bindAll(tern, tern7, [{ layer: 0, input: 'side-front', put: PLAY_ONCE('a') }]),
        tern7,
      ),
    ).toEqual([])
    const later = (sections: { code: number; bytes: string }[], macros = {}) =>
      parseProfile({ ...tern, later: { sections, macros } }).later
    const [known, unknown] = [
      { code: 1, bytes: '00' },
      { code: 99, bytes: '00' },
    ]
    expect(later([unknown])).toMatchObject({ sections: [unknown] })
    for (const sections of [[known], [unknown, known], [known, unknown]])
      expect(refusalOf(() => later(sections))).toContain('Has a section that this version knows')
    expect(later([], { a: 1, b: 200 })).toMatchObject({ macros: { a: 1, b: 200 } })
    for (const number of [0, 201]) expect(refusalOf(() => later([], { a: number }))).toMatch(/macros/)
  })

  it('light waits for the same macro, connection and inputs when it comes back from a device', () => {
    const macro = {
      ...emptyMacro('tides', 'Tides'),
      events: [{ kind: 'wheel', detents: 1, sideways: 0, afterMs: 0 } as const],
    }
    const shelf = shelfOf([macro])
    const bound = bindAll(tern, tern7, [{ layer: 0, input: 'side-front', put: PLAY_ONCE('tides') }])
    const back = (when: EffectCondition, profile: Profile = bound, model = tern7) =>
      decompileImage(
        compileProfile({ ...profile, light: [newStackItem('wave', {}, { when })] }, model, shelf).bytes,
        model,
        shelf,
      ).light[0]
    const connections = [...tern7.connections.map(({ id }) => id), 'none', 'pairing']
    const waits: EffectCondition[] = [
      { kind: 'macro', macro: 'tides' },
      { kind: 'macro', macro: ANY_MACRO },
      ...connections.map((connection): EffectCondition => ({ kind: 'connection', connection })),
      { kind: 'press', forMs: 500, inputs: ['wheel-up', 'side-front'] },
    ]
    for (const when of waits) expect(back(when)).toMatchObject({ when })
    const dunlin = factoryProfile(dunlin84, 'Bridge')
    expect(back({ kind: 'connection', connection: 'receiver' }, dunlin, dunlin84)).toMatchObject({
      when: { connection: 'receiver' },
    })
  })
})

describe('a macro in the device’s own code', () => {
  const code = { kind: 'code', bytes: '0203', afterMs: 0 }
  const turn = { kind: 'wheel', detents: 1, sideways: 0, afterMs: 0 }
  const read = (...events: unknown[]) => parseMacro({ ...emptyMacro('a', 'A'), events })

  it('is that alone; anything else beside it is refused, whatever it is', () => {
    expect(deviceCode(read(code))).toEqual(Uint8Array.of(2, 3))
    expect(deviceCode(read(turn))).toBeUndefined()
    expect(deviceCode(read())).toBeUndefined()
    expect(read(turn, turn).events).toHaveLength(2)
    for (const events of [
      [code, turn],
      [turn, code],
      [code, code],
    ])
      expect(() => read(...events)).toThrow('Device code must be the only event of its macro')
    for (const strange of [null, 'code', 3, {}, { kind: 'nothing' }])
      expect(refusalOf(() => read(turn, strange))).toMatch(/^(?!.*own code)/)
  })
})
