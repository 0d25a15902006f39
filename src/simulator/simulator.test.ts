import 'fake-indexeddb/auto'
import Dexie from 'dexie'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { itemAt } from '../core/base/items'
import { tern7 } from '../core/device/models/tern-7'
import { compileProfile } from '../core/compile/compile'
import { LinkSession } from '../core/link/session'
import { TransportError, type DeviceTransport } from '../core/link/transport'
import { estimateLife } from '../core/motion/battery-life'
import { factoryProfile } from '../core/terms/profile'
import type { SimulatorEvent } from './api'
import { Simulator } from './simulator'
import { DeviceStorage } from './storage'

const image = compileProfile(factoryProfile(tern7, 'Brinewatch'), tern7).bytes
let events: SimulatorEvent[]

beforeEach(async () => {
  vi.useFakeTimers({
    toFake: ['setTimeout', 'clearTimeout', 'performance'],
    shouldAdvanceTime: true,
    advanceTimeDelta: 5,
  })
  events = []
  await Dexie.delete('unisera-devices')
})
afterEach(() => vi.useRealTimers())

/** A newly started worker with the devices from the database. */
function start(wallMs?: () => number): Simulator {
  const storage = new DeviceStorage((trouble) => events.push({ kind: 'memory', trouble }))
  return new Simulator(
    storage,
    (event) => events.push(event),
    () => performance.now(),
    wallMs,
  )
}

const reach = (simulator: Simulator, id: string): DeviceTransport => ({
  id,
  async sendFeatureReport(data) {
    if (!(await simulator.sendFeatureReport(id, data))) throw new TransportError('disconnected')
  },
  async receiveFeatureReport() {
    const reply = await simulator.receiveFeatureReport(id)
    if (!reply) throw new TransportError('disconnected')
    return reply
  },
})

async function firstDevice(simulator: Simulator): Promise<{ id: string; transport: DeviceTransport }> {
  const { id } = itemAt(await simulator.devices(), 0)
  return { id, transport: reach(simulator, id) }
}

describe('the simulated devices', () => {
  it('lie on the desk with the receiver in, and are not anywhere else', async () => {
    const simulator = start()
    const entry = itemAt(await simulator.devices(), 0)
    expect(entry).toMatchObject({ modelId: 'tern-7', connectionId: 'receiver' })
    expect(await simulator.look(entry.id)).toMatchObject({
      cable: 'none',
      receiver: true,
      power: true,
      on: true,
    })
    expect(await simulator.look('another')).toBeUndefined()
    await expect(simulator.press(entry.id, 'nose')).rejects.toThrow(/no input "nose"/)
  })

  it('are put on the desk and taken from it, told apart, and gone with all they held', async () => {
    const first = start()
    const id = await first.addDevice('tern-7')
    expect(await first.look(id)).toMatchObject({ connectionId: 'cable', receiver: true })
    const serials = new Set(
      await Promise.all(
        ['tern-7 #1', id].map(async (each) => (await new LinkSession(reach(first, each)).info()).serial),
      ),
    )
    expect(serials.size).toBe(2)
    await new LinkSession(reach(first, id)).writeSlot(0, image, undefined)
    await new LinkSession(reach(first, id)).rename('Bag')
    const second = start()
    expect((await second.devices()).map(({ id: each, name }) => [each, name])).toContainEqual([id, 'Bag'])
    await second.removeDevice(id)
    expect(await second.look(id)).toBeUndefined()
    expect(await start().addDevice('tern-7')).toBe(id)
    expect(await new LinkSession(reach(start(), id)).readSlot(0)).toBeUndefined()
    const many = start()
    for (let count = (await many.devices()).length; count < 8; count++) await many.addDevice('knot-5')
    await expect(many.addDevice('knot-5')).rejects.toThrow(/up to 8 devices/)
    await many.forgetAll()
    expect((await start().devices()).map(({ id: each }) => each)).toEqual([
      'tern-7 #1',
      'godwit-19 #1',
      'knot-5 #1',
      'dunlin-84 #1',
    ])
  })

  it('are known to a receiver that forgets them for good, until they are paired anew', async () => {
    const first = start()
    expect((await first.receiverOf()).paired).toEqual(['tern-7 #1', 'dunlin-84 #1'])
    await first.forgetPaired('tern-7 #1')
    const second = start()
    expect(await second.receiverOf()).toMatchObject({ paired: ['dunlin-84 #1'], plugged: true })
    expect((await second.look('tern-7 #1'))?.connectionId).toBeUndefined()
    await second.press('tern-7 #1', 'slot-button')
    await vi.advanceTimersByTimeAsync(3200)
    await second.release('tern-7 #1', 'slot-button')
    await vi.advanceTimersByTimeAsync(2500)
    expect((await second.look('tern-7 #1'))?.connectionId).toBe('receiver')
    expect((await start().receiverOf()).paired).toContain('tern-7 #1')
  })

  it('keep what was written, and their plugs, when the browser is closed and opened again', async () => {
    const first = start()
    const { id, transport } = await firstDevice(first)
    await new LinkSession(transport).writeSlot(2, image, undefined)
    await first.setPlugs(id, { cable: 'data', receiver: false })
    const second = start()
    const again = await firstDevice(second)
    expect(await new LinkSession(again.transport).readSlot(2)).toEqual(image)
    expect(await second.look(id)).toMatchObject({ cable: 'data', receiver: false, connectionId: 'cable' })
  })

  it('keep their charge, stored every half minute while somebody asks', async () => {
    const first = start()
    const { id, transport } = await firstDevice(first)
    const session = new LinkSession(transport)
    await first.setPlugs(id, { cable: 'data' })
    const before = (await session.info()).batteryPercent
    // No cable is unplugged: only time passes, and a page asks.
    await vi.advanceTimersByTimeAsync(600_000)
    const charged = (await session.info()).batteryPercent
    expect(charged).toBeGreaterThan(before)
    const again = await firstDevice(start())
    expect((await new LinkSession(again.transport).info()).batteryPercent).toBe(charged)
  })

  it('lie there as they were left while nobody is here: asleep, or on a cable that fills them', async () => {
    const first = start()
    const { id, transport } = await firstDevice(first)
    const { batteryPercent } = await new LinkSession(transport).info()
    const none = await new LinkSession(transport).batteryLife()
    expect(none).toMatchObject({ filledMah: 0, hours: [] })
    const days = 3 * 24 * 3.6e6
    const asleep = start(() => Date.now() + days)
    const life = await new LinkSession(reach(asleep, id)).batteryLife()
    // Ten minutes awake, the rest at the current of sleep.
    const { sleepMa = 0 } = tern7.electrical.battery ?? {}
    expect(life.hours.length).toBe(72)
    expect(life.hours[3]).toMatchObject({ batterySeconds: 3600, takenUah: Math.round(1000 * sleepMa) })
    expect(life.takenMah).toBeLessThan(72 * sleepMa + 4)
    const { meanMa = 0, hoursLeft = 0 } = estimateLife(life, batteryPercent)
    expect(meanMa).toBeCloseTo(sleepMa, 2)
    expect(hoursLeft).toBeGreaterThan(1000)
    await asleep.setPlugs(id, { cable: 'charging' })
    const charged = start(() => Date.now() + 2 * days)
    await charged.setPlugs(id, { cable: 'data' })
    const session = new LinkSession(reach(charged, id))
    expect((await session.info()).batteryPercent).toBe(100)
    const { filledMah, capacityMah, hours } = await session.batteryLife()
    expect(filledMah / capacityMah).toBeCloseTo(1 - batteryPercent / 100, 1)
    expect(hours.length).toBe(144)
    expect(hours[0]).toMatchObject({ percent: 100, batterySeconds: 0 })
  })

  it('go away and come back for whoever talks to them and whoever listens', async () => {
    const simulator = start()
    const { id, transport } = await firstDevice(simulator)
    await simulator.setPlugs(id, { receiver: false })
    await expect(new LinkSession(transport).info()).rejects.toMatchObject({ reason: 'disconnected' })
    expect((await simulator.look(id))?.connectionId).toBeUndefined()
    await simulator.setPlugs(id, { cable: 'data' })
    expect(await new LinkSession(transport).info()).toMatchObject({ charging: true, connection: 0 })
    const connections = events
      .filter(({ kind }) => kind === 'connection')
      .map((event) => 'connectionId' in event && event.connectionId)
    expect(connections.slice(-2)).toEqual([undefined, 'cable'])
  })

  it('tell everybody of reports, at virtual times that real time has reached', async () => {
    const simulator = start()
    const { id } = await firstDevice(simulator)
    await simulator.press(id, 'left')
    await simulator.move(id, 25.4, 0)
    await vi.waitFor(() => expect(events.filter(({ kind }) => kind === 'report').length).toBeGreaterThan(0))
    const reports = events.flatMap((event) => (event.kind === 'report' ? [event] : []))
    expect(reports[0]).toMatchObject({ deviceId: id })
    expect(itemAt(reports, 0).report[1]).toBe(1)
    expect(itemAt(reports, 0).atUs).toBeLessThanOrEqual(performance.now() * 1000)
  })

  it('run slower when told to, so that hands can reach into a write', async () => {
    const simulator = start()
    const { id, transport } = await firstDevice(simulator)
    await simulator.setPace(1 / 500)
    expect(await simulator.pace()).toBe(1 / 500)
    const writing = new LinkSession(transport).writeSlot(0, image, undefined)
    const outcome = writing.then(
      () => 'written',
      (error: Error) => error.message,
    )
    // One report takes a millisecond of its time, half a second of ours: the write is half done.
    await vi.advanceTimersByTimeAsync(1200)
    await simulator.setPlugs(id, { power: false, receiver: false })
    await vi.advanceTimersByTimeAsync(2000)
    expect(await outcome).toMatch(/disconnected/)
    await simulator.setPace(1)
    await simulator.setPlugs(id, { power: true, receiver: true })
    const held = await new LinkSession(transport).readSlot(0)
    expect([undefined, image]).toContainEqual(held)
  })

  it('say so when the browser refuses their memory, and store it in order once it works again', async () => {
    const simulator = start()
    const { transport } = await firstDevice(simulator)
    const refuse = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError')
    })
    await new LinkSession(transport).writeSlot(0, image, undefined)
    expect(await simulator.memoryTrouble()).toMatch(/no room/)
    expect(events).toContainEqual({ kind: 'memory', trouble: expect.stringMatching(/no room/) })
    refuse.mockRestore()
    await vi.advanceTimersByTimeAsync(4000)
    await vi.waitFor(() => expect(events).toContainEqual({ kind: 'memory', trouble: undefined }))
    expect(await simulator.memoryTrouble()).toBeUndefined()
    // A newly started worker finds it.
    const { transport: later } = await firstDevice(start())
    expect(await new LinkSession(later).readSlot(0)).toEqual(image)
  })

  it('are lent like another, off the desk, and leave nothing behind', async () => {
    const simulator = start()
    const { id } = await firstDevice(simulator)
    await simulator.layOn(id, 'glass')
    const lent = await simulator.borrow('tern-7', 'cable')
    await simulator.resemble(lent, id)
    expect(await simulator.look(lent)).toMatchObject({ surface: 'glass', connectionId: 'cable', step: 2 })
    expect((await simulator.devices()).map((each) => each.id)).not.toContain(lent)
    await simulator.lift(lent, 5)
    expect((await simulator.look(lent))?.heightMm).toBe(5)
    // Closed pages do not return devices: the oldest is reused.
    const more = []
    for (let each = 0; each < 6; each++) more.push(await simulator.borrow('knot-5', 'cable'))
    expect(await simulator.look(lent)).toBeUndefined()
    for (const each of more) await simulator.giveBack(each)
    await simulator.giveBack(id)
    expect(await simulator.look(id)).toMatchObject({ on: true })
    await expect(simulator.borrow('nothing', 'cable')).rejects.toThrow(/unknown/)
    await expect(simulator.layOn(id, 'water')).rejects.toThrow(/surface .* unknown/)
  })
})
