import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import type { Rgb } from '../base/colour'
import { driveBelow, nearestDrive, LIGHT_OF_DRIVE, MAX_LIGHT } from './fixed'
import {
  ALL,
  RED,
  BLUE,
  GREEN,
  set,
  drives,
  covers,
  reds,
  exactLight,
  expectBetween,
} from './painting.test-support'
import { EFFECTS, effectByCode, EFFECT_NAMES, unusedParameters, type LightEffect } from './registry'

describe('whole-number light', () => {
  it('goes from drive to light and back, rises with it, and never gives more than was asked', () => {
    for (let drive = 0; drive < 256; drive++) {
      expect(nearestDrive(itemAt(LIGHT_OF_DRIVE, drive))).toBe(drive)
      expect(driveBelow(itemAt(LIGHT_OF_DRIVE, drive))).toBe(drive)
      expect(LIGHT_OF_DRIVE[drive]).toBe(Math.round(MAX_LIGHT * exactLight(drive)))
      if (drive > 0) expect(driveBelow(itemAt(LIGHT_OF_DRIVE, drive) - 1)).toBe(drive - 1)
    }
    // Half way between two, the higher one is used; below it, the lower.
    const half = Math.ceil((itemAt(LIGHT_OF_DRIVE, 200) + itemAt(LIGHT_OF_DRIVE, 201)) / 2)
    expect([nearestDrive(half - 1), nearestDrive(half)]).toEqual([200, 201])
  })
})

describe('the registry of effects', () => {
  it('finds each by its code, no code twice, and knows no other', () => {
    expect(EFFECT_NAMES.map((name) => effectByCode(EFFECTS[name].code))).toEqual(EFFECT_NAMES)
    expect(new Set(EFFECT_NAMES.map((name) => EFFECTS[name].code)).size).toBe(EFFECT_NAMES.length)
    expect(effectByCode(30)).toBeUndefined()
  })

  it('says truly what makes no difference: changing it changes no frame', () => {
    const other = (value: unknown): unknown =>
      typeof value === 'number' ? (value === 0 ? 45 : 0) : value === 'light' ? 'zone' : 'light'
    let idleOnes = 0
    for (const name of EFFECT_NAMES)
      for (const by of [{}, { lag: 20 }, { moves: 'out' }, { order: 'by chance' }]) {
        const known = Object.keys(by).every((key) => key in EFFECTS[name].parameters)
        const effect = known ? set(name, by) : set(name)
        for (const key of unusedParameters(name, effect)) {
          idleOnes++
          const changed = { ...effect, [key]: other(effect[key as keyof LightEffect]) } as LightEffect
          for (const ms of [0, 333, 1234, 5000])
            expect(drives(changed, { ms }), `${name} ${key}`).toEqual(drives(effect, { ms }))
        }
      }
    expect(idleOnes).toBeGreaterThan(8)
  })
})

describe('still effects', () => {
  it('paint one colour at its brightness, or none, and cover what is below', () => {
    expect(drives(set('solid', { colour: { red: 200, green: 100, blue: 50 }, brightness: 50 }))).toEqual(
      ALL.map(() => [100, 50, 25]),
    )
    expect(drives(set('off'))).toEqual(ALL.map(() => [0, 0, 0]))
    expect(drives(set('step', { brightness: 100 }))[3]).toEqual([0, 255, 0])
    for (const kind of ['solid', 'off', 'step'] as const) expect(covers(set(kind))).toEqual(ALL.map(() => 1))
  })

  it('a gradient mixes light from the first of its lights to the last, by place', () => {
    const gradient = set('gradient', { colours: [RED, BLUE], direction: 0, brightness: 100, spreadMm: 0 })
    drives(gradient).forEach((found, light) => expectBetween(found, light / 5, `light ${light}`))
    const back = { ...gradient, direction: 180 } as LightEffect
    drives(back).forEach((found, light) => expectBetween(found, 1 - light / 5, `back, light ${light}`))
    // Over 20 mm it is blue from the third light on; over 100 mm the last light is half way.
    const short = { ...gradient, spreadMm: 20 } as LightEffect
    drives(short).forEach((found, light) => expectBetween(found, Math.min(1, light / 2), `short, ${light}`))
    expectBetween(itemAt(drives({ ...gradient, spreadMm: 100 } as LightEffect), 5), 0.5, 'long')
    // Only across its own lights; in the other direction all have the same position.
    expectBetween(itemAt(drives(gradient, { chosen: [2, 4] }), 0), 0, 'the first of two')
    expectBetween(itemAt(drives(gradient, { chosen: [2, 4] }), 1), 1, 'the second of two')
    const across = { ...gradient, direction: 90 } as LightEffect
    drives(across).forEach((found) => expectBetween(found, 0, 'across'))
    const three = set('gradient', { colours: [RED, GREEN, BLUE], direction: 0, brightness: 100 })
    expect(drives(three, { chosen: [0, 1, 2] })).toEqual([
      [255, 0, 0],
      [0, 255, 0],
      [0, 0, 255],
    ])
  })
})

describe('effects of what the device is in', () => {
  it('a map of layers lights what is bound in the colour of the uppermost that binds it, and dims the rest', () => {
    const on = (layer: number, colour: Rgb, inputs: number[]) => ({
      layer,
      atMs: 0,
      colour,
      inputs: new Set(inputs),
    })
    const map = set('layers', { brightness: 100, rest: 25 })
    const state = { layers: [on(2, RED, [1, 2]), on(1, BLUE, [2, 3, 0])] }
    expect(drives(map, { state }).slice(0, 3)).toEqual([
      [255, 0, 0],
      [255, 0, 0],
      [0, 0, 255],
    ])
    expect(covers(map, { state })).toEqual([1, 1, 1, 0.75, 0.75, 0.75])
    expect(covers(map)).toEqual(ALL.map(() => 0))
  })

  it('a battery gauge fills as many lights as there is charge, between its two colours', () => {
    const gauge = set('battery', { full: BLUE, low: RED, brightness: 100, lowPercent: 20 })
    const at = (chargePercent: number, chosen = ALL) => drives(gauge, { chosen, state: { chargePercent } })
    expect(at(100)).toEqual(ALL.map(() => [0, 0, 255]))
    expect(at(20).map((light) => itemAt(light, 0) > 0)).toEqual([true, true, false, false, false, false])
    expect(at(20)[0]).toEqual([255, 0, 0])
    // 60% is half way between low and full; of six lights it fills three and a part of the fourth.
    expectBetween(itemAt(at(60), 0), 0.5, 'half way')
    expect(at(60)[2]).toEqual(at(60)[0])
    expect(itemAt(at(60), 3)[2]).toBeGreaterThan(0)
    expect(itemAt(at(60), 3)[2]).toBeLessThan(itemAt(itemAt(at(60), 0), 2))
    expect(at(60)[4]).toEqual([0, 0, 0])
    expect(at(1, [0])[0]).toEqual([255, 0, 0])
    expect(at(-5)).toEqual(at(0))
    expect(at(140)).toEqual(at(100))
  })

  it('a countdown empties with its time, and shows nothing when it is over', () => {
    const gauge = set('countdown', { brightness: 100 })
    const countdown = { atMs: 1000, lengthMs: 6000, colour: RED }
    const at = (ms: number) => reds(gauge, { ms, state: { countdown } })
    expect(at(1000)).toEqual(ALL.map(() => 255))
    expect(at(4000)).toEqual([255, 255, 255, 0, 0, 0])
    expect(at(4500)[2]).toBe(nearestDrive(Math.floor(MAX_LIGHT / 2)))
    expect(covers(gauge, { ms: 6999, state: { countdown } })).toEqual(ALL.map(() => 1))
    expect(covers(gauge, { ms: 7000, state: { countdown } })).toEqual(ALL.map(() => 0))
    expect(covers(gauge)).toEqual(ALL.map(() => 0))
    // An effect that starts later is full until then.
    expect(at(0)).toEqual(ALL.map(() => 255))
  })
})
