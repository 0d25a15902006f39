import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEVICE_MODELS } from '../core/device/models'
import { dunlin84 } from '../core/device/models/dunlin-84'
import { tern7 } from '../core/device/models/tern-7'
import { eventText } from '../core/hid/computer'
import { parseReportDescriptor } from '../core/hid/descriptor-parser'
import { contextOf, keyAction } from '../core/profile/action-text'
import { anyProfile } from '../core/profile/any-profile.test-support'
import { parseCell } from '../core/profile/cell-text'
import { bindAll } from '../core/profile/edits'
import { addLayer, setLayerSignal } from '../core/profile/layer-edits'
import { factoryProfile } from '../core/profile/profile'
import type { Profile } from '../core/profile/schema'
import { Clock } from './clock'
import { deviceOn, deviceWith } from './device.test-support'
import { RADIO_US, Receiver } from './radio'

/** A profile from cells as a person types them: `input layer: text`. */
function sheet(model: typeof tern7, layers: string[], ...cells: [input: string, layer: number, text: string][]): Profile {
  const blank: Profile = { ...factoryProfile(model, 'Sheet', { system: 'windows', layout: 'us' }) }
  const profile = layers.reduce(addLayer, { ...blank, layers: blank.layers.slice(0, 1) })
  const context = contextOf(profile, model)
  return bindAll(
    profile,
    model,
    cells.map(([input, layer, text]) => {
      const parsed = parseCell(text, context)
      if (!('action' in parsed)) throw new Error(JSON.stringify(parsed))
      return { input, layer, put: parsed.action }
    }),
  )
}

/** A device pressed and let go at times, and what the computer heard when, in µs after the first. */
async function timed(profile: Profile, steps: [atMs: number, verb: 'press' | 'release' | 'turn', input: string][]) {
  const device = await deviceWith(profile)
  const startUs = Math.ceil(device.clock.nowUs / 1e6) * 1e6
  for (const [atMs, verb, input] of steps) {
    device.clock.runUntil(startUs + atMs * 1000)
    if (verb === 'turn') device.device.turn(input, 1)
    else device.device[verb](input)
  }
  device.clock.runUntil(startUs + 5e6)
  return device.heard().map(({ atUs, event }) => `${atUs - startUs} ${eventText(event)}`)
}

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
    const switched = sheet(tern7, ['Numbers'], ['side-rear', 0, 'switch layer Numbers'], ['side-front', 1, '1'])
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
      .chain((model) => fc.tuple(fc.constant(model), anyProfile(model, 20), fc.array(anyPress, { maxLength: 50 })))
    await fc.assert(
      fc.asyncProperty(anyCase, async ([model, profile, presses]) => {
        const { device, after, reports } = await deviceWith(profile)
        const ids = parseReportDescriptor(device.descriptor).flatMap(({ kind, id }) => (kind === 'input' ? [id] : []))
        for (const [pick, verb, ms] of presses) {
          // Mostly the inputs that are bound to something, so that layers meet.
          const bound = profile.layers.flatMap(({ bindings }) => Object.keys(bindings))
          const input = model.inputs.find(({ id }) => id === bound[pick % (bound.length + 2)]) ?? model.inputs[pick % model.inputs.length]
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
      { numRuns: 120 },
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
    const heard = ['179000 Middle click down', '180000 Middle click up']
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
      ...['50000 Y down', '60000 Y up', '90000 Middle click down', '91000 Middle click up'],
    ])
    expect(await timed(byPress, early)).toEqual(['50000 B down', '60000 B up'])
    const turned: Parameters<typeof timed>[1] = [
      [0, 'press', 'side-rear'],
      [30, 'turn', 'wheel-up'],
      [60, 'release', 'side-rear'],
    ]
    expect(await timed(byPress, turned)).toEqual(['30000 Volume up down', '31000 Volume up up'])
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

describe('what else an input does on the device', () => {
  it('types a text, a key down and up in each polling interval, at any rate', async () => {
    const typing = sheet(tern7, [], ['side-front', 0, 'type "Hi!"'])
    const slow = { ...typing, polling: { ...typing.polling, cable: 125 } }
    const times = (lines: string[]) => lines.map((line) => Number(line.split(' ')[0]))
    const press: Parameters<typeof timed>[1] = [
      [0, 'press', 'side-front'],
      [3, 'release', 'side-front'],
    ]
    const fast = await timed(typing, press)
    expect(fast).toEqual([
      ...['0 Shift down', '0 H down', '1000 Shift up', '1000 H up', '2000 I down', '3000 I up'],
      ...['4000 Shift down', '4000 1 down', '5000 Shift up', '5000 1 up'],
    ])
    expect(times(await timed(slow, press))).toEqual(times(fast).map((us) => us * 8))
  })

  it('is typed whole by every layout it was made for', async () => {
    const greeting = { us: 'Dive at 40!', de: 'Größe @ 5 €', fr: 'élevé: çà!', es: '¡Año ñ!', nordic: 'Blå öl' } as const
    for (const [layout, text] of Object.entries(greeting)) {
      const made = sheet(tern7, [])
      const id = layout as keyof typeof greeting
      const profile = bindAll({ ...made, computer: { system: 'windows', layout: id } }, tern7, [
        { layer: 0, input: 'side-front', put: { kind: 'text', text } },
      ])
      const device = await deviceOn({ clock: new Clock(), layout: id }, profile)
      device.device.press('side-front')
      device.after(500)
      expect(device.typed()).toBe(text)
    }
  })

  it('stops typing, with no key down, when the slot changes or the cable comes out', async () => {
    const long = sheet(tern7, [], ['side-front', 0, `type "${'winch '.repeat(60)}"`])
    const device = await deviceWith(long, factoryProfile(tern7, 'Second'))
    device.device.press('side-front')
    device.after(50)
    device.device.press('slot-button')
    device.after(2000)
    const said = device.said()
    expect(said.length).toBeLessThan(120)
    expect(said.filter((line) => line.endsWith('down')).length).toBe(said.filter((line) => line.endsWith('up')).length)
    expect((await device.session.info()).activeSlot).toBe(1)
  })

  it('has a step or a DPI of its own while it is held', async () => {
    const aim = sheet(tern7, [], ['side-front', 0, 'hold 400 dpi'], ['side-rear', 0, 'hold step 4'])
    const { device, after, heard } = await deviceWith(aim)
    const inch = () => {
      device.move(25.4, 0)
      after(20)
      return heard().reduce((sum, { event }) => sum + (event.kind === 'pointer' ? event.x : 0), 0)
    }
    expect(inch()).toBe(800)
    device.press('side-front')
    after(10)
    expect(inch()).toBe(400)
    device.press('side-rear')
    after(10)
    expect(inch()).toBe(3200)
    device.release('side-rear')
    after(10)
    expect(inch()).toBe(400)
    device.release('side-front')
    after(10)
    expect(inch()).toBe(800)
  })

  it('counts down to a signal on every light, and begins again when it is pressed again', async () => {
    const timer = sheet(tern7, [], ['side-front', 0, 'countdown 10 s in #ff0000'])
    const { device, after } = await deviceWith(timer)
    const tap = () => {
      device.press('side-front')
      after(10)
      device.release('side-front')
    }
    const signalled = () => device.lights().every(({ red, green, blue }) => red === 255 && green + blue === 0)
    tap()
    after(6000)
    tap()
    after(9900)
    expect(signalled()).toBe(false)
    after(150)
    expect(signalled()).toBe(true)
    after(250)
    expect(device.lights()).toEqual(Array.from(tern7.zones, () => ({ red: 0, green: 0, blue: 0 })))
    after(5000)
    expect(signalled()).toBe(false)
  })

  it('makes light dimmer, brighter, other and none, and draws less current for it', async () => {
    const lamp = sheet(
      tern7,
      [],
      ...(['next light', 'light dimmer', 'light brighter', 'light off'] as const).map(
        (text, index): [string, number, string] => [['side-front', 'side-rear', 'wheel-press', 'under-wheel'][index], 0, text],
      ),
    )
    const { device, after } = await deviceWith({ ...lamp, light: { ...lamp.light, spine: { kind: 'solid', colour: '#64c832', brightness: 100 } } })
    const tap = (input: string) => {
      device.press(input)
      after(10)
      device.release(input)
      after(10)
      return device.lights()[0]
    }
    expect(tap('side-rear')).toEqual({ red: 90, green: 180, blue: 45 })
    expect(tap('wheel-press')).toEqual({ red: 100, green: 200, blue: 50 })
    expect(tap('under-wheel')).toEqual({ red: 0, green: 0, blue: 0 })
    expect(tap('under-wheel')).toEqual({ red: 100, green: 200, blue: 50 })
    expect(tap('side-front')).not.toEqual({ red: 100, green: 200, blue: 50 })
    for (let more = 0; more < 3; more++) tap('side-front')
    expect(device.lights()[0]).toEqual({ red: 100, green: 200, blue: 50 })
  })

  it('is the device’s own over a connection that needs it, whatever is bound', async () => {
    const bound = bindAll(sheet(tern7, []), tern7, [{ layer: 0, input: 'slot-button', put: keyAction('KeyP', []) }])
    const { device, after, said } = await deviceWith(bound)
    const press = () => {
      device.press('slot-button')
      after(20)
      device.release('slot-button')
      after(20)
      return said()
    }
    expect(press()).toEqual(['P down', 'P up'])
    device.setPlugs({ cable: 'none', radio: 'bluetooth' })
    after(20)
    expect(press()).toEqual([])
  })
})

describe('plugs', () => {
  it('a charging-only cable charges and carries nothing; a wired device lives by its cable', async () => {
    const { device, after, session } = await deviceWith()
    device.setPlugs({ cable: 'charging', radio: 'off' })
    expect(device.connection).toBeUndefined()
    const before = device.state.chargeMah
    after(60_000)
    expect(device.state.chargeMah).toBeGreaterThanOrEqual(before)
    await expect(session.info()).rejects.toMatchObject({ reason: 'disconnected' })
    const wired = await deviceOn({ clock: new Clock() }, factoryProfile(DEVICE_MODELS[1], 'Wired'))
    expect((await wired.session.info()).batteryPercent).toBe(255)
    wired.device.setPlugs({ cable: 'none' })
    expect(wired.device.state.on).toBe(false)
    wired.device.setPlugs({ cable: 'data' })
    expect((await wired.session.readSlot(0))?.length).toBeGreaterThan(20)
  })
})
