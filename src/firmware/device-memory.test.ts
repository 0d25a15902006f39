import fc from 'fast-check'
import { expect, it } from 'vitest'
import { itemAt } from '../core/base/items'
import { runs } from '../core/base/runs.test-support'
import { compileProfile } from '../core/compile/compile'
import { tern7 } from '../core/device/models/tern-7'
import { factoryProfile } from '../core/terms/profile'
import { COMMAND, encodeRequest } from '../core/link/packets'
import { LinkSession } from '../core/link/session'
import { LinkError } from '../core/link/link-error'
import { Clock } from './clock'
import { SimulatedDevice } from './device'
import { deviceWith } from './device.test-support'
import { decodeDeviceMemory } from './device-memory'
import { virtualTransport } from './virtual-transport'

const crew = factoryProfile(tern7, 'Brinewatch')
const run = factoryProfile(tern7, 'Gantry Run')

/** The same flash in a restarted device. */
function again(device: SimulatedDevice): { device: SimulatedDevice; session: LinkSession; clock: Clock } {
  const clock = new Clock()
  const next = new SimulatedDevice({ model: tern7, clock, flash: device.flash.cells })
  next.setPlugs({ cable: 'data' })
  return { device: next, clock, session: new LinkSession(virtualTransport(clock, next)) }
}

it('a name is the device’s: over a slot change, without power, until it is taken away', async () => {
  const { device, session, after } = await deviceWith(crew, run)
  expect(await session.name()).toBe('')
  const { revision } = await session.info()
  await session.rename('Left desk ⚓')
  expect(await session.name()).toBe('Left desk ⚓')
  expect((await session.info()).revision).toBeGreaterThan(revision)
  await session.select(1)
  after(3000)
  const next = again(device)
  expect(next.device.name).toBe('Left desk ⚓')
  expect((await next.session.info()).activeSlot).toBe(1)
  await next.session.rename('')
  expect(await again(next.device).session.name()).toBe('')
})

it('what is no name is refused, and the one it has stays', async () => {
  const { device, session } = await deviceWith(crew)
  await session.rename('Desk')
  await expect(session.rename('x'.repeat(49))).rejects.toThrow(LinkError)
  await expect(session.rename('two\nlines')).rejects.toThrow(LinkError)
  // Claims to be longer than the report.
  device.setFeature(encodeRequest(1, COMMAND.rename, Uint8Array.of(48, ...new Uint8Array(40).fill(0x61))))
  expect(await session.name()).toBe('Desk')
})

it('what an earlier firmware kept of its own is read: the slot, or the slot and the surface', () => {
  expect(decodeDeviceMemory(Uint8Array.of(3))).toEqual({ slot: 3, quality: 0, name: new Uint8Array() })
  expect(decodeDeviceMemory(Uint8Array.of(1, 40))).toEqual({ slot: 1, quality: 40, name: new Uint8Array() })
})

/** A device with two written slots, a name, and its second slot active. */
async function livedWith() {
  const { device, session, after } = await deviceWith(crew, run)
  await session.rename('Desk')
  await session.select(1)
  after(3000)
  return device
}

const IMAGES = [crew, run].map((profile) => compileProfile(profile, tern7).bytes)

it('a reset that loses power at any flash operation is all of it or none', async () => {
  const lived = await livedWith()
  const seen = new Set<string>()
  for (let operations = 1; ; operations++) {
    const { device, clock } = again(lived)
    const from = device.flash.operations
    device.setFeature(encodeRequest(1, COMMAND.reset, new Uint8Array()))
    const cut = () => device.flash.operations - from >= operations
    while (!cut() && clock.nowUs < 2_000_000 && clock.runNext());
    const whole = !cut()
    device.setPlugs({ cable: 'none', power: false })
    const after = again(device)
    const held = [await after.session.readSlot(0), await after.session.readSlot(1)]
    const { activeSlot } = await after.session.info()
    const name = await after.session.name()
    const before = { held: IMAGES, activeSlot: 1, name: 'Desk' }
    const factory = { held: [undefined, undefined], activeSlot: 0, name: '' }
    expect([before, factory]).toContainEqual({ held, activeSlot, name })
    seen.add(name)
    if (whole) break
  }
  expect(seen).toEqual(new Set(['Desk', '']))
})

it('after a reset nothing of before comes back, whatever is written and however worn it gets', async () => {
  const lived = await livedWith()
  const anyWrites = fc.array(fc.record({ slot: fc.nat(4), which: fc.nat(1) }), { maxLength: 60 })
  await fc.assert(
    fc.asyncProperty(anyWrites, fc.boolean(), async (writes, twice) => {
      const { device, session, clock } = again(lived)
      await session.reset()
      if (twice) await session.reset()
      const holds: (Uint8Array | undefined)[] = Array.from({ length: 5 }, () => undefined)
      for (const { slot, which } of writes) {
        await session.writeSlot(slot, itemAt(IMAGES, which), undefined)
        holds[slot] = IMAGES[which]
        clock.runUntil(clock.nowUs + 1_000_000)
      }
      const next = again(device)
      for (const [slot, image] of holds.entries()) expect(await next.session.readSlot(slot)).toEqual(image)
      expect(await next.session.name()).toBe('')
    }),
    runs(12),
  )
})
