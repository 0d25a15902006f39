import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { firstItems, itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { vectors } from '../../scripts/format-vectors'
import { imageOf } from '../../scripts/vector-cases'
import { slotCapacity } from '../core/device/lookups'
import { fromHexBytes } from '../core/base/bytes'
import { compileProfile } from '../core/compile/compile'
import { COMMAND, LOG_KINDS, STATUS, WRITE_BEGIN } from '../core/link/packets'
import { LinkSession } from '../core/link/session'
import { keyAction } from '../core/text/context'
import { anyProfile } from '../core/document/any-profile.test-support'
import { bind } from '../core/edits/edits'
import { factoryProfile } from '../core/terms/profile'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { deviceWith } from './device.test-support'
import { FlashError, NorFlash } from './flash'
import { virtualTransport } from './virtual-transport'
import { runs } from '../core/base/runs.test-support'

const y = keyAction('KeyY', ['ControlLeft', 'ShiftLeft'])
const base = factoryProfile(tern7, 'Brinewatch')

describe('the configuration link', () => {
  it('tells which input was pressed or turned last, and counts', async () => {
    const { session, device, after } = await deviceWith(base)
    expect(await session.info()).toMatchObject({ lastInput: 0, presses: 0 })
    device.press('side-front')
    after(10)
    device.release('side-front')
    expect(await session.info()).toMatchObject({ lastInput: 5, presses: 1 })
    device.turn('wheel-down', 3)
    expect(await session.info()).toMatchObject({ lastInput: 9, presses: 4 })
    device.turn('wheel-up', 100)
    device.turn('wheel-up', 100)
    device.turn('wheel-up', 52)
    expect(await session.info()).toMatchObject({ lastInput: 8, presses: 0 })
  })

  it('says what it met in its slot and does not implement, and how often', async () => {
    const { layers, ...rest } = base
    const bindings = { 'side-front': { action: { kind: 'later' as const, code: 29, bytes: '0102' } } }
    const later = { sections: [{ code: 40, bytes: '01' }], settings: [{ code: 20, bytes: '05' }] }
    const { session, device, after } = await deviceWith({
      ...rest,
      layers: [{ ...itemAt(layers, 0), bindings }],
      later,
    })
    expect((await session.info()).logLines).toBe(2)
    for (let press = 0; press < 3; press++) {
      device.press('side-front')
      after(30)
      device.release('side-front')
      after(30)
    }
    expect(await session.log()).toEqual([
      { what: LOG_KINDS.section, code: 40, times: 1 },
      { what: LOG_KINDS.setting, code: 20, times: 1 },
      { what: LOG_KINDS.action, code: 29, times: 3 },
    ])
    // The log has eight lines: the oldest is replaced.
    const many = Array.from({ length: 9 }, (_, at) => ({ code: 40 + at, bytes: '' }))
    const { session: other } = await deviceWith({ ...base, later: { sections: many } })
    expect((await other.log()).map(({ code }) => code)).toEqual([41, 42, 43, 44, 45, 46, 47, 48])
  })

  it('tries three times to keep which slot is on, and then says that its memory did not take it', async () => {
    const { session, after } = await deviceWith(base, base)
    const program = vi.spyOn(NorFlash.prototype, 'program').mockImplementation(function* () {
      yield* []
      throw new FlashError('worn out')
    })
    await session.select(1)
    after(60_000)
    expect(program).toHaveBeenCalledTimes(3)
    expect(await session.log()).toEqual([{ what: LOG_KINDS['not kept'], code: 0, times: 1 }])
    program.mockRestore()
    const { session: other, after: later, device } = await deviceWith(base, base)
    vi.spyOn(NorFlash.prototype, 'program').mockImplementationOnce(function* () {
      yield* []
      throw new FlashError('a bad place')
    })
    await other.select(1)
    later(60_000)
    device.setPlugs({ power: false })
    device.setPlugs({ power: true })
    expect(await other.info()).toMatchObject({ activeSlot: 1, logLines: 0 })
  })

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
    other.setPlugs({ cable: 'data' })
    await expect(new LinkSession(virtualTransport(clock, other)).readSlot(0)).rejects.toThrow(
      /over this connection/,
    )
    device.setPlugs({ cable: 'none' })
    await expect(session.info()).rejects.toMatchObject({ reason: 'disconnected' })
  })

  it('writes from any image to any other by what differs, and reads back the same', async () => {
    await fc.assert(
      fc.asyncProperty(anyProfile(tern7), anyProfile(tern7), async (before, after) => {
        const { session } = await deviceWith(before)
        const [old, next] = firstItems(
          [before, after].map((each) => compileProfile(each, tern7).bytes),
          2,
        )
        await session.writeSlot(0, next, old)
        expect(await session.readSlot(0)).toEqual(next)
        await session.writeSlot(0, old, old)
        expect(await session.readSlot(0)).toEqual(old)
        await session.clear(0)
        expect(await session.readSlot(0)).toBeUndefined()
      }),
      runs(15),
    )
  })

  it('refuses what must not reach flash: too large, no image, no such slot', async () => {
    const { session, device } = await deviceWith(base)
    const operations = device.flash.operations
    await expect(session.writeSlot(0, new Uint8Array(5000).fill(7), undefined)).rejects.toThrow(
      /larger than a slot/,
    )
    await expect(session.writeSlot(0, new Uint8Array(100).fill(7), undefined)).rejects.toThrow(
      /rejected the profile/,
    )
    await expect(session.writeSlot(9, compileProfile(base, tern7).bytes, undefined)).rejects.toThrow(
      /no such slot/,
    )
    expect(device.flash.operations).toBe(operations)
  })

  it('takes each image of the vectors that is one, to the last byte, and no other', async () => {
    const { session, device } = await deviceWith(base)
    for (const { name, hex, refused } of vectors()) {
      const image = fromHexBytes(hex)
      const outcome = await session.writeSlot(1, image, undefined).then(
        () => 'taken',
        (error: Error) => error.message,
      )
      // Bytes after the end belong to a file but never to a slot.
      const whole = refused === undefined && name !== 'bytes-behind'
      expect(outcome, name).toMatch(whole ? /^taken$/ : /rejected the profile/)
      if (whole) expect(await session.readSlot(1)).toEqual(image)
      // The device keeps running in any case: every input does something or nothing, and lights are shown.
      await session.select(1)
      for (const input of device.model.inputs.filter(({ kind }) => kind === 'press')) {
        device.press(input.id)
        device.release(input.id)
      }
      device.lights()
    }
  })

  it('makes room first, and takes operations only in their order', async () => {
    const { clock, device, session } = await deviceWith(base)
    // A log so full that the next long write has to wait for an erase.
    const long = (seed: number) => {
      const size = slotCapacity(tern7.memory) - 12
      const noise = Array.from({ length: size - 4 }, (_, index) => (index * 7 + seed) & 0xff)
      return imageOf([[0x50, noise.slice(0, size - 8)]])
    }
    for (const slot of [0, 1, 2, 3, 4, 0, 1, 2]) await session.writeSlot(slot, long(slot), undefined)
    expect(await session.readSlot(2)).toEqual(long(2))
    const request = (sequence: number, payload: number[]) => {
      const data = new Uint8Array(63)
      data.set([sequence, COMMAND.write, ...payload])
      device.setFeature(data)
      clock.runUntil(clock.nowUs + 500_000)
      return device.getFeature()?.[2]
    }
    const opening = [WRITE_BEGIN, 3, 20, 0, 0, 0, 0, 0]
    expect(request(1, [...opening, 1, 0, 0, 2, 0x55, 0x53])).toBe(STATUS.ok)
    expect(request(2, [0, 1, 9, 0, 1, 0x55])).toBe(STATUS.malformed)
    expect(request(3, [...opening, 1, 4, 0, 1, 0x55])).toBe(STATUS.malformed)
    expect(await session.readSlot(3)).toEqual(long(3))
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
            virtualTransport(clock, device, () => itemAt(dice, roll++ % dice.length) < loss),
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
      runs(100),
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
