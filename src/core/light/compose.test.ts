import { message } from '../message/message'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import type { Rgb } from '../base/colour'
import { defaultOf } from '../base/parameters'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import type { LightState } from '../effects/effect'
import { nearestDrive, LIGHT_OF_DRIVE, MAX_LIGHT, ONE } from '../effects/fixed'
import { EFFECTS, type EffectName, type LightEffect } from '../effects/registry'
import type { LightEntry } from '../onboard/light-stack'
import { STATE_AT_REST, composeLight, driveLights, frameMs, prepareLight, overrideLights } from './compose'
import { lightFigures } from './current'
import { targetLights, lightPlan, lightsOfModel, rowsOfLights } from './plan'
import { minDifference, nearestDistinctColour, MIN_DISTINCT_DELTA } from './distinct-colours'

const rgb = (red: number, green: number, blue: number): Rgb => ({ red, green, blue })
const WHITE = rgb(255, 255, 255)
const set = (kind: EffectName, by: object = {}): LightEffect =>
  ({ ...defaultOf(EFFECTS[kind].parameters), kind, ...by }) as LightEffect
const entry = (effect: LightEffect, more: Partial<LightEntry> = {}): LightEntry => ({
  effect,
  where: { kind: 'all' },
  when: { kind: 'always' },
  opacity: 100,
  adds: false,
  ...more,
})
const solid = (colour: Rgb, more: Partial<LightEntry> = {}): LightEntry =>
  entry(set('solid', { colour, brightness: 100 }), more)
const light = (stack: LightEntry[], ms = 0, state: Partial<LightState> = {}, model = tern7): number[] => [
  ...composeLight(prepareLight(stack, model), { ...STATE_AT_REST, ...state }, ms),
]
/** The first light's three channels. */
const first = (...of: Parameters<typeof light>): number[] => light(...of).slice(0, 3)
const of = (drive: number): number => itemAt(LIGHT_OF_DRIVE, drive)

describe('effects over each other', () => {
  const below = rgb(40, 120, 200)
  const above = rgb(250, 10, 90)

  it.each([1, 25, 50, 99, 100])(
    'at %i %% opacity each channel is that part of the upper and the rest of the lower',
    (opacity) => {
      const found = first([solid(above, { opacity }), solid(below)])
      const wanted = [above.red, above.green, above.blue].map((drive, channel) => {
        const under = of(itemAt([below.red, below.green, below.blue], channel))
        return (of(drive) * opacity + under * (100 - opacity)) / 100
      })
      found.forEach((value, channel) => expect(Math.abs(value - itemAt(wanted, channel))).toBeLessThan(2))
    },
  )

  it.each([10, 60, 100])(
    'adding at %i %% puts that part on top, channel by channel, and no more than there is',
    (opacity) => {
      const found = first([solid(above, { opacity, adds: true }), solid(below)])
      const wanted = [above.red, above.green, above.blue].map((drive, channel) =>
        Math.min(
          MAX_LIGHT,
          of(itemAt([below.red, below.green, below.blue], channel)) + (of(drive) * opacity) / 100,
        ),
      )
      found.forEach((value, channel) => expect(Math.abs(value - itemAt(wanted, channel))).toBeLessThan(2))
      expect(first([solid(WHITE, { adds: true }), solid(WHITE)])).toEqual([MAX_LIGHT, MAX_LIGHT, MAX_LIGHT])
    },
  )

  it('each keeps to its own lights, the topmost last, and what is not lit is dark', () => {
    const crest = solid(above, { where: { kind: 'zones', zones: [1] } })
    const two = solid(WHITE, { where: { kind: 'lights', lights: [1, 7, 99] } })
    const drives = light([two, crest]).map(nearestDrive)
    const lit = Array.from({ length: 8 }, (_, at) => drives.slice(3 * at, 3 * at + 3))
    expect(lit).toEqual([
      [0, 0, 0],
      [255, 255, 255],
      ...Array(4).fill([0, 0, 0]),
      [250, 10, 90],
      [255, 255, 255],
    ])
  })

  it('a zone shows only what its lights can', () => {
    const step = entry(set('step', { brightness: 100 }))
    const state = { step: rgb(0, 0, 255) }
    expect(light([solid(WHITE), step], 0, state, knot5).map(nearestDrive)).toEqual([0, 0, 255])
    expect(light([entry(set('off')), step], 0, state, knot5)).toEqual([0, 0, 0])
  })

  it('time counts from when the condition came true, presses are those it waits for', () => {
    const blink = set('blink', { colour: WHITE, periodMs: 1000, litPart: 50, brightness: 100 })
    const onSignal = entry(blink, { when: { kind: 'signal', forMs: 5000 } })
    const lit = (ms: number) => itemAt(first([onSignal], ms, { signalAtMs: 700 }), 0) > 0
    expect([600, 700, 1199, 1201, 1700].map(lit)).toEqual([false, true, true, false, true])
    const glow = set('glow', { colour: WHITE, decayMs: 1000 })
    const presses = [
      { input: 4, atMs: 0 },
      { input: 5, atMs: 0 },
    ]
    const onPress = entry(glow, { when: { kind: 'press', forMs: 2000, inputs: [99] } })
    expect(first([onPress], 10, { presses: [{ input: 99, atMs: 0 }, ...presses] })).toEqual([0, 0, 0])
    const plain = light([entry(glow)], 10, { presses })
    const own = entry(glow, { when: { kind: 'press', forMs: 2000, inputs: [4] } })
    const only = light([own], 10, { presses })
    expect(plain.filter((value) => value > 0).length).toBeGreaterThan(0)
    expect(only.filter((value) => value > 0).length).toBeGreaterThan(0)
    expect(only).toEqual(light([entry(glow)], 10, { presses: [itemAt(presses, 0)] }))
  })

  it('some lights, or all, are taken for one colour', () => {
    const frame = composeLight(prepareLight([solid(below)], tern7), STATE_AT_REST, 0)
    overrideLights(frame, [2], above)
    expect([...frame.slice(6, 9)].map(nearestDrive)).toEqual([250, 10, 90])
    expect([...frame.slice(3, 6)].map(nearestDrive)).toEqual([40, 120, 200])
  })

  it('counts a frame’s time in whole ms', () => {
    expect([0, 16_665, 16_666, 33_332, 33_333, 1e6].map(frameMs)).toEqual([0, 0, 16, 16, 33, 1000])
  })
})

describe('what is sent to lights', () => {
  const supply = { lightMa: 2, limitMa: 1e6 }
  const frame = (...drives: number[]) => Uint16Array.from(drives, of)

  it('is the nearest drive times the brightness, rounded to the nearest', () => {
    expect([...driveLights(frame(255, 128, 3), ONE, supply).drives]).toEqual([255, 128, 3])
    expect([...driveLights(frame(255, 128, 3), ONE / 2, supply).drives]).toEqual([128, 64, 2])
    expect([...driveLights(frame(255, 128, 3), 0, supply).drives]).toEqual([0, 0, 0])
  })

  it('draws by its light; over the limit all of it is scaled, by no more than it must', () => {
    const full = driveLights(frame(255, 255, 0), ONE, supply)
    expect(full).toMatchObject({ ma: 4, limited: false })
    expect(driveLights(frame(255, 255, 0), ONE, { ...supply, limitMa: 4 })).toMatchObject({ limited: false })
    const half = driveLights(frame(255, 255, 0), ONE, { ...supply, limitMa: 2 })
    expect(half.limited).toBe(true)
    // Half the light of each: level 187 gives less than that, 188 would give more.
    expect([...half.drives]).toEqual([187, 187, 0])
    expect(half.ma).toBeCloseTo((2 * 2 * of(187)) / MAX_LIGHT, 9)
    const uneven = driveLights(frame(255, 100), ONE, { ...supply, limitMa: 1.2 })
    const kept = 1.2 / ((2 * (of(255) + of(100))) / MAX_LIGHT)
    ;[255, 100].forEach((drive, at) => {
      const share = of(itemAt(uneven.drives, at)) / of(drive)
      expect(share).toBeLessThanOrEqual(kept)
      expect(share).toBeGreaterThan(kept - 0.03)
    })
  })
})

describe('what a stack draws', () => {
  const one = { where: { kind: 'lights' as const, lights: [0] } }
  const red = rgb(255, 0, 0)
  const ma = tern7.electrical.lightMa

  it('is its mean and its peak over its longest period, at the brightness that is set', () => {
    const still = lightFigures([solid(red, one)], tern7, STATE_AT_REST)
    expect(still).toEqual({ meanMa: ma, peakMa: ma, limited: false })
    const slow = set('blink', { colour: red, periodMs: 20_000, litPart: 60, brightness: 100 })
    const figures = lightFigures([entry(slow, one)], tern7, STATE_AT_REST)
    expect(figures.meanMa).toBeCloseTo(0.6 * ma, 1)
    expect(figures.peakMa).toBeCloseTo(ma, 9)
    const dim = lightFigures([solid(red, one)], tern7, STATE_AT_REST, ONE / 2)
    expect(dim.peakMa).toBeCloseTo((ma * of(128)) / MAX_LIGHT, 9)
    expect(lightFigures([], tern7, STATE_AT_REST)).toEqual({ meanMa: 0, peakMa: 0, limited: false })
  })

  it('says so where any frame was scaled, and stays under the limit', () => {
    const tight = { ...tern7, electrical: { ...tern7.electrical, limitMa: 20 } }
    const blink = set('blink', { colour: WHITE, periodMs: 4000, litPart: 10, brightness: 100 })
    const figures = lightFigures([entry(blink)], tight, STATE_AT_REST)
    expect(figures.limited).toBe(true)
    expect(figures.peakMa).toBeLessThanOrEqual(20)
    expect(lightFigures([entry(blink, one)], tight, STATE_AT_REST).limited).toBe(false)
  })
})

describe('the plan of lights', () => {
  // Computed data of a model is cached with it; another model starts without any.
  const fresh = (model = tern7) => ({ ...model })

  it('has them in the order of the zones, each with its zone and the input it belongs to', () => {
    expect(lightsOfModel(fresh()).map(({ id }) => id)).toEqual([
      ...[1, 2, 3, 4, 5, 6].map((place) => `spine:${place}`),
      'crest:1',
      'crest:2',
    ])
    const plan = lightPlan(fresh())
    expect([plan.count, ...plan.zone]).toEqual([8, 0, 0, 0, 0, 0, 0, 1, 1])
    expect([plan.x[6], plan.y[6], plan.x[7]]).toEqual([280, 995, 340])
    expect(plan.box.left).toBe(Math.min(...plan.x))
    expect(plan.box.top + plan.box.height).toBe(Math.max(...plan.y))
    expect(plan.box.left + plan.box.width).toBe(Math.max(...plan.x))
  })

  it('puts each input where it is seen from above: on the plan, or at its edge', () => {
    const { inputs } = lightPlan(fresh())
    // Under the wheel: the middle of its shape.
    expect(inputs.get(6)).toEqual({ x: 310, y: 405 })
    const plan = tern7.sheet.views.find(({ id }) => id === 'plan')
    expect(inputs.size).toBe(tern7.inputs.length)
    for (const { x, y } of inputs.values()) {
      expect(x).toBeGreaterThanOrEqual(0)
      expect(x).toBeLessThanOrEqual(10 * (plan?.widthMm ?? 0))
      expect(y).toBeLessThanOrEqual(10 * (plan?.heightMm ?? 0))
    }
  })

  it('has every input near where its line ends on the drawing, on every model', () => {
    for (const model of DEVICE_MODELS)
      for (const { id, number, leader, shapes } of model.inputs) {
        if (leader.view !== 'plan' || itemAt(shapes, 0).view !== 'plan') continue
        const { x, y } = lightPlan(fresh(model)).inputs.get(number) ?? { x: Number.NaN, y: Number.NaN }
        const away = Math.hypot(x / 10 - leader.at[0], y / 10 - leader.at[1])
        expect(away, `${model.name}, ${id}`).toBeLessThan(60)
      }
  })

  it('gives the numbers of the lights in a place, and none that is not there', () => {
    const plan = lightPlan(fresh())
    expect(targetLights({ kind: 'all' }, plan)).toEqual([0, 1, 2, 3, 4, 5, 6, 7])
    expect(targetLights({ kind: 'zones', zones: [1, 9] }, plan)).toEqual([6, 7])
    expect(targetLights({ kind: 'lights', lights: [7, 3, 8] }, plan)).toEqual([7, 3])
  })

  it('has the lights of keys where the keys are, under their numbers, and in the rows a person sees', () => {
    const plan = lightPlan(fresh(dunlin84))
    const lights = lightsOfModel(fresh(dunlin84))
    lights.forEach(({ input, at }, light) => {
      const number = dunlin84.inputs.find(({ id }) => id === input)?.number ?? 0
      expect(plan.input[light]).toBe(number)
      expect([plan.x[light], plan.y[light]]).toEqual(at.map((mm) => Math.round(mm * 10)))
      if (number > 0) expect(plan.inputs.get(number)).toEqual({ x: plan.x[light], y: plan.y[light] })
    })
    const rows = rowsOfLights(fresh(dunlin84))
    const yOf = (id: string) => lights.find((light) => light.id === id)?.at[1] ?? Number.NaN
    rows.slice(1).forEach((row, at) => {
      expect(Math.min(...row.map(yOf))).toBeGreaterThan(Math.max(...itemAt(rows, at).map(yOf)))
    })
    // A light exactly four millimetres further along the device starts a row.
    const zone = { id: 'z', name: message('models.spine') }
    const at = (...places: number[]) => ({
      ...tern7,
      zones: [{ ...zone, lights: places.map((y, x) => ({ at: [x, y] as const, shapes: [] })) }],
    })
    expect(rowsOfLights(at(8, 0, 3.9, 8))).toEqual([
      ['z:2', 'z:3'],
      ['z:1', 'z:4'],
    ])
    expect(rowsOfLights(at(0, 4, 8))).toEqual([])
  })
})

describe('colours a person can tell', () => {
  it('are as different as their sight that tells them least says', () => {
    expect(minDifference('#123456', '#123456').delta).toBe(0)
    const whole = minDifference('#000000', '#ffffff')
    expect(whole.delta).toBeCloseTo(100, 0)
    expect(minDifference('#e04f2f', '#2e9bd6').delta).toBe(minDifference('#2e9bd6', '#e04f2f').delta)
    // An invalid colour counts as off.
    expect(minDifference('nothing', '#000000').delta).toBe(0)
  })

  it('the nearest that can be told is itself where it can, and none where all are taken', () => {
    const step = ['#ff0000', '#00ff00', '#0000ff', '#ffffff', '#ffff00', '#ff00ff', '#00ffff']
    expect(nearestDistinctColour('#ff0000', ['#0000ff'])).toBe('#ff0000')
    const other = nearestDistinctColour('#ff0000', ['#ff0000']) ?? ''
    expect(other).not.toBe('#ff0000')
    expect(minDifference(other, '#ff0000').delta).toBeGreaterThanOrEqual(MIN_DISTINCT_DELTA)
    for (const colour of step) {
      const found = nearestDistinctColour(colour, step) ?? ''
      for (const each of step)
        expect(minDifference(found, each).delta).toBeGreaterThanOrEqual(MIN_DISTINCT_DELTA)
      // Not too dark for a light to show.
      expect(Math.max(...[1, 3, 5].map((at) => parseInt(found.slice(at, at + 2), 16)))).toBeGreaterThan(0x80)
    }
    const all = Array.from({ length: 343 }, (_, at) =>
      [at % 7, Math.floor(at / 7) % 7, Math.floor(at / 49)]
        .map((level) =>
          Math.min(255, level * 43)
            .toString(16)
            .padStart(2, '0'),
        )
        .join(''),
    ).map((hex) => `#${hex}`)
    expect(nearestDistinctColour('#808080', all)).toBeUndefined()
  })
})
