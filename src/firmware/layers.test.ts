import { itemAt } from '../core/base/items'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEVICE_MODELS } from '../core/device/models'
import { dunlin84 } from '../core/device/models/dunlin-84'
import { tern7 } from '../core/device/models/tern-7'
import { parseReportDescriptor } from '../core/hid/descriptor-parser'
import { anyProfile } from '../core/document/any-profile.test-support'
import { setLayerSignal } from '../core/edits/layer-edits'
import { factoryProfile } from '../core/terms/profile'
import { Clock } from './clock'
import { deviceOn, deviceWith } from './device.test-support'
import { RADIO_US, Receiver } from './radio'
import { sheet, timed } from './sheet.test-support'
import { runs } from '../core/base/runs.test-support'

describe('layers on the device', () => {
  const held = sheet(
    tern7,
    ['Dive', 'Deep'],
    ['side-rear', 0, 'hold layer Dive'],
    ['side-front', 0, 'y'],
    ['side-front', 1, 'b'],
    ['wheel-press', 1, 'hold layer Deep'],
    ['right', 2, 'd'],
  )

  it('apply while their key is held, and leave the rest to the layer below', async () => {
    expect(
      await timed(held, [
        [0, 'press', 'side-front'],
        [10, 'release', 'side-front'],
        [20, 'press', 'side-rear'],
        [30, 'press', 'side-front'],
        [40, 'press', 'left'],
        [50, 'release', 'side-front'],
        [60, 'release', 'left'],
        [70, 'release', 'side-rear'],
        [80, 'press', 'side-front'],
        [90, 'release', 'side-front'],
      ]),
    ).toEqual([
      ...['0 Y down', '10000 Y up', '30000 B down', '40000 Left click down', '50000 B up'],
      ...['60000 Left click up', '80000 Y down', '90000 Y up'],
    ])
  })

  it('let everything go that they pressed when their key comes up, layers over them included', async () => {
    expect(
      await timed(held, [
        [0, 'press', 'side-rear'],
        [10, 'press', 'side-front'],
        [20, 'press', 'wheel-press'],
        [30, 'press', 'right'],
        [40, 'release', 'side-rear'],
        [50, 'release', 'right'],
        [60, 'release', 'wheel-press'],
        [70, 'release', 'side-front'],
        [80, 'press', 'right'],
        [90, 'release', 'right'],
      ]),
    ).toEqual([
      ...['10000 B down', '30000 D down', '40000 B up', '41000 D up'],
      ...['80000 Right click down', '90000 Right click up'],
    ])
  })

  it('are switched on and off by one press each', async () => {
    const switched = sheet(
      tern7,
      ['Numbers'],
      ['side-rear', 0, 'switch layer Numbers'],
      ['side-front', 1, '1'],
    )
    const press = (at: number, input: string): [number, 'press' | 'release', string][] => [
      [at, 'press', input],
      [at + 5, 'release', input],
    ]
    expect(
      await timed(switched, [
        ...press(0, 'side-rear'),
        ...press(20, 'side-front'),
        ...press(40, 'side-rear'),
        ...press(60, 'side-front'),
      ]),
    ).toEqual(['20000 1 down', '25000 1 up', '60000 Forward click down', '65000 Forward click up'])
  })

  it('of another slot do not stay on, and no key of theirs stays down', async () => {
    const device = await deviceWith(held, factoryProfile(tern7, 'Second'))
    for (const input of ['side-rear', 'side-front', 'slot-button']) {
      device.device.press(input)
      device.after(20)
    }
    expect(device.said()).toEqual(['B down', 'B up'])
    for (const input of ['side-front', 'side-rear', 'slot-button']) device.device.release(input)
    device.after(20)
    device.device.press('side-front')
    device.after(20)
    expect(device.said()).toEqual(['Forward click down'])
  })

  it('leave no key down and no report full, whatever is pressed and let go in whatever order, on any model', async () => {
    const anyPress = fc.tuple(fc.nat(1000), fc.nat(3), fc.nat(400))
    const anyCase = fc
      .constantFrom(...DEVICE_MODELS)
      .chain((model) =>
        fc.tuple(fc.constant(model), anyProfile(model, 20), fc.array(anyPress, { maxLength: 50 })),
      )
    await fc.assert(
      fc.asyncProperty(anyCase, async ([model, profile, presses]) => {
        const { device, after, reports } = await deviceWith(profile)
        const ids = parseReportDescriptor(device.descriptor).flatMap(({ kind, id }) =>
          kind === 'input' ? [id] : [],
        )
        for (const [pick, verb, ms] of presses) {
          // Mostly bound inputs, so that layers overlap.
          const bound = profile.layers.flatMap(({ bindings }) => Object.keys(bindings))
          const input =
            model.inputs.find(({ id }) => id === bound[pick % (bound.length + 2)]) ??
            itemAt(model.inputs, pick % model.inputs.length)
          if (input.kind === 'turn') device.turn(input.id, 1)
          else if (verb > 0) device.press(input.id)
          else device.release(input.id)
          after(ms)
        }
        for (const { id, kind } of model.inputs) if (kind === 'press') device.release(id)
        after(60_000)
        for (const id of ids) {
          const last = reports.filter(({ bytes }) => bytes[0] === id).at(-1)
          const state = last?.bytes.subarray(1, id === 1 ? 2 : undefined) ?? new Uint8Array()
          expect([...state].every((byte) => byte === 0)).toBe(true)
        }
      }),
      runs(40),
    )
  })
})

describe('tap and hold on the device', () => {
  const byTime = sheet(
    tern7,
    ['Dive'],
    ['side-rear', 0, 'tap middle click, hold layer Dive after 180 ms'],
    ['side-front', 0, 'y'],
    ['side-front', 1, 'b'],
  )
  const byPress = sheet(
    tern7,
    ['Dive'],
    ['side-rear', 0, 'tap middle click, hold layer Dive after 180 ms or at the next press'],
    ['side-front', 0, 'y'],
    ['side-front', 1, 'b'],
    ['wheel-up', 1, 'volume up'],
  )

  it('taps when it is let go before the threshold, and says nothing until then', async () => {
    const taps: [number, 'press' | 'release', string][] = [
      [0, 'press', 'side-rear'],
      [179, 'release', 'side-rear'],
    ]
    const heard = ['179000 Middle click down', '189000 Middle click up']
    expect(await timed(byTime, taps)).toEqual(heard)
    expect(await timed(byPress, taps)).toEqual(heard)
  })

  it('holds from the threshold on', async () => {
    const steps: [number, 'press' | 'release', string][] = [
      [0, 'press', 'side-rear'],
      [180, 'press', 'side-front'],
      [200, 'release', 'side-front'],
      [300, 'release', 'side-rear'],
    ]
    expect(await timed(byTime, steps)).toEqual(['180000 B down', '200000 B up'])
  })

  it('by time alone leaves other inputs what they are until the threshold; by another press it holds at once', async () => {
    const early: [number, 'press' | 'release', string][] = [
      [0, 'press', 'side-rear'],
      [50, 'press', 'side-front'],
      [60, 'release', 'side-front'],
      [90, 'release', 'side-rear'],
    ]
    expect(await timed(byTime, early)).toEqual([
      ...['50000 Y down', '60000 Y up', '90000 Middle click down', '100000 Middle click up'],
    ])
    expect(await timed(byPress, early)).toEqual(['50000 B down', '60000 B up'])
    const turned: Parameters<typeof timed>[1] = [
      [0, 'press', 'side-rear'],
      [30, 'turn', 'wheel-up'],
      [60, 'release', 'side-rear'],
    ]
    expect(await timed(byPress, turned)).toEqual(['30000 Volume up down', '40000 Volume up up'])
  })
})

describe('a layer across devices', () => {
  const keys = setLayerSignal(sheet(dunlin84, ['Dive'], ['caps-lock', 0, 'hold layer Dive']), 1, 3)
  const mouse = setLayerSignal(sheet(tern7, ['Dive'], ['side-front', 1, 'b']), 1, 3)

  async function pair() {
    const clock = new Clock()
    const receiver = new Receiver(clock)
    const [keyboard, pointer] = [
      await deviceOn({ clock, receiver }, keys),
      await deviceOn({ clock, receiver }, mouse),
    ]
    for (const { device } of [keyboard, pointer]) device.setPlugs({ cable: 'none', receiver: true })
    pointer.after(10)
    return { keyboard, pointer, clock }
  }

  it('is held on the mouse by a key of the keyboard, a millisecond later, through the receiver alone', async () => {
    const { keyboard, pointer, clock } = await pair()
    const startUs = Math.ceil(clock.nowUs / 1e6) * 1e6
    clock.runUntil(startUs)
    keyboard.device.press('caps-lock')
    clock.runUntil(startUs + RADIO_US - 1)
    pointer.device.press('side-front')
    pointer.after(20)
    pointer.device.release('side-front')
    pointer.after(20)
    expect(pointer.said()).toEqual(['Forward click down', 'Forward click up'])
    pointer.device.press('side-front')
    pointer.after(20)
    expect(pointer.said()).toEqual(['B down'])
    keyboard.device.release('caps-lock')
    pointer.after(20)
    expect(pointer.said()).toEqual(['B up'])
  })

  it.each([
    ['the keyboard goes to Bluetooth', { radio: 'bluetooth' }, 'keyboard'],
    ['the keyboard loses its power', { power: false }, 'keyboard'],
    ['the mouse goes onto its cable', { cable: 'data' }, 'pointer'],
  ] as const)('ends when %s', async (_, plugs, which) => {
    const both = await pair()
    both.keyboard.device.press('caps-lock')
    both.pointer.after(20)
    both.pointer.device.press('side-front')
    both.pointer.after(20)
    expect(both.pointer.said()).toEqual(['B down'])
    both[which].device.setPlugs(plugs)
    both.pointer.after(20)
    both.pointer.device.release('side-front')
    both.pointer.after(20)
    expect(both.pointer.said().filter((line) => line !== 'B up')).toEqual([])
    both.pointer.device.press('side-front')
    both.pointer.after(20)
    expect(both.pointer.said()).toContain('Forward click down')
  })

  it('leaves layers of other signals, and devices without a receiver, alone', async () => {
    const clock = new Clock()
    const receiver = new Receiver(clock)
    const keyboard = await deviceOn({ clock, receiver }, setLayerSignal(keys, 1, 5))
    const pointer = await deviceOn({ clock, receiver }, mouse)
    for (const { device } of [keyboard, pointer]) device.setPlugs({ cable: 'none', receiver: true })
    keyboard.device.press('caps-lock')
    pointer.after(20)
    pointer.device.press('side-front')
    pointer.after(20)
    expect(pointer.said()).toEqual(['Forward click down'])
  })
})
