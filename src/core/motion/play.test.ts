import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firstItems, itemAt, valueOf } from '../base/items'
import { DEVICE_MODELS } from '../device/models'
import { dunlin84 } from '../device/models/dunlin-84'
import { godwit19 } from '../device/models/godwit-19'
import { knot5 } from '../device/models/knot-5'
import { tern7 } from '../device/models/tern-7'
import { currentMa, estimatePower, PLAY_USAGE, totalMa } from './power'
import { PointerConverter, POINTER_CURVES, pointerCurveById } from './pointer-curve'
import { planStarter, STARTERS } from './starters'
import { dpiProblem } from './steps'
import { blindOrder, compareTimes, hitsTarget, planTargets, TARGET_SIZES } from './targets'

const SCREEN = { width: 1000, height: 700 }

describe('targets', () => {
  it('lie whole on the screen, each as far from the last as its turn says, sizes and kinds in turn', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 1, max: 40 }), (seed, count) => {
        const plan = planTargets(count, seed, SCREEN)
        expect(plan.length).toBe(count)
        expect(planTargets(count, seed, SCREEN)).toEqual(plan)
        let before = { x: 500, y: 350 }
        plan.forEach((target, index) => {
          const { x, y, size, kind } = target
          expect(size).toBe(TARGET_SIZES[index % 3])
          for (const [at, max] of [
            [x, SCREEN.width],
            [y, SCREEN.height],
          ] as const) {
            expect(at - size / 2).toBeGreaterThan(10 - 1e-9)
            expect(at + size / 2).toBeLessThan(max - 10 + 1e-9)
          }
          const away = Math.hypot(x - before.x, y - before.y)
          if (x !== 500 || y !== 350) {
            expect(away).toBeCloseTo(itemAt([220, 340, 460], Math.floor(index / 3) % 3), 6)
            expect(kind).toBe(index % 4 === 3 ? 'cross' : 'hit')
          } else expect(kind).toBe('hit')
          before = { x, y }
        })
      }),
    )
    expect(planTargets(9, 1, SCREEN)).not.toEqual(planTargets(9, 2, SCREEN))
  })

  it('are reached within their width', () => {
    const target = { kind: 'hit', x: 100, y: 50, size: 60 } as const
    expect(hitsTarget(target, { x: 130, y: 50 })).toBe(true)
    expect(hitsTarget(target, { x: 100, y: 80.1 })).toBe(false)
    expect(hitsTarget(target, { x: 121, y: 71 })).toBe(true)
    expect(hitsTarget(target, { x: 122, y: 72 })).toBe(false)
  })

  it('tell which of two settings is faster, and only where there is no doubt', () => {
    const times = [400, 900, 600, 1500, 700, 1100, 500, 800]
    const scaled = (by: number) => times.map((ms, index) => ms * by * (index % 2 ? 1.02 : 0.98))
    expect(compareTimes(times, scaled(0.8))).toMatchObject({ faster: 'b' })
    expect(compareTimes(times, scaled(1.25))).toMatchObject({ faster: 'a' })
    expect(compareTimes(times, scaled(1)).faster).toBeUndefined()
    const { ratio } = compareTimes(times, scaled(0.8))
    expect(ratio.value).toBeCloseTo(0.8 * Math.sqrt(1.02 * 0.98), 9)
    expect(ratio.count).toBe(8)
    // Easy and hard targets have equal weight: one twice as fast and one half as fast cancel out.
    expect(compareTimes([100, 2000], [200, 1000]).ratio.value).toBeCloseTo(1, 9)
    // Targets that one setting has not reached count for neither.
    expect(compareTimes([100, 100], [50, 50, 999]).ratio.value).toBeCloseTo(0.5, 9)
  })

  it('are tried blind, each setting as often, in pairs of which the first is by chance', () => {
    const firsts = new Set<string>()
    for (let seed = 0; seed < 40; seed++) {
      const order = blindOrder(6, seed)
      expect(order.length).toBe(6)
      for (let pair = 0; pair < 6; pair += 2) {
        expect(order.slice(pair, pair + 2).toSorted()).toEqual(['a', 'b'])
        firsts.add(itemAt(order, pair))
      }
    }
    expect([...firsts].toSorted()).toEqual(['a', 'b'])
    expect(blindOrder(3, 1).length).toBe(3)
  })
})

describe('starters of motion', () => {
  it('come to steps and rates that each device has', () => {
    for (const model of DEVICE_MODELS)
      for (const starter of STARTERS) {
        const { dpis, rates } = planStarter(starter, model)
        for (const dpi of dpis) expect(model.sensor && dpiProblem(model.sensor, dpi)).toBeUndefined()
        expect(dpis.length).toBeLessThanOrEqual(Math.min(starter.steps, model.sensor?.maxSteps ?? 0))
        expect(Object.keys(rates)).toEqual(
          model.connections.filter(({ configurable }) => configurable).map(({ id }) => id),
        )
        for (const { id, ratesHz } of model.connections.filter(({ configurable }) => configurable)) {
          expect(ratesHz).toContain(rates[id])
          const off = (hz: number) => Math.abs(hz - starter.rateHz)
          expect(Math.min(...ratesHz.map(off))).toBe(off(valueOf(rates, id)))
        }
      }
    const turning = itemAt(STARTERS, 0)
    expect(planStarter(turning, tern7)).toMatchObject({ rates: { cable: 1000, receiver: 2000 } })
    expect(planStarter(turning, tern7).dpis).toEqual([600, 1000, 1600])
    expect(planStarter(turning, godwit19).dpis.at(-1)).toBe(1600)
    expect(planStarter(turning, knot5).dpis.length).toBe(Math.min(3, knot5.sensor?.maxSteps ?? 0))
    expect(planStarter(turning, dunlin84).dpis).toEqual([])
  })
})

describe('current and hours', () => {
  const { electrical } = tern7
  const battery = electrical.battery ?? never()

  it('is counted part by part', () => {
    const state = { rateHz: 1000, active: true, asleep: false, lightMa: 3 }
    expect(currentMa(electrical, battery, state)).toEqual({
      controller: electrical.controllerMa,
      sensor: electrical.sensorActiveMa,
      radio: battery.reportMicroampereSeconds,
      light: 3,
    })
    expect(currentMa(electrical, battery, { ...state, rateHz: 500 }).radio).toBe(
      battery.reportMicroampereSeconds / 2,
    )
    expect(currentMa(electrical, battery, { ...state, active: false })).toMatchObject({
      sensor: electrical.sensorRestMa,
      radio: battery.radioRestMa,
    })
    for (const active of [true, false])
      expect(currentMa(electrical, battery, { ...state, active, rateHz: 0 }).radio).toBe(0)
    expect(currentMa(electrical, battery, { ...state, asleep: true })).toEqual({
      controller: battery.sleepMa,
      sensor: 0,
      radio: 0,
      light: 0,
    })
  })

  it('lasts as an hour-by-hour count of a day says', () => {
    const setting = { rateHz: 1000, lightMa: 2, sleepMinutes: 30 }
    const usage = { activeShare: 0.25, hoursADay: 5 }
    const { parts, meanMa, hoursInHand, days } = estimatePower(electrical, battery, setting, usage)
    const at = (active: boolean) =>
      totalMa(currentMa(electrical, battery, { ...setting, active, asleep: false }))
    let mah = 0
    for (let minute = 0; minute < 24 * 60; minute++) {
      const inHand = minute < 5 * 60
      const awake = minute < 5 * 60 + 30
      mah += (inHand ? 0.25 * at(true) + 0.75 * at(false) : awake ? at(false) : battery.sleepMa) / 60
    }
    expect(days).toBeCloseTo(battery.capacityMah / mah, 6)
    expect(hoursInHand).toBeCloseTo(battery.capacityMah / (0.25 * at(true) + 0.75 * at(false)), 6)
    expect(totalMa(parts)).toBeCloseTo(meanMa, 9)
    expect(parts.light).toBe(2)
    // In use all day, it never sleeps.
    const always = estimatePower(
      electrical,
      battery,
      { ...setting, sleepMinutes: 600 },
      { ...usage, hoursADay: 20 },
    )
    expect(always.days * 24).toBeGreaterThan(always.hoursInHand)
    expect(estimatePower(electrical, battery, setting)).toEqual(
      estimatePower(electrical, battery, setting, PLAY_USAGE),
    )
  })
})

describe('what a system does to counts', () => {
  it('gains from its least to its most by the speed of the hand, smoothly, and never falls', () => {
    const ends = { off: [1, 1], gentle: [0.9, 1.6], steep: [0.5, 3] }
    for (const curve of POINTER_CURVES) {
      const [min, max] = firstItems(ends[curve.id], 2)
      expect(curve.gain(0)).toBeCloseTo(min, 9)
      expect(curve.gain(1000)).toBeCloseTo(max, 9)
      const middle = { off: 5, gentle: 4, steep: 6 }[curve.id]
      expect(curve.gain(middle)).toBeCloseTo((min + max) / 2, 9)
      for (let speed = 0; speed < 15; speed += 0.1)
        expect(curve.gain(speed + 0.1)).toBeGreaterThanOrEqual(curve.gain(speed))
      expect(pointerCurveById(curve.id)).toBe(curve)
    }
    expect(pointerCurveById('none').id).toBe('off')
  })

  it('goes by the speed of the last dozen ms, along both axes alike, and loses no part of a pixel', () => {
    for (const curve of POINTER_CURVES)
      for (const [x, y] of [
        [3, 0],
        [0, -3],
        [4, 3],
      ] as const) {
        const pointer = new PointerConverter(curve, 1.5)
        let sum = { x: 0, y: 0 }
        const settle = 400
        for (let ms = 0; ms < settle + 1000; ms++) {
          const step = pointer.take(x, y, ms)
          expect(Number.isInteger(step.x) && Number.isInteger(step.y)).toBe(true)
          if (ms >= settle) sum = { x: sum.x + step.x, y: sum.y + step.y }
        }
        const gain = curve.gain(Math.hypot(x, y)) * 1.5
        expect(Math.abs(sum.x - 1000 * x * gain)).toBeLessThanOrEqual(1.001)
        expect(Math.abs(sum.y - 1000 * y * gain)).toBeLessThanOrEqual(1.001)
      }
    // A fast movement starts slowly from rest, and again after a pause.
    const steep = pointerCurveById('steep')
    const pointer = new PointerConverter(steep)
    const first = pointer.take(100, 0, 0).x
    for (let ms = 1; ms < 60; ms++) pointer.take(100, 0, ms)
    const fast = pointer.take(100, 0, 60).x
    expect(fast).toBeGreaterThan(290)
    expect(first).toBeLessThanOrEqual(fast)
    expect(pointer.take(1, 0, 2000).x).toBeLessThanOrEqual(1)
  })
})

const never = (): never => {
  throw new Error('not there')
}
