import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tern7 } from '../core/device/models/tern-7'
import { Computer, eventText } from '../core/hid/computer'
import { parseReportDescriptor } from '../core/hid/descriptor-parser'
import { US_LAYOUT } from '../core/hid/us-layout'
import { compileProfile } from '../core/image/compile'
import { LinkSession } from '../core/link/session'
import { keyAction } from '../core/profile/action-text'
import { anyProfile } from '../core/profile/any-profile.test-support'
import { bind, setPolling, setStep } from '../core/profile/edits'
import { factoryProfile } from '../core/profile/profile'
import type { Profile } from '../core/profile/schema'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { virtualTransport } from './virtual-transport'

/** A device on the cable with profiles in its slots, and everything the computer hears. */
async function deviceWith(...profiles: Profile[]) {
  const clock = new Clock()
  const reports: { atUs: number; bytes: Uint8Array }[] = []
  const events = { report: (bytes: Uint8Array, atUs: number) => void reports.push({ atUs, bytes }) }
  const device = new SimulatedDevice({ model: tern7, clock, events })
  device.setPlugs({ cable: true })
  const session = new LinkSession(virtualTransport(clock, device))
  for (const [slot, profile] of profiles.entries()) {
    await session.writeSlot(slot, compileProfile(profile, tern7).bytes, undefined)
  }
  const computer = new Computer(device.descriptor, US_LAYOUT)
  const heard = () =>
    reports.splice(0).flatMap(({ atUs, bytes }) => computer.receive(bytes).map((event) => ({ atUs, event })))
  const after = (ms: number) => clock.runUntil(clock.nowUs + ms * 1000)
  after(1000)
  return {
    clock,
    device,
    session,
    reports,
    heard,
    after,
    said: () => heard().map(({ event }) => eventText(event)),
  }
}

const y = keyAction('KeyY', ['ControlLeft', 'ShiftLeft'])
const base = factoryProfile(tern7, 'Brinewatch')

describe('the device', () => {
  it('works as from the factory with nothing in memory', async () => {
    const { device, after, said } = await deviceWith()
    device.press('left')
    after(10)
    device.release('left')
    device.turn('wheel-down', 2)
    after(10)
    expect(said()).toEqual(['Left click down', 'Left click up', 'scroll -1', 'scroll -1'])
  })

  it('does what was written, chord in one report, a millisecond at the latest', async () => {
    const { device, clock, after, heard } = await deviceWith(bind(base, tern7, 0, 'side-front', y))
    clock.runUntil(Math.ceil(clock.nowUs / 1000) * 1000 + 300)
    const pressedUs = clock.nowUs
    device.press('side-front')
    after(20)
    device.release('side-front')
    after(20)
    const events = heard()
    expect(events.map(({ event }) => eventText(event))).toEqual([
      ...['Ctrl down', 'Shift down', 'Y down'],
      ...['Ctrl up', 'Shift up', 'Y up'],
    ])
    expect(new Set(events.slice(0, 3).map(({ atUs }) => atUs - pressedUs)).size).toBe(1)
    expect(events[0].atUs - pressedUs).toBeLessThanOrEqual(1000)
  })

  it('paces reports by the polling rate and loses no press between two polls', async () => {
    const { device, after, reports } = await deviceWith(setPolling(base, tern7, 'cable', 125))
    device.press('left')
    after(4)
    device.press('right')
    device.release('left')
    after(100)
    expect(reports.map(({ bytes }) => bytes[1])).toEqual([1, 3, 2])
    const gaps = reports.slice(1).map(({ atUs }, index) => atUs - reports[index].atUs)
    expect(gaps).toEqual([8000, 8000])
  })

  it('takes a bouncing contact for one press', async () => {
    const { device, after, said } = await deviceWith()
    for (let bounce = 0; bounce < 6; bounce++) {
      device.press('left')
      after(0.3)
      device.release('left')
      after(0.3)
    }
    device.press('left')
    after(50)
    expect(said()).toEqual(['Left click down'])
  })

  it('scales motion by the step in force and carries what is left of a count', async () => {
    const stepped = setStep(base, tern7, 1, { dpi: 850 })
    const { device, after, heard } = await deviceWith(stepped)
    const travelled = () => {
      for (let part = 0; part < 1000; part++) {
        device.move(0.0254, -0.0127)
        after(1)
      }
      const sum = { x: 0, y: 0 }
      for (const { event } of heard()) {
        if (event.kind === 'pointer') Object.assign(sum, { x: sum.x + event.x, y: sum.y + event.y })
      }
      return sum
    }
    const first = travelled()
    expect(Math.abs(first.x - 850)).toBeLessThanOrEqual(1)
    expect(Math.abs(first.y + 425)).toBeLessThanOrEqual(1)
    device.press('under-wheel')
    device.release('under-wheel')
    after(50)
    expect(Math.abs(travelled().x - 1600)).toBeLessThanOrEqual(1)
  })

  it('shows the step, then the slot, at the indicator, and its effect again after that', async () => {
    const { device, after, session } = await deviceWith(base, base)
    device.press('under-wheel')
    device.release('under-wheel')
    expect(device.lights()[1]).toEqual(base.steps[2] && { red: 0x2e, green: 0x9b, blue: 0xd6 })
    after(3000)
    device.press('slot-button')
    device.release('slot-button')
    const lit = Array.from({ length: 80 }, () => {
      after(10)
      return device.lights()[1].red === 0xff && device.lights()[1].green === 0xff
    })
    expect(lit.filter((now, index) => now && !lit[index - 1]).length).toBe(2)
    expect((await session.info()).activeSlot).toBe(1)
  })

  it('remembers the active slot through a loss of power, and holds no key down', async () => {
    const { device, after, session, said } = await deviceWith(base, bind(base, tern7, 0, 'side-front', y))
    device.press('slot-button')
    device.release('slot-button')
    after(2000)
    device.setPlugs({ power: false })
    after(10)
    device.setPlugs({ power: true })
    expect((await session.info()).activeSlot).toBe(1)
    device.press('side-front')
    after(10)
    expect(said()).toContain('Y down')
  })

  it('releases what an input pressed even when the slot changes under the finger', async () => {
    const { device, after, said } = await deviceWith(bind(base, tern7, 0, 'side-front', y), base)
    device.press('side-front')
    device.press('slot-button')
    after(20)
    device.release('side-front')
    after(20)
    expect(said().slice(-3)).toEqual(['Ctrl up', 'Shift up', 'Y up'])
  })

  it('reports only what its own descriptor describes, whatever is bound and pressed; all up means all empty', async () => {
    const sizes = new Map(
      parseReportDescriptor((await deviceWith()).device.descriptor)
        .filter(({ kind }) => kind === 'input')
        .map(({ id, bitLength }) => [id, bitLength / 8]),
    )
    const anyPress = fc.tuple(fc.constantFrom(...tern7.inputs.map(({ id }) => id)), fc.boolean(), fc.nat(20))
    await fc.assert(
      fc.asyncProperty(anyProfile(tern7), fc.array(anyPress, { maxLength: 60 }), async (profile, presses) => {
        const { device, after, reports } = await deviceWith(profile)
        for (const [input, down, ms] of presses) {
          if (tern7.inputs.find(({ id }) => id === input)?.kind === 'turn') device.turn(input, 1)
          else if (down) device.press(input)
          else device.release(input)
          after(ms)
        }
        for (const { id } of tern7.inputs) device.release(id)
        after(2000)
        for (const { bytes } of reports) expect(bytes.length - 1).toBe(sizes.get(bytes[0]))
        for (const id of sizes.keys()) {
          const last = reports.filter(({ bytes }) => bytes[0] === id).at(-1)
          const state = last?.bytes.subarray(1, id === 1 ? 2 : undefined) ?? new Uint8Array()
          expect([...state].every((byte) => byte === 0)).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('costs nothing while idle, drains with use, fills on the cable, and stops when it is empty', async () => {
    const clock = new Clock()
    const device = new SimulatedDevice({ model: tern7, clock, chargeMah: 100 })
    device.setPlugs({ receiver: true })
    const hour = 3.6e9
    const used = (ms: number) => {
      const before = device.state.chargeMah
      const until = clock.nowUs + hour
      while (ms > 0 && clock.nowUs < until) {
        device.move(1, 0)
        clock.runUntil(clock.nowUs + ms * 1000)
      }
      clock.runUntil(until)
      return before - device.state.chargeMah
    }
    const idle = used(0)
    expect(clock.nextAlarmUs).toBeUndefined()
    expect(used(10)).toBeGreaterThan(idle)
    device.setPlugs({ cable: true })
    expect(used(0)).toBeLessThan(0)
    device.setPlugs({ cable: false })
    clock.runUntil(clock.nowUs + 1000 * hour)
    device.press('left')
    expect(device.state).toMatchObject({ on: false, chargeMah: 0 })
    device.setPlugs({ cable: true })
    expect(device.state.on).toBe(true)
  })
})

describe('the configuration link', () => {
  it('says what the device is, and refuses over a connection that carries no configuration', async () => {
    const { session, device } = await deviceWith(base)
    expect(await session.info()).toMatchObject({
      model: tern7.number,
      slots: 5,
      connection: 0,
      activeSlot: 0,
    })
    const noConfiguring = {
      ...tern7,
      connections: tern7.connections.map((each) => ({ ...each, configurable: false })),
    }
    const clock = new Clock()
    const other = new SimulatedDevice({ model: noConfiguring, clock })
    other.setPlugs({ cable: true })
    await expect(new LinkSession(virtualTransport(clock, other)).readSlot(0)).rejects.toThrow(
      /over this connection/,
    )
    device.setPlugs({ cable: false })
    await expect(session.info()).rejects.toMatchObject({ reason: 'disconnected' })
  })

  it('writes from any image to any other by what differs, and reads back the same', async () => {
    await fc.assert(
      fc.asyncProperty(anyProfile(tern7), anyProfile(tern7), async (before, after) => {
        const { session } = await deviceWith(before)
        const [old, next] = [before, after].map((each) => compileProfile(each, tern7).bytes)
        await session.writeSlot(0, next, old)
        expect(await session.readSlot(0)).toEqual(next)
        await session.writeSlot(0, old, old)
        expect(await session.readSlot(0)).toEqual(old)
        await session.clear(0)
        expect(await session.readSlot(0)).toBeUndefined()
      }),
      { numRuns: 40 },
    )
  })

  it('refuses what must not reach flash: too large, no image, no such slot', async () => {
    const { session, device } = await deviceWith(base)
    const operations = device.flash.operations
    await expect(session.writeSlot(0, new Uint8Array(5000).fill(7), undefined)).rejects.toThrow(
      /larger than a slot/,
    )
    await expect(session.writeSlot(0, new Uint8Array(100).fill(7), undefined)).rejects.toThrow(
      /refused the image/,
    )
    await expect(session.writeSlot(9, compileProfile(base, tern7).bytes, undefined)).rejects.toThrow(
      /no such slot/,
    )
    expect(device.flash.operations).toBe(operations)
  })

  it('gets through or gives up cleanly when reports are lost, and the slot is always whole', async () => {
    const next = compileProfile(bind(base, tern7, 0, 'side-front', y), tern7).bytes
    const old = compileProfile(base, tern7).bytes
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 200, maxLength: 200 }),
        fc.nat(9),
        async (dice, loss) => {
          const { clock, device, session } = await deviceWith(base)
          let roll = 0
          const lossy = new LinkSession(
            virtualTransport(clock, device, () => dice[roll++ % dice.length] < loss),
          )
          const outcome = await lossy.writeSlot(0, next, old).then(
            () => 'written',
            (error: Error) => error.name,
          )
          expect(['written', 'LinkError']).toContain(outcome)
          const held = await session.readSlot(0)
          expect(outcome === 'written' ? [next] : [old, next]).toContainEqual(held)
        },
      ),
      { numRuns: 100 },
    )
  })

  it('answers any bytes at all and stays whole', async () => {
    const { device, session } = await deviceWith(base)
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.tuple(
            fc.constantFrom(1, 2, 3, 0x10, 0x20, 0x21, 0x77),
            fc.uint8Array({ minLength: 0, maxLength: 61 }),
          ),
        ),
        async (packets) => {
          for (const [command, noise] of packets) {
            if (command === 0x21) continue
            const data = new Uint8Array(noise.length < 3 ? noise.length : 63)
            data.set(noise.subarray(0, data.length))
            if (data.length === 63) data[1] = command
            expect(device.setFeature(data)).toBe(true)
            expect(device.getFeature()?.length).toBe(63)
          }
          expect(await session.readSlot(0)).toEqual(compileProfile(base, tern7).bytes)
        },
      ),
    )
  })
})
