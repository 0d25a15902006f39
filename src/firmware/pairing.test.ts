import { itemAt } from '../core/base/items'
import { expect, it } from 'vitest'
import { dunlin84 } from '../core/device/models/dunlin-84'
import { tern7 } from '../core/device/models/tern-7'
import { compileProfile } from '../core/compile/compile'
import { newStackItem } from '../core/terms/light'
import { IS_PAIRING } from '../core/terms/parameter-terms'
import { setStack } from '../core/edits/light-edits'
import { factoryProfile } from '../core/terms/profile'
import { LinkSession } from '../core/link/session'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { Receiver } from './radio'
import { virtualTransport } from './virtual-transport'

const INPUT = tern7.pairing?.input ?? ''
const UNPAIRED = { receiver: 0, bluetooth: false }

/** A new mouse near a receiver without pairings. */
function out(flash?: Uint8Array, known = new Set<number>()) {
  const clock = new Clock()
  const receiver = new Receiver(clock, 77, known)
  const options = { model: tern7, clock, serial: 5, receiver, factoryPairing: UNPAIRED, chargeMah: 200 }
  const device = new SimulatedDevice({ ...options, ...(flash && { flash }) })
  device.setPlugs({ cable: 'none', receiver: true, radio: 'receiver' })
  const after = (ms: number) => clock.runUntil(clock.nowUs + ms * 1000)
  const hold = (ms: number) => {
    device.press(INPUT)
    after(ms)
    device.release(INPUT)
  }
  const over = () => device.connection?.id
  return { clock, device, receiver, known, after, hold, over }
}

it('an input that is held long enough pairs with the receiver, which knows it from then on, without power too', () => {
  const { device, known, after, hold, over } = out()
  expect(over()).toBeUndefined()
  hold(2900)
  after(5000)
  expect(over()).toBeUndefined()
  hold(3100)
  expect(device.state.pairing).toBe(true)
  after(2000)
  expect([over(), device.state.pairing, [...known]]).toEqual(['receiver', false, [5]])
  after(100)
  expect(out(device.flash.cells, known).over()).toBe('receiver')
  expect(out(device.flash.cells, new Set()).over()).toBeUndefined()
})

it('by its switch it pairs with a computer instead, and is known by both', () => {
  const { device, after, hold, over } = out()
  device.setPlugs({ radio: 'bluetooth' })
  hold(3100)
  after(2000)
  expect(over()).toBe('bluetooth')
  device.setPlugs({ radio: 'receiver' })
  expect(over()).toBeUndefined()
  hold(3100)
  after(2000)
  expect(over()).toBe('receiver')
  device.setPlugs({ radio: 'bluetooth' })
  expect(over()).toBe('bluetooth')
})

it('it looks for a minute, finds a receiver that is put in meanwhile, and then gives up', () => {
  const { device, after, hold, over } = out()
  device.setPlugs({ receiver: false })
  hold(3100)
  after(30_000)
  expect(device.state.pairing).toBe(true)
  device.setPlugs({ receiver: true })
  after(2000)
  expect(over()).toBe('receiver')
  const other = out()
  other.device.setPlugs({ receiver: false })
  other.hold(3100)
  other.after(63_000)
  expect(other.device.state.pairing).toBe(false)
  other.device.setPlugs({ receiver: true })
  expect(other.over()).toBeUndefined()
})

it('a receiver that forgets it is reached no more, and a reset makes it as it was in its box', async () => {
  const { device, receiver, clock, after, hold, over } = out()
  hold(3100)
  after(2000)
  expect(receiver.forget(5)).toBe(true)
  device.setPlugs({})
  expect(over()).toBeUndefined()
  hold(3100)
  after(2000)
  device.setPlugs({ cable: 'data' })
  await new LinkSession(virtualTransport(clock, device)).reset()
  device.setPlugs({ cable: 'none' })
  expect(over()).toBeUndefined()
})

it('its light says that it looks, by flashes or by an effect that waits for it', async () => {
  const lit = ({ device }: ReturnType<typeof out>) => device.drives().some((drive) => drive > 0)
  const dark = setStack(factoryProfile(tern7, 'Dark'), [newStackItem('off')])
  const told = setStack(dark, [
    newStackItem('solid', { colour: '#00ff00' }, { when: { kind: 'connection', connection: IS_PAIRING } }),
    newStackItem('off'),
  ])
  for (const [profile, green] of [
    [dark, false],
    [told, true],
  ] as const) {
    const one = out()
    one.device.setPlugs({ cable: 'data' })
    const session = new LinkSession(virtualTransport(one.clock, one.device))
    await session.writeSlot(0, compileProfile(profile, tern7).bytes, undefined)
    one.device.setPlugs({ cable: 'none', receiver: false })
    one.after(5000)
    expect(lit(one)).toBe(false)
    one.hold(3010)
    const seen = Array.from({ length: 20 }, () => {
      one.after(40)
      const lights = one.device.lights()
      const { red, green, blue } = lights.find((light) => light.green > 0) ?? itemAt(lights, 0)
      return `${red > 0} ${green > 0} ${blue > 0}`
    })
    expect(new Set(seen)).toEqual(
      new Set(green ? ['false true false'] : ['true true true', 'false false false']),
    )
    one.after(62_000)
    expect(lit(one)).toBe(false)
  }
})

it('every model with a radio says how it is paired', () => {
  for (const { pairing, connections, inputs } of [tern7, dunlin84]) {
    expect(connections.length).toBeGreaterThan(1)
    expect(inputs.map(({ id }) => id)).toContain(pairing?.input)
  }
})
