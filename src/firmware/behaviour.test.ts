import { describe, expect, it } from 'vitest'
import { firstItems, itemAt } from '../core/base/items'
import { DEVICE_MODELS } from '../core/device/models'
import { newStackItem } from '../core/terms/light'
import { tern7 } from '../core/device/models/tern-7'
import { keyAction } from '../core/text/context'
import { bindAll } from '../core/edits/edits'
import { factoryProfile } from '../core/terms/profile'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { Receiver } from './radio'
import { deviceOn, deviceWith } from './device.test-support'
import { sheet, timed } from './sheet.test-support'

describe('what else an input does on the device', () => {
  it('types a text, each key down as long as a press of its own and up for a polling interval', async () => {
    const typing = sheet(tern7, [], ['side-front', 0, 'type "Hi!"'])
    const slow = { ...typing, polling: { ...typing.polling, cable: 125 } }
    const times = (lines: string[]) => lines.map((line) => Number(line.split(' ')[0]))
    const press: Parameters<typeof timed>[1] = [
      [0, 'press', 'side-front'],
      [3, 'release', 'side-front'],
    ]
    const fast = await timed(typing, press)
    expect(fast).toEqual([
      ...['0 Shift down', '0 H down', '10000 Shift up', '10000 H up', '11000 I down', '21000 I up'],
      ...['22000 Shift down', '22000 1 down', '32000 Shift up', '32000 1 up'],
    ])
    const slowly = [0, 0, 16, 16, 24, 40, 48, 48, 64, 64]
    expect(times(await timed(slow, press))).toEqual(slowly.map((ms) => 1000 * ms))
  })

  it('waits as long as what is opened needs, between the chord, the line and the end', async () => {
    const opening = sheet(tern7, [], ['side-front', 0, 'open tide'])
    const on = { ...opening, computer: { system: 'windows', layout: 'us' } as const }
    const lines = await timed(on, [
      [0, 'press', 'side-front'],
      [3, 'release', 'side-front'],
    ])
    const at = (line: string) => Number(lines.find((each) => each.endsWith(line))?.split(' ')[0])
    // A stroke lasts 10 ms, followed by one polling interval before the delay.
    expect(lines[0]).toMatch(/^0 .* down$/)
    expect(at('T down')).toBe(11_000 + 500_000)
    expect(at('Enter down') - at('E up')).toBe(1000 + 100_000)
  })

  it('is typed whole by every layout it was made for', async () => {
    const greeting = {
      us: 'Dive at 40!',
      de: 'Größe @ 5 €',
      fr: 'élevé: çà!',
      es: '¡Año ñ!',
      nordic: 'Blå öl',
    } as const
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

  it('goes to the next slot once the two inputs of one’s choice are held together long enough', async () => {
    const number = (id: string) => tern7.inputs.find((input) => input.id === id)?.number ?? 0
    const settings = { slotKeyOne: number('side-front'), slotKeyTwo: number('side-rear') }
    const first = { ...factoryProfile(tern7, 'First'), settings }
    const { device, after } = await deviceWith(first, { ...factoryProfile(tern7, 'Second'), settings })
    const hold = (first: string, second: string, ms: number) => {
      device.press(first)
      after(700)
      device.press(second)
      after(ms)
      device.release(first)
      device.release(second)
      after(100)
      return device.state.slot
    }
    expect(hold('side-front', 'side-rear', 1480)).toBe(1)
    expect(hold('side-rear', 'left', 3000)).toBe(1)
    expect(hold('side-rear', 'side-front', 1520)).toBe(2)
    // Held longer, they go no further; the next slot has them too.
    expect(hold('side-front', 'side-rear', 9000)).toBe(1)
    const alone = await deviceWith({ ...first, settings: { slotKeyOne: settings.slotKeyOne } }, first)
    alone.device.press('side-front')
    alone.after(5000)
    expect(alone.device.state.slot).toBe(1)
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
    expect(said.filter((line) => line.endsWith('down')).length).toBe(
      said.filter((line) => line.endsWith('up')).length,
    )
    expect((await device.session.info()).activeSlot).toBe(1)
  })

  it('has a step or a DPI of its own while held', async () => {
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
    expect(device.lights().every(({ red, green, blue }) => red + green + blue === 0)).toBe(true)
    after(5000)
    expect(signalled()).toBe(false)
  })

  it('makes light dimmer, brighter, other and none, and draws less current for it', async () => {
    const lamp = sheet(
      tern7,
      [],
      ...(['next light', 'light dimmer', 'light brighter', 'light off'] as const).map(
        (text, index): [string, number, string] => [
          itemAt(['side-front', 'side-rear', 'wheel-press', 'under-wheel'], index),
          0,
          text,
        ],
      ),
    )
    const { device, after } = await deviceWith({
      ...lamp,
      light: [newStackItem('solid', { colour: '#64c832' }), newStackItem('solid', { colour: '#0000ff' })],
    })
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
    // The whole stack, then each effect alone, from top to bottom.
    expect(tap('side-front')).toEqual({ red: 100, green: 200, blue: 50 })
    expect(tap('side-front')).toEqual({ red: 0, green: 0, blue: 255 })
    expect(tap('side-front')).toEqual({ red: 100, green: 200, blue: 50 })
  })

  it('is the device’s own over a connection that needs it, whatever is bound', async () => {
    const bound = bindAll(sheet(tern7, []), tern7, [
      { layer: 0, input: 'slot-button', put: keyAction('KeyP', []) },
    ])
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
    const wired = await deviceOn({ clock: new Clock() }, factoryProfile(itemAt(DEVICE_MODELS, 1), 'Wired'))
    expect((await wired.session.info()).batteryPercent).toBe(255)
    wired.device.setPlugs({ cable: 'none' })
    expect(wired.device.state.on).toBe(false)
    wired.device.setPlugs({ cable: 'data' })
    expect((await wired.session.readSlot(0))?.length).toBeGreaterThan(20)
  })
})

describe('light over a receiver', () => {
  it('keeps two devices in step for an hour, though their clocks are apart; by themselves they are not', () => {
    const clock = new Clock()
    const receiver = new Receiver(clock)
    const [slow, fast] = firstItems(
      [-20, 20].map((clockPpm) => new SimulatedDevice({ model: tern7, clock, receiver, clockPpm })),
      2,
    )
    const apart = () => {
      let frames = 0
      // The factory crest breathes: its LED levels show the time.
      for (let frame = 0; frame < 240; frame++) {
        clock.runUntil(clock.nowUs + 16_667)
        const [a, b] = firstItems(
          [slow, fast].map((device) => itemAt(device.lights(), 6).blue),
          2,
        )
        frames = Math.max(frames, Math.abs(a - b))
      }
      return frames
    }
    for (const device of [slow, fast]) device.setPlugs({ receiver: true })
    clock.runUntil(10e6)
    slow.press('slot-button')
    clock.runUntil(clock.nowUs + 3600e6)
    for (const device of [slow, fast]) device.move(1, 0)
    // One frame of a breath of 4 s changes an LED level by a few at most.
    expect(apart()).toBeLessThanOrEqual(4)
    for (const device of [slow, fast]) device.setPlugs({ cable: 'data' })
    expect(apart()).toBeGreaterThan(4)
  })
})
