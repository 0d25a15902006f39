import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firstItems, itemAt } from '../base/items'
import { fromHex, toHex, type Rgb } from '../base/colour'
import { ByteReader } from '../base/bytes'
import { defaultOf } from '../base/parameters'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { tern7 } from '../device/models/tern-7'
import { anyStack } from '../document/any-light.test-support'
import { lowerLight, withoutMacros } from '../terms/light'
import { LIGHT_OF_DRIVE, litChannel, ONE, raisedCosine } from '../effects/fixed'
import type { LightState } from '../effects/effect'
import { EFFECTS, type LightEffect } from '../effects/registry'
import { shownEntries, readLightStack, writeLightStack, type LightEntry } from '../onboard/light-stack'
import { STATE_AT_REST, composeLight, driveLights, frameTimeUs, prepareLight } from './compose'
import { lightFigures } from './current'
import { LAYER_LIGHTS } from '../onboard/layer-colours'
import { minDifference, MIN_DISTINCT_DELTA } from './distinct-colours'
import { lightsOfModel, rowsOfLights } from './plan'
import { runs } from '../base/runs.test-support'

const rgb = (red: number, green: number, blue: number): Rgb => ({ red, green, blue })
const amber = rgb(255, 128, 0)
const entry = (effect: LightEffect, more: Partial<LightEntry> = {}): LightEntry => ({
  effect,
  where: { kind: 'all' },
  when: { kind: 'always' },
  opacity: 100,
  adds: false,
  ...more,
})
const solid = (colour: Rgb, brightness = 100): LightEffect => ({ kind: 'solid', colour, brightness })
const breathing: LightEffect = {
  ...defaultOf(EFFECTS.breathing.parameters),
  kind: 'breathing',
  colour: amber,
}
const UNLIMITED = { lightMa: 1, limitMa: 1e6 }
const show = (stack: LightEntry[], ms: number, state: Partial<LightState> = {}, model = tern7) =>
  driveLights(composeLight(prepareLight(stack, model), { ...STATE_AT_REST, ...state }, ms), ONE, UNLIMITED)
    .drives
const first = (drives: Uint8Array, light = 0) => [...drives.subarray(3 * light, 3 * light + 3)]

const anyOf = (model = tern7) =>
  anyStack(model, 1).map((stack) => shownEntries(lowerLight(stack, withoutMacros(model))))
const anyState: fc.Arbitrary<LightState> = fc.record({
  step: fc.constant(amber),
  layers: fc.constantFrom([], [{ layer: 1, atMs: 0, colour: amber, inputs: new Set([1, 6]) }]),
  chargePercent: fc.integer({ min: 0, max: 100 }),
  charging: fc.boolean(),
  connection: fc.nat(3),
  presses: fc.array(
    fc.record({ input: fc.integer({ min: 1, max: 7 }), atMs: fc.integer({ min: -500, max: 4000 }) }),
    { maxLength: 3 },
  ),
  macros: fc.constantFrom([], [{ macro: 1, atMs: 100 }]),
  signalAtMs: fc.nat(2000),
  countdown: fc.constant({ atMs: 0, lengthMs: 5000, colour: amber }),
  lastInputMs: fc.integer({ min: -9000, max: 0 }),
  arrivalAtMs: fc.constant(0),
})

describe('light', () => {
  it('is the same after a round trip through bytes, frame by frame, on every model', () => {
    for (const model of DEVICE_MODELS)
      fc.assert(
        fc.property(anyOf(model), anyState, fc.nat(70_000), (stack, state, ms) => {
          const bytes = writeLightStack(stack)
          const again = shownEntries(readLightStack(new ByteReader(bytes)))
          expect(writeLightStack(again)).toEqual(bytes)
          expect(show(again, ms, state, model)).toEqual(show(stack, ms, state, model))
        }),
        runs(60),
      )
  })

  it('never draws more than its model allows, whatever is shown', () => {
    fc.assert(
      fc.property(
        anyOf(),
        anyState,
        fc.nat(9000),
        fc.integer({ min: 1, max: 60 }),
        (stack, state, ms, limitMa) => {
          const light = composeLight(prepareLight(stack, tern7), state, ms)
          const { drives, ma } = driveLights(light, ONE, { lightMa: 2.2, limitMa })
          expect(ma).toBeLessThanOrEqual(limitMa)
          const sum = drives.reduce((whole, drive) => whole + itemAt(LIGHT_OF_DRIVE, drive), 0)
          expect(ma).toBeCloseTo((sum * 2.2) / 65_535, 9)
        },
      ),
    )
  })

  it('covers what is below at full opacity, shows through below it, and adds up where it is to', () => {
    fc.assert(
      fc.property(anyOf(), fc.nat(9000), (below, ms) => {
        expect(first(show([entry(solid(amber)), ...below], ms), 3)).toEqual([255, 128, 0])
      }),
    )
    const half = entry(solid(rgb(255, 255, 255)), { opacity: 50 })
    // Half the light of white as perceived: 188 of 255 (IEC 61966-2-1).
    expect(first(show([half], 0))).toEqual([188, 188, 188])
    const red = entry(solid(rgb(255, 0, 0)))
    expect(first(show([entry(solid(rgb(0, 255, 0)), { adds: true }), red], 0))).toEqual([255, 255, 0])
  })

  it('gives a colour as it was picked, and its level as the eye counts it', () => {
    expect(first(show([entry(solid(amber))], 0))).toEqual([255, 128, 0])
    expect(first(show([entry(solid(rgb(254, 128, 0), 50))], 0))).toEqual([127, 64, 0])
  })

  it('is within one step of drive of what exact numbers give', () => {
    const exactLight = (drive: number) => {
      const value = drive / 255
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
    }
    const driveOfLight = (light: number) =>
      255 * (light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055)
    for (let turn = 0; turn < ONE; turn += 97) {
      const exact = 0.5 - 0.5 * Math.cos((2 * Math.PI * turn) / ONE)
      expect(Math.abs(raisedCosine(turn) / ONE - exact)).toBeLessThan(1 / 2048)
      const ms = Math.floor((turn * 4000) / ONE)
      const swell = 0.5 - 0.5 * Math.cos((2 * Math.PI * ms) / 4000)
      const [red, green] = firstItems(first(show([entry(breathing)], ms)), 2)
      expect(Math.abs(red - 255 * swell ** 2)).toBeLessThanOrEqual(1)
      expect(Math.abs(green - 128 * swell ** 2)).toBeLessThanOrEqual(1)
    }
    for (let part = 1; part <= 100; part++) {
      const stack = [entry(solid(rgb(200, 90, 250)), { opacity: part }), entry(solid(rgb(20, 180, 60)))]
      const mixed = [200, 90, 250].map((above, channel) => {
        const below = itemAt([20, 180, 60], channel)
        return driveOfLight((exactLight(above) * part + exactLight(below) * (100 - part)) / 100)
      })
      first(show(stack, 0)).forEach((drive, channel) =>
        expect(Math.abs(drive - itemAt(mixed, channel))).toBeLessThanOrEqual(1),
      )
    }
    expect(litChannel(255, ONE)).toBe(65_535)
  })

  it('changes sixty times a second and stands still in between', () => {
    const seen = new Set<number>()
    for (let timeUs = 0; timeUs < 1e6; timeUs += 250) seen.add(frameTimeUs(timeUs))
    expect(seen.size).toBe(60)
    // A frame is shown from its first µs until the next frame.
    for (let frame = 0; frame < 500; frame++) {
      const [begins, next] = firstItems(
        [frame, frame + 1].map((number) => Math.floor((number * 1e6) / 60)),
        2,
      )
      expect([begins, next - 1].map(frameTimeUs)).toEqual([begins, begins])
    }
  })

  it('comes round after its period where it has one and nothing else moves it', () => {
    const kinds: readonly string[] = ['blink', 'breathing', 'cycle', 'wave', 'sequence']
    const cyclic = anyOf()
      .map((stack) => stack.find(({ effect }) => kinds.includes(effect.kind)))
      .filter((found) => found !== undefined)
      .filter(({ effect }) => !('order' in effect && effect.order === 'by chance'))
    fc.assert(
      fc.property(cyclic, fc.nat(60_000), (found, ms) => {
        const always: LightEntry = { ...found, when: { kind: 'always' } }
        const periodMs = 'periodMs' in found.effect ? found.effect.periodMs : 0
        expect(show([always], ms + periodMs)).toEqual(show([always], ms))
      }),
      runs(60),
    )
  })

  it('a sweep runs from the first of its lights to the last, and back or over again; beside it what is below shows', () => {
    const sweep = (ends: 'back' | 'again', shift = 0): LightEffect => ({
      ...defaultOf(EFFECTS.sweep.parameters),
      kind: 'sweep',
      colour: rgb(255, 0, 0),
      periodMs: 1000,
      widthMm: 4,
      ends,
      shift,
    })
    const spine = { where: { kind: 'zones' as const, zones: [0] } }
    const below: LightEntry = entry({
      ...defaultOf(EFFECTS.solid.parameters),
      kind: 'solid',
      colour: rgb(0, 0, 255),
    })
    const at = (effect: LightEffect, ms: number) => {
      const lit = Array.from({ length: 6 }, (_, light) =>
        first(show([entry(effect, spine), below], ms), light),
      )
      return lit.map(([red = 0, , blue]) => [red > 0 ? 'r' : '', blue === 255 ? 'b' : ''].join(''))
    }
    const middle = (effect: LightEffect, ms: number) => at(effect, ms).findIndex((light) => light === 'r')
    expect([0, 500, 1000].map((ms) => middle(sweep('back'), ms))).toEqual([0, 5, 0])
    expect(middle(sweep('again'), 0)).toBe(0)
    expect(at(sweep('again'), 990)[5]).toMatch(/r/)
    expect(at(sweep('back'), 990)[0]).toMatch(/r/)
    expect(middle(sweep('back', 50), 0)).toBe(5)
    // Only lights within its width are red; the others show the blue below.
    expect(at(sweep('back'), 0).slice(2)).toEqual(['b', 'b', 'b', 'b'])
  })

  it('tells by its place: a wave moves the way it is set, a ring goes out from the pressed input', () => {
    const wave = (direction: number): LightEffect => ({
      ...defaultOf(EFFECTS.wave.parameters),
      kind: 'wave',
      colours: [rgb(255, 0, 0), rgb(0, 0, 0)],
      direction,
      spreadMm: 100,
      periodMs: 1000,
    })
    const brightest = (effect: LightEffect, ms: number) => {
      const drives = show([entry(effect)], ms)
      const reds = Array.from({ length: 6 }, (_, light) => itemAt(drives, 3 * light))
      return reds.indexOf(Math.max(...reds))
    }
    // Towards the hand, the lights of the spine are reached from first to last.
    expect([0, 70, 140].map((ms) => brightest(wave(90), ms))).toEqual([0, 2, 3])
    const ripple: LightEffect = {
      ...defaultOf(EFFECTS.ripple.parameters),
      kind: 'ripple',
      periodMs: 500,
      spreadMm: 100,
      widthMm: 6,
    }
    const keys = lightsOfModel(dunlin84)
    const lightOf = (input: string) => keys.findIndex((light) => light.input === input)
    const pressed = dunlin84.inputs.find(({ id }) => id === 'key-a')?.number ?? 0
    const at = (ms: number, input: string) =>
      show([entry(ripple)], ms, { presses: [{ input: pressed, atMs: 0 }] }, dunlin84)[3 * lightOf(input)]
    expect(at(0, 'key-a')).toBe(255)
    // Two keys further, 38.1 mm: the ring arrives after 190 ms, and is not visible before or after.
    expect(at(190, 'key-d')).toBeGreaterThan(100)
    expect(at(60, 'key-d')).toBe(0)
    expect(at(350, 'key-d')).toBe(0)
  })

  it.each<[string, LightEntry['when'], Partial<LightState>, boolean]>([
    [
      'a layer that is on',
      { kind: 'layer', layer: 2 },
      { layers: [{ layer: 2, atMs: 0, colour: amber, inputs: new Set() }] },
      true,
    ],
    ['a layer that is off', { kind: 'layer', layer: 2 }, {}, false],
    [
      'a press of its input',
      { kind: 'press', forMs: 500, inputs: [3] },
      { presses: [{ input: 3, atMs: 900 }] },
      true,
    ],
    [
      'a press of another',
      { kind: 'press', forMs: 500, inputs: [3] },
      { presses: [{ input: 4, atMs: 900 }] },
      false,
    ],
    [
      'a press that is past',
      { kind: 'press', forMs: 500, inputs: [] },
      { presses: [{ input: 3, atMs: 400 }] },
      false,
    ],
    ['a macro that runs', { kind: 'macro', macro: 2 }, { macros: [{ macro: 2, atMs: 0 }] }, true],
    ['another macro', { kind: 'macro', macro: 2 }, { macros: [{ macro: 1, atMs: 0 }] }, false],
    ['a signal', { kind: 'signal', forMs: 200 }, { signalAtMs: 900 }, true],
    ['a low battery', { kind: 'battery', underPercent: 10 }, { chargePercent: 9 }, true],
    ['a battery that is just not low', { kind: 'battery', underPercent: 10 }, { chargePercent: 10 }, false],
    ['a cable that charges', { kind: 'charging' }, { charging: true }, true],
    ['its connection', { kind: 'connection', connection: 2 }, { connection: 2 }, true],
    ['no connection', { kind: 'connection', connection: 0 }, { connection: 1 }, false],
    ['the slot’s arrival', { kind: 'arrival', forMs: 1001 }, {}, true],
    ['the slot’s arrival, past', { kind: 'arrival', forMs: 1000 }, {}, false],
    ['rest', { kind: 'idle', seconds: 2 }, { lastInputMs: -1000 }, true],
    ['no rest yet', { kind: 'idle', seconds: 2 }, { lastInputMs: -999 }, false],
  ])('waits for %s', (_, when, state, shows) => {
    const drives = show([entry(solid(amber), { when })], 1000, state)
    expect(first(drives)).toEqual(shows ? [255, 128, 0] : [0, 0, 0])
  })

  it('fills gauges and maps layers', () => {
    const gauge: LightEffect = { ...defaultOf(EFFECTS.battery.parameters), kind: 'battery' }
    const spine = { where: { kind: 'zones' as const, zones: [0] } }
    const lights = (chargePercent: number) =>
      Array.from({ length: 6 }, (_, light) =>
        first(show([entry(gauge, spine)], 0, { chargePercent }), light),
      ).map((colour) => colour.some((drive) => drive > 0))
    expect(lights(50)).toEqual([true, true, true, false, false, false])
    expect(lights(51)).toEqual([true, true, true, true, false, false])
    const count: LightEffect = { kind: 'countdown', brightness: 100 }
    const countdown = { atMs: 0, lengthMs: 6000, colour: amber }
    expect(first(show([entry(count, spine)], 3000, { countdown }), 2)).toEqual([255, 128, 0])
    expect(first(show([entry(count, spine)], 3000, { countdown }), 3)).toEqual([0, 0, 0])
    const map: LightEffect = { kind: 'layers', brightness: 100, rest: 0 }
    const [w, x] = ['key-w', 'key-x'].map((id) =>
      lightsOfModel(dunlin84).findIndex(({ input }) => input === id),
    )
    const bound = new Set([dunlin84.inputs.find(({ id }) => id === 'key-w')?.number ?? 0])
    const stack = [entry(map), entry(solid(rgb(9, 9, 9)))]
    const on = show(stack, 0, { layers: [{ layer: 1, atMs: 0, colour: amber, inputs: bound }] }, dunlin84)
    expect([first(on, w), first(on, x)]).toEqual([
      [255, 128, 0],
      [0, 0, 0],
    ])
    expect(first(show(stack, 0, {}, dunlin84), x)).toEqual([9, 9, 9])
  })

  it('takes few bytes: three effects on all lights, a set of four', () => {
    const three = [entry(EFFECT('glow')), entry(EFFECT('ripple')), entry(EFFECT('wave'))]
    expect(writeLightStack(three).length).toBeLessThanOrEqual(40)
    const [plain, onFour] = firstItems(
      [{}, { where: { kind: 'lights' as const, lights: [3, 17, 30, 83] } }].map(
        (more) => writeLightStack([entry(solid(amber), more)]).length,
      ),
      2,
    )
    expect(onFour - plain).toBeLessThanOrEqual(8)
  })

  it('has the mean and the peak its shape has', () => {
    const white = solid(rgb(255, 255, 255))
    const { meanMa, peakMa } = lightFigures(
      [entry(white, { where: { kind: 'lights', lights: [0] } })],
      tern7,
      STATE_AT_REST,
    )
    expect([meanMa, peakMa]).toEqual([6.6, 6.6].map((ma) => expect.closeTo(ma, 9)))
    const blink: LightEffect = { ...defaultOf(EFFECTS.blink.parameters), kind: 'blink', litPart: 25 }
    const figures = lightFigures(
      [entry(blink, { where: { kind: 'lights', lights: [0] } })],
      tern7,
      STATE_AT_REST,
    )
    expect(figures.meanMa / figures.peakMa).toBeCloseTo(0.25, 2)
    expect(lightFigures([entry(white)], dunlin84, STATE_AT_REST)).toMatchObject({ limited: true })
  })
})

const EFFECT = (kind: 'glow' | 'ripple' | 'wave'): LightEffect =>
  ({
    kind,
    ...defaultOf(EFFECTS[kind].parameters),
    brightness: 80,
    colour: amber,
  }) as unknown as LightEffect

describe('rows of lights', () => {
  it('are those a person sees: six of the keyboard, four of the thumb grid, none of a spine', () => {
    const lengths = (model: typeof tern7) => rowsOfLights(model).map(({ length }) => length)
    expect(lengths(dunlin84)).toEqual([15, 15, 14, 15, 15, 10])
    expect(
      rowsOfLights(godwit19)
        .filter(([id = '']) => id.startsWith('grid:'))
        .map(({ length }) => length),
    ).toEqual([3, 3, 3, 3])
    expect(rowsOfLights(tern7)).toEqual([['crest:1', 'crest:2']])
  })
})

describe('colours', () => {
  it('of layers are told by every sight, each from each other', () => {
    LAYER_LIGHTS.map(toHex).forEach((colour, index, all) =>
      all.slice(0, index).forEach((other) => {
        expect(minDifference(colour, other).delta, `${colour} ${other}`).toBeGreaterThanOrEqual(
          MIN_DISTINCT_DELTA,
        )
      }),
    )
  })

  it('go to hex and back', () => {
    const channel = fc.nat(255)
    fc.assert(
      fc.property(fc.record({ red: channel, green: channel, blue: channel }), (colour) => {
        expect(fromHex(toHex(colour))).toEqual(colour)
      }),
    )
    for (const wrong of ['red', '#12345', '#1234567', '123456', '#12345g', '']) {
      expect(() => fromHex(wrong)).toThrow(RangeError)
    }
  })
})
