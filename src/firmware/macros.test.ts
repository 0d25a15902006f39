import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { CompileError, compileProfile } from '../core/compile/compile'
import { decompileImage, decompileMacros } from '../core/compile/decompile'
import { encodeImage, decodeImage } from '../core/onboard/format'
import { writeMacro } from '../core/onboard/macro-code'
import { anyCombo, anyEvents } from '../core/document/any-macro.test-support'
import { lowerUnfolded } from '../core/terms/lower-macro'
import { shelfOf, type Macro, type MacroEvent } from '../core/document/macro'
import { eventTimes } from '../core/document/macro-timing'
import type { MacroAction } from '../core/document/action-schema'
import { setPolling } from '../core/edits/motion-edits'
import { factoryProfile } from '../core/terms/profile'
import type { Action } from '../core/document/schema'
import type { SimulatedDevice } from './device'

import { bound, deviceWith, key, macro, play, tap } from './macros.test-support'
import { runs } from '../core/base/runs.test-support'
import { englishText } from '../messages/plain'

const SWEEP = macro('sweep', [...tap('KeyS', 30), ...tap('KeyW', 40, 50)])
const SWEEP_HEARD = ['0 S down', '30000 S up', '80000 W down', '120000 W up']

describe('a macro on the device', () => {
  it('is played once, to the millisecond, however long its input is held', async () => {
    const { device, heard, at } = await deviceWith(bound(['side-front', play({ macro: 'sweep' })]), [SWEEP])
    device.press('side-front')
    at(10)
    device.release('side-front')
    at(500)
    expect(heard()).toEqual(SWEEP_HEARD)
  })

  it('is played so many times, with a gap between', async () => {
    const twice = bound(['side-front', play({ macro: 'sweep', play: 'times', times: 2, gapMs: 100 })])
    const { device, heard, at } = await deviceWith(twice, [SWEEP])
    device.press('side-front')
    at(900)
    expect(heard()).toEqual([...SWEEP_HEARD, '220000 S down', '250000 S up', '300000 W down', '340000 W up'])
  })

  it('repeats while held, and lets go at once', async () => {
    const { device, heard, at } = await deviceWith(
      bound(['side-front', play({ macro: 'sweep', play: 'held', gapMs: 30 })]),
      [SWEEP],
    )
    device.press('side-front')
    at(240)
    device.release('side-front')
    at(900)
    expect(heard()).toEqual([...SWEEP_HEARD, '150000 S down', '180000 S up', '230000 W down', '240000 W up'])
  })

  it('has a control down for a press, goes on meanwhile, and lets it go when another slot comes', async () => {
    const louder = (afterMs: number): MacroEvent => ({ kind: 'control', control: 'volumeUp', afterMs })
    const { device, heard, at, session } = await deviceWith(
      bound(['side-front', play({ macro: 'louder' })], ['side-rear', play({ macro: 'twice' })]),
      [macro('louder', [louder(0), ...tap('KeyS', 3)]), macro('twice', [louder(0), louder(4)])],
      [compileProfile(factoryProfile(tern7, 'Another'), tern7).bytes],
    )
    device.press('side-front')
    at(200)
    expect(heard()).toEqual(['0 S down', '0 Volume up down', '3000 S up', '10000 Volume up up'])
    device.press('side-rear')
    at(400)
    expect(heard()).toEqual([
      '200000 Volume up down',
      '204000 Volume up up',
      '205000 Volume up down',
      '214000 Volume up up',
    ])
    device.release('side-rear')
    at(500)
    device.press('side-rear')
    at(501)
    await session.select(1)
    at(504)
    expect(heard()).toEqual(['500000 Volume up down', expect.stringMatching(/^50[23]000 Volume up up$/)])
  })

  it('repeats a click every 50 ms until pressed again', async () => {
    const click: MacroEvent[] = [
      { kind: 'button', button: 1, does: 'press', afterMs: 0 },
      { kind: 'button', button: 1, does: 'release', afterMs: 20 },
    ]
    const { device, at, reports, startUs } = await deviceWith(
      bound(['side-front', play({ macro: 'click', play: 'toggle', again: 'stop', gapMs: 30 })]),
      [macro('click', click)],
    )
    reports.length = 0
    const tapAt = (ms: number) => {
      at(ms)
      device.press('side-front')
      at(ms + 10)
      device.release('side-front')
    }
    tapAt(0)
    tapAt(990)
    at(3000)
    const downs = reports.filter(({ bytes }) => bytes[1] === 1).map(({ atUs }) => (atUs - startUs) / 1000)
    expect(downs).toEqual(Array.from({ length: 20 }, (_, index) => index * 50))
    expect(reports.at(-1)?.bytes[1]).toBe(0)
  })

  it('plays in three parts: on press, while held, on release', async () => {
    const parts: Action = { kind: 'macro-parts', press: 'in', held: 'mid', release: 'out' }
    const { device, heard, at } = await deviceWith(bound(['side-front', parts]), [
      macro('in', tap('KeyI', 10)),
      macro('mid', [...tap('KeyM', 10), { kind: 'pause', fromMs: 40, toMs: 40, afterMs: 0 }]),
      macro('out', tap('KeyO', 10)),
    ])
    device.press('side-front')
    at(70)
    device.release('side-front')
    at(400)
    expect(heard()).toEqual([
      ...['0 I down', '10000 I up', '11000 M down', '20000 M up', '60000 M down', '70000 M up'],
      ...['71000 O down', '80000 O up'],
    ])
  })

  it.each<[string, Partial<MacroAction>, string, number]>([
    ['the same input again stops it', { again: 'stop' }, 'side-front', 0],
    ['the same input again starts it over', { again: 'restart' }, 'side-front', 2],
    ['the same input again is not heeded', { again: 'ignore' }, 'side-front', 1],
    ['another input stops it', { others: 'stop' }, 'right', 0],
    ['another input is not heeded', { others: 'go-on' }, 'right', 1],
    ['the action for that stops it', {}, 'side-rear', 0],
  ])('%s', async (_, rule, input, endings) => {
    const slow = macro('slow', [...tap('KeyA', 10), ...tap('KeyZ', 10, 300)])
    const profile = bound(
      ['side-front', play({ macro: 'slow', ...rule })],
      ['side-rear', { kind: 'stop-macros' }],
    )
    const { device, heard, at } = await deviceWith(profile, [slow])
    device.press('side-front')
    at(50)
    device.release('side-front')
    at(100)
    device.press(input)
    at(150)
    device.release(input)
    at(2000)
    const said = heard().filter((line) => / [AZ] /.test(line))
    expect(said.filter((line) => line.endsWith('Z down')).length).toBe(Math.min(1, endings))
    expect(said.filter((line) => line.endsWith('A down')).length).toBe(Math.max(1, endings))
    expect(said.filter((line) => line.endsWith('down')).length).toBe(
      said.filter((line) => line.endsWith('up')).length,
    )
  })

  it.each([
    ['its slot changes', (device: SimulatedDevice) => device.press('slot-button')],
    ['the cable comes out', (device: SimulatedDevice) => device.setPlugs({ cable: 'none', radio: 'off' })],
    ['the power goes', (device: SimulatedDevice) => device.setPlugs({ power: false })],
  ])('that runs away ends when %s, with nothing down', async (_, end) => {
    // The worst case: no delays at all, endlessly.
    const wild = macro('wild', [key('KeyK', 'press', 0), key('KeyK', 'release', 0), key('KeyL', 'press', 0)])
    const other = compileProfile(factoryProfile(tern7, 'Second'), tern7).bytes
    const run = await deviceWith(
      bound(['side-front', play({ macro: 'wild', play: 'toggle', again: 'stop' })]),
      [wild],
      [other],
    )
    run.device.press('side-front')
    run.at(500)
    end(run.device)
    run.at(600)
    const after = run.heard().length
    expect(after).toBeGreaterThan(100)
    run.at(5000)
    expect(run.heard().length).toBeLessThanOrEqual(4)
    run.device.setPlugs({ cable: 'data', power: true })
    run.at(6000)
    run.device.press('left')
    run.at(6100)
    expect(run.heard().filter((line) => /K|L/.test(line.replace('Left', '')))).toEqual([])
  })

  it('switches a light, a step and a layer, types and draws its pauses anew', async () => {
    const mixed = macro('mixed', [
      { kind: 'text', text: 'Hi', afterMs: 0 },
      { kind: 'step', to: 'next', afterMs: 10 },
      { kind: 'signal', colour: '#ff0000', afterMs: 10 },
      { kind: 'pause', fromMs: 10, toMs: 90, afterMs: 0 },
      ...tap('KeyZ', 10),
    ])
    const { device, heard, at, session } = await deviceWith(
      bound(['side-front', play({ macro: 'mixed', play: 'times', times: 12, gapMs: 900 })]),
      [mixed],
    )
    device.press('side-front')
    at(100)
    expect(device.lights()[0]).toEqual({ red: 255, green: 0, blue: 0 })
    at(20_000)
    const said = heard()
    expect(said.filter((line) => line.includes('H down')).length).toBe(12)
    const at2 = (name: string) =>
      said.filter((line) => line.endsWith(name)).map((line) => Number(line.split(' ')[0]))
    const pauses = at2('Z down').map((us, index) => us - itemAt(at2('I down'), index))
    expect(new Set(pauses).size).toBeGreaterThan(6)
    for (const pause of pauses) expect(pause).toBeLessThanOrEqual(122_000)
    expect((await session.info()).activeStep).toBe(2)
  })

  it('stays within one polling interval of its ideal times, at any rate, however long', async () => {
    const apart = anyCombo.map((events) => events.map((event) => ({ ...event, afterMs: event.afterMs + 9 })))
    await fc.assert(
      fc.asyncProperty(apart, fc.constantFrom(125, 250, 500, 1000), async (events, rateHz) => {
        fc.pre(events.length > 0)
        const profile = setPolling(bound(['side-front', play({ macro: 'm' })]), tern7, 'cable', rateHz)
        const run = await deviceWith(profile, [macro('m', events)])
        run.reports.length = 0
        run.device.press('side-front')
        run.at(60_000)
        const sent = run.reports.map(({ atUs }) => atUs - run.startUs)
        const ideal = eventTimes(events).map((ms) => ms * 1000)
        expect(sent.length).toBe(ideal.length)
        sent.forEach((us, index) => {
          expect(us - itemAt(ideal, index)).toBeGreaterThanOrEqual(0)
          expect(us - itemAt(ideal, index)).toBeLessThan(1e6 / rateHz)
        })
      }),
      runs(60),
    )
  })

  it('gives the same reports folded and unfolded', async () => {
    await fc.assert(
      fc.asyncProperty(anyEvents, fc.integer({ min: 1, max: 6 }), async (events, times) => {
        const repeated = macro('m', Array.from({ length: times }, () => events).flat())
        const profile = bound(['side-front', play({ macro: 'm' })])
        const run = async (image: Uint8Array) => {
          const device = await deviceWith(profile, [repeated], [])
          await device.session.writeSlot(0, image, undefined)
          device.at(20_000)
          device.reports.length = 0
          device.device.press('side-front')
          device.at(900_000)
          return device.reports.map(({ atUs, bytes }) => `${atUs - device.startUs} ${bytes.join()}`)
        }
        const folded = compileProfile(profile, tern7, shelfOf([repeated])).bytes
        const code = writeMacro(lowerUnfolded(repeated, shelfOf([]), { layout: 'us' }))
        const plain = encodeImage({ ...decodeImage(folded), macros: [{ number: 1, name: 'x', code }] }).bytes
        expect(await run(folded)).toEqual(await run(plain))
      }),
      runs(25),
    )
  })
})

describe('macros in an image', () => {
  const shelf = shelfOf([SWEEP, macro('other', tap('KeyO', 25))])
  const profile = bound(
    ['side-front', play({ macro: 'sweep' })],
    ['side-rear', play({ macro: 'sweep', play: 'held' })],
    ['right', play({ macro: 'other' })],
  )

  it('are there once each, however many bindings use them, and come back as those of the library', () => {
    const { bytes, budget } = compileProfile(profile, tern7, shelf)
    expect(decodeImage(bytes).macros.length).toBe(2)
    expect(budget.find(({ kind }) => kind === 'macros')?.bytes).toBeGreaterThan(8)
    expect(decompileImage(bytes, tern7, shelf)).toEqual(profile)
    expect(decompileMacros(bytes, shelf)).toEqual([])
  })

  it('come back as macros of their own where the library has none of them, the same each time', () => {
    const { bytes } = compileProfile(profile, tern7, shelf)
    const found = decompileMacros(bytes, shelfOf([]))
    expect(found.map(({ name }) => name).sort()).toEqual(['Macro of other', 'Macro of sweep'])
    const again = compileProfile(decompileImage(bytes, tern7, shelfOf(found)), tern7, shelfOf(found))
    expect(again.bytes).toEqual(bytes)
  })

  it('are checked: there, no circle, typable, nothing left down', () => {
    const rules = (macros: Macro[]) => {
      try {
        return compileProfile(
          bound(['side-front', play({ macro: 'm' })]),
          tern7,
          shelfOf(macros),
        ).findings.map(({ rule }) => rule)
      } catch (error) {
        return error instanceof CompileError ? error.reasons.map(englishText) : []
      }
    }
    expect(rules([])[0]).toMatch(/not in the library/)
    expect(rules([macro('m', [{ kind: 'macro', macro: 'm', afterMs: 0 }])])[0]).toMatch(
      /would never end, because Macro of m plays itself/,
    )
    expect(rules([macro('m', [{ kind: 'text', text: 'Größe', afterMs: 0 }])])[0]).toMatch(
      /types ö ß, which the US layout on any operating system cannot/,
    )
    expect(rules([macro('m', [key('KeyA', 'press', 0)])])).toEqual(['macro-left-down'])
    expect(rules([macro('m', tap('KeyA', 5))])).toEqual([])
  })
})
