import { reportText } from '../messages/english.test-support'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { parseReportDescriptor } from '../core/hid/descriptor-parser'
import { keyAction } from '../core/text/context'
import { anyProfile } from '../core/document/any-profile.test-support'
import { bind } from '../core/edits/edits'
import { setPolling, setStep } from '../core/edits/motion-edits'
import { factoryProfile } from '../core/terms/profile'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { deviceWith } from './device.test-support'
import { runs } from '../core/base/runs.test-support'

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
    expect(events.map(({ event }) => reportText(event))).toEqual([
      ...['Ctrl down', 'Shift down', 'Y down'],
      ...['Ctrl up', 'Shift up', 'Y up'],
    ])
    expect(new Set(events.slice(0, 3).map(({ atUs }) => atUs - pressedUs)).size).toBe(1)
    expect(itemAt(events, 0).atUs - pressedUs).toBeLessThanOrEqual(1000)
  })

  it('paces reports by the polling rate and loses no press between two polls', async () => {
    const { device, after, reports } = await deviceWith(setPolling(base, tern7, 'cable', 125))
    device.press('left')
    after(4)
    device.press('right')
    device.release('left')
    after(100)
    expect(reports.map(({ bytes }) => bytes[1])).toEqual([1, 3, 2])
    const gaps = reports.slice(1).map(({ atUs }, index) => atUs - itemAt(reports, index).atUs)
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
    expect(device.lights()[6]).toEqual(base.steps[2] && { red: 0x2e, green: 0x9b, blue: 0xd6 })
    after(3000)
    device.press('slot-button')
    device.release('slot-button')
    const lit = Array.from({ length: 80 }, () => {
      after(10)
      return itemAt(device.lights(), 6).red === 0xff && itemAt(device.lights(), 6).green === 0xff
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
        // Waiting texts with the longest key hold time take minutes.
        after(20 * 60_000)
        for (const { bytes } of reports) expect(bytes.length - 1).toBe(sizes.get(itemAt(bytes, 0)))
        for (const id of sizes.keys()) {
          const last = reports.filter(({ bytes }) => bytes[0] === id).at(-1)
          const state = last?.bytes.subarray(1, id === 1 ? 2 : undefined) ?? new Uint8Array()
          expect([...state].every((byte) => byte === 0)).toBe(true)
        }
      }),
      runs(60),
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
    let rung = 0
    for (const until = clock.nowUs + 24 * hour; (clock.nextAlarmUs ?? until) < until; clock.runNext()) rung++
    expect(rung).toBeLessThan(5)
    expect(used(10)).toBeGreaterThan(idle)
    device.setPlugs({ cable: 'data' })
    expect(used(0)).toBeLessThan(0)
    device.setPlugs({ cable: 'none' })
    clock.runUntil(clock.nowUs + 20_000 * hour)
    expect(device.state).toMatchObject({ on: false, chargeMah: 0 })
    device.setPlugs({ cable: 'data' })
    expect(device.state.on).toBe(true)
  })
})
