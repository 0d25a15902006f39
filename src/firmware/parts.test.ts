import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import type { ImageAction } from '../core/actions/registry'
import type { GaugeHour } from '../core/motion/battery-life'
import { Battery, type Load } from './battery'
import { Bindings, indexAfter } from './bindings'
import { Clock, PoweredAlarms, TaskQueue, type Task } from './clock'
import { Layers } from './layers'
import { Lights } from './lights'
import { factoryEffect, solid } from '../core/device/factory-light'
import { Matrix } from './matrix'
import { Outbox } from './outbox'

describe('the clock', () => {
  it('rings alarms in the order of their time, and equal ones in the order they were set', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(50), { maxLength: 60 }), (times) => {
        const clock = new Clock()
        const rung: [number, number][] = []
        times.forEach((at, index) => clock.at(at, () => rung.push([at, index])))
        clock.runUntil(100)
        expect(rung).toEqual(
          times.map((at, index): [number, number] => [at, index]).sort((a, b) => a[0] - b[0] || a[1] - b[1]),
        )
        expect(clock.nowUs).toBe(100)
      }),
    )
  })

  it('rings what an alarm sets, in the same run, and never goes back', () => {
    const clock = new Clock()
    const rung: number[] = []
    clock.at(10, () => {
      rung.push(clock.nowUs)
      clock.at(5, () => rung.push(clock.nowUs))
      clock.at(20, () => rung.push(clock.nowUs))
    })
    clock.runUntil(30)
    clock.runUntil(7)
    expect(rung).toEqual([10, 10, 20])
    expect(clock.nowUs).toBe(30)
  })

  it('forgets alarms that were cancelled, one or all of an owner', () => {
    const clock = new Clock()
    const rung: string[] = []
    const [mine, theirs] = [new PoweredAlarms(clock), new PoweredAlarms(clock)]
    const one = mine.at(5, () => rung.push('one'))
    for (const at of [1, 6, 9]) mine.at(at, () => rung.push(`mine ${at}`))
    theirs.at(7, () => rung.push('theirs'))
    mine.cancel(one)
    clock.runUntil(2)
    mine.cancelAll()
    clock.runUntil(20)
    expect(rung).toEqual(['mine 1', 'theirs'])
    expect(clock.nextAlarmUs).toBeUndefined()
  })

  it('runs tasks one after the other, and goes on after one that failed', () => {
    const clock = new Clock()
    const queue = new TaskQueue(new PoweredAlarms(clock))
    const said: string[] = []
    function* work(name: string, ...waits: number[]): Task<string> {
      for (const wait of waits) {
        said.push(`${name} at ${clock.nowUs}`)
        yield wait
      }
      if (name === 'bad') throw new Error('broken')
      return name
    }
    const add = (name: string, ...waits: number[]) =>
      queue.add(
        () => work(name, ...waits),
        (result) => said.push(`${result} done at ${clock.nowUs}`),
        () => said.push(`${name} failed at ${clock.nowUs}`),
      )
    add('a', 10, 5)
    add('bad', 3)
    add('c', 1)
    clock.runUntil(100)
    expect(said).toEqual([
      'a at 0',
      'a at 10',
      'a done at 15',
      'bad at 15',
      'bad failed at 18',
      'c at 18',
      'c done at 19',
    ])
  })
})

describe('debounce', () => {
  const bouncing = (edges: [atMs: number, closed: boolean][]) => {
    const clock = new Clock()
    const heard: [number, boolean][] = []
    const matrix = new Matrix(new PoweredAlarms(clock), { strategy: 'eager', us: 4000 }, (_, down) =>
      heard.push([clock.nowUs / 1000, down]),
    )
    for (const [atMs, closed] of edges) {
      clock.runUntil(atMs * 1000)
      matrix.contact(1, closed)
    }
    clock.runUntil(1e6)
    return heard
  }

  it('takes the first edge at once and what follows for bounce', () => {
    expect(
      bouncing([
        [0, true],
        [1, false],
        [2, true],
      ]),
    ).toEqual([[0, true]])
    expect(
      bouncing([
        [0, true],
        [20, false],
        [21, true],
        [22, false],
      ]),
    ).toEqual([
      [0, true],
      [20, false],
    ])
  })

  it('loses no press, however short: it comes up when the bounce is over', () => {
    expect(
      bouncing([
        [0, true],
        [1, false],
      ]),
    ).toEqual([
      [0, true],
      [4, false],
    ])
  })

  it('always ends where the contact rests, and alternates', () => {
    const anyEdges = fc.array(fc.tuple(fc.nat(400), fc.boolean()), { maxLength: 80 })
    fc.assert(
      fc.property(anyEdges, (edges) => {
        const ordered = [...edges].sort((a, b) => a[0] - b[0])
        const heard = bouncing(ordered)
        expect(heard.at(-1)?.[1] ?? false).toBe(ordered.at(-1)?.[1] ?? false)
        heard.forEach(([atMs, down], index) => {
          expect(down).toBe(index % 2 === 0)
          if (index > 0) expect(atMs - itemAt(heard, index - 1)[0]).toBeGreaterThanOrEqual(4)
        })
      }),
    )
  })
})

describe('bindings', () => {
  it('end the action that was started, though another is bound by then', () => {
    const clock = new Clock()
    const said: number[] = []
    const outbox = new Outbox(new PoweredAlarms(clock), (report) => said.push(itemAt(report, 1)))
    outbox.attach(1000)
    const alarms = new PoweredAlarms(clock)
    const layers = new Layers({ off: () => {}, signals: () => {} })
    const runner = {
      start: (action: ImageAction) => action.kind === 'button' && outbox.pressButton(action.button),
      end: (action: ImageAction) => action.kind === 'button' && outbox.releaseButton(action.button),
      tap: () => {},
      finishTaps: () => {},
    }
    let button = 1
    const bindings = new Bindings(alarms, layers, runner, () => ({
      action: { kind: 'button', button, clicks: 1 },
      layer: 0,
    }))
    bindings.press(7)
    bindings.press(7)
    button = 2
    bindings.release(7)
    bindings.release(7)
    clock.runUntil(1e5)
    expect(said).toEqual([1, 0])
  })

  it('go round steps and slots, and to a chosen one that is there', () => {
    expect([0, 1, 2].map((place) => indexAfter(place, 3, 'next'))).toEqual([1, 2, 0])
    expect([0, 1, 2].map((place) => indexAfter(place, 3, 'previous'))).toEqual([2, 0, 1])
    expect(indexAfter(1, 3, 3)).toBe(2)
    expect(indexAfter(1, 3, 4)).toBe(1)
  })
})

describe('lights', () => {
  let nowUs = 0
  const around = {
    nowUs: () => nowUs,
    layers: () => [],
    macros: () => [],
    countdown: () => undefined,
    chargePercent: () => 100,
    charging: () => false,
    connection: () => 1,
    sharedUs: () => undefined,
    clockPpm: 0,
  }
  const first = (lights: Lights, light = 0) => [...lights.frame().subarray(3 * light, 3 * light + 3)]
  const CREST = 6

  it('flash a slot as often as its number on the indicator, then show the effect again', () => {
    nowUs = 0
    const lights = new Lights(tern7, around)
    lights.load([factoryEffect(solid({ red: 0, green: 0, blue: 200 }, 100))])
    lights.showSlot(3, 1e6)
    const lit = Array.from({ length: 2000 }, (_, ms) => {
      nowUs = 1e6 + ms * 1000
      return first(lights, CREST)[0] === 255
    })
    expect(lit.filter((now, index) => now && !lit[index - 1]).length).toBe(3)
    nowUs = 3e6
    expect(first(lights, CREST)).toEqual([0, 0, 200])
  })

  it('show a step for two seconds at the indicator and nowhere else, unless the stack shows steps', () => {
    nowUs = 500
    const lights = new Lights(tern7, around)
    lights.load([])
    lights.setStep({ red: 9, green: 8, blue: 7 })
    lights.showStep(500)
    nowUs = 2_000_499
    expect([first(lights), first(lights, CREST)]).toEqual([
      [0, 0, 0],
      [9, 8, 7],
    ])
    nowUs = 2_000_500
    expect(first(lights, CREST)).toEqual([0, 0, 0])
    lights.load([factoryEffect({ kind: 'step', brightness: 100 }, 0)])
    lights.showStep(nowUs)
    expect([first(lights), first(lights, CREST)]).toEqual([
      [9, 8, 7],
      [0, 0, 0],
    ])
  })

  it('show a signal by the effects that wait for one, and by flashes of all where there are none', () => {
    nowUs = 0
    const lights = new Lights(tern7, around)
    const red = { red: 255, green: 0, blue: 0 }
    lights.load([])
    lights.showSignal(red, 0)
    expect(first(lights)).toEqual([255, 0, 0])
    const waits = {
      ...factoryEffect(solid({ red: 0, green: 255, blue: 0 }, 100), 0),
      when: { kind: 'signal', forMs: 500 } as const,
    }
    lights.load([waits])
    nowUs = 9e6
    lights.showSignal(red, nowUs)
    expect([first(lights), first(lights, CREST)]).toEqual([
      [0, 255, 0],
      [0, 0, 0],
    ])
    nowUs += 500_000
    expect(first(lights)).toEqual([0, 0, 0])
  })

  it('go out after a time without an input, draw nothing then, and come on with the next', () => {
    nowUs = 0
    const lights = new Lights(tern7, around)
    lights.load([factoryEffect(solid({ red: 0, green: 0, blue: 200 }, 100))])
    lights.setting = { percent: 50, offMinutes: 1 }
    expect(first(lights)).toEqual([0, 0, 100])
    expect(lights.meanMa()).toBeGreaterThan(1)
    nowUs = 60e6
    expect([first(lights), lights.meanMa()]).toEqual([[0, 0, 0], 0])
    lights.pressed(1, nowUs)
    expect(first(lights)).toEqual([0, 0, 100])
  })
})

describe('the battery', () => {
  const { electrical } = tern7
  const cell = electrical.battery
  if (!cell) throw new Error('Tern 7 has a battery')
  const load = (lightMa: number, more: Partial<Load> = {}) => ({
    rateHz: 0,
    asleep: false,
    charging: false,
    lightMa,
    ...more,
  })
  const hour = 3.6e9

  it('draws the same whether it is asked once or often', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(600), { minLength: 1, maxLength: 40 }), (minutes) => {
        const [once, often] = [new Battery(electrical, cell, 300, 0), new Battery(electrical, cell, 300, 0)]
        for (const battery of [once, often]) battery.setLoad(load(4), 0)
        const times = minutes.map((minute) => minute * 60e6).sort((a, b) => a - b)
        for (const at of times) often.charge(at)
        expect(often.charge(600 * 60e6)).toBeCloseTo(once.charge(600 * 60e6), 6)
      }),
    )
  })

  it('lasts as long as its figures say', () => {
    const battery = new Battery(electrical, cell, cell.capacityMah, 0)
    battery.setLoad(load(10), 0)
    const expected = electrical.controllerMa + electrical.sensorRestMa + 10
    expect(cell.capacityMah - battery.charge(hour)).toBeCloseTo(expected, 6)
    battery.active(hour)
    const moving = battery.charge(hour) - battery.charge(hour + 0.5e6)
    expect(moving).toBeCloseTo(((electrical.controllerMa + electrical.sensorActiveMa + 10) * 0.5) / 3600, 9)
  })

  it('is counted by its gauge: what was taken and filled is what the charge did, hour by hour', () => {
    const moments = fc.array(
      fc.record({
        minutes: fc.integer({ min: 0, max: 150 }),
        kind: fc.constantFrom('lit', 'asleep', 'charging', 'off', 'moved'),
      }),
      { minLength: 1, maxLength: 20 },
    )
    fc.assert(
      fc.property(moments, (script) => {
        const battery = new Battery(electrical, cell, 150, 0)
        let [nowUs, powered, onBattery] = [0, 0, 0]
        for (const { minutes, kind } of script) {
          if (kind === 'off') battery.noLoad(nowUs)
          else battery.setLoad(load(12, { asleep: kind === 'asleep', charging: kind === 'charging' }), nowUs)
          if (kind === 'moved') battery.active(nowUs)
          nowUs += minutes * 60e6
          if (kind !== 'off') powered += minutes * 60
          if (kind !== 'off' && kind !== 'charging') onBattery += minutes * 60
        }
        const gauge = battery.counted(nowUs)
        const { present, ...totals } = gauge.totals()
        expect(150 + totals.filledMah - totals.takenMah).toBeCloseTo(battery.charge(nowUs), 6)
        const all = gauge.hoursFrom(0, 200)
        expect(all.length).toBe(Math.floor(powered / 3600))
        expect(present.seconds).toBeCloseTo(powered % 3600, 5)
        const sum = (of: (hour: GaugeHour) => number) => all.reduce((total, hour) => total + of(hour), 0)
        expect(present.batterySeconds + sum((hour) => hour.batterySeconds)).toBeCloseTo(onBattery, 5)
        expect((present.takenUah + sum((hour) => hour.takenUah)) / 1000).toBeCloseTo(totals.takenMah, 6)
        // Stored and restored, it continues from there.
        const later = new Battery(electrical, cell, 50, 0, battery.gauge.state)
        later.setLoad(load(12), 0)
        expect(later.counted(60e6).totals().takenMah).toBeGreaterThan(totals.takenMah)
      }),
    )
  })

  it('never says 0 % while it runs, nor more than full', () => {
    const battery = new Battery(electrical, cell, 0.01, 0)
    expect(battery.percent(0)).toBe(1)
    battery.setLoad(load(0, { charging: true }), 0)
    expect(battery.percent(1000 * hour)).toBe(100)
    battery.setLoad(load(0), 1000 * hour)
    expect(battery.percent(9000 * hour)).toBe(0)
  })
})
