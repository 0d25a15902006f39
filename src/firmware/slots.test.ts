import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { itemAt } from '../core/base/items'
import type { MemoryGeometry } from '../core/device/model'
import { dunlin84 } from '../core/device/models/dunlin-84'
import { tern7 } from '../core/device/models/tern-7'
import { slotCapacity } from '../core/device/lookups'
import { ByteWriter } from '../core/base/bytes'
import { compileProfile } from '../core/compile/compile'
import { crc32 } from '../core/base/crc32'
import { LinkSession } from '../core/link/session'
import { remainingSteps, type Swap } from '../core/link/swap'
import { keyAction } from '../core/text/context'
import { bind } from '../core/edits/edits'
import { factoryProfile } from '../core/terms/profile'
import { Clock, PoweredAlarms, TaskQueue, type Task } from './clock'
import { SimulatedDevice } from './device'
import { FlashError, NorFlash } from './flash'
import { factoryFlash } from './records'
import { SlotStore } from './slots'
import { virtualTransport } from './virtual-transport'
import { runs } from '../core/base/runs.test-support'

/** Runs a task to its end, or until power is lost after `operations` flash operations. */
function run(flash: NorFlash, task: Task, operations = Infinity): 'done' | 'cut' {
  const clock = new Clock()
  const alarms = new PoweredAlarms(clock)
  const from = flash.operations
  let done = false
  new TaskQueue(alarms).add(
    () => task,
    () => (done = true),
    (error) => {
      throw error
    },
  )
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- a callback sets it
  while (!done) {
    if (flash.operations - from >= operations) {
      flash.losePower()
      return 'cut'
    }
    if (!clock.runNext()) throw new Error('the task waits for nothing')
  }
  return 'done'
}

const filled = (length: number, seed: number): Uint8Array =>
  Uint8Array.from({ length }, (_, index) => (index * 31 + seed * 17) & 0xff)
const capacity = slotCapacity(tern7.memory)

function* writeAndTidy(store: SlotStore, slot: number, body: Uint8Array): Task {
  yield* store.write('image', slot, body)
  yield* store.tidy()
}

/** Flash after many writes: five full slots and a nearly full log. */
function wornFlash(bodies: Uint8Array[]): NorFlash {
  const flash = new NorFlash(tern7.memory)
  const store = new SlotStore(flash)
  run(flash, store.write('settings', 0, Uint8Array.of(2)))
  for (let round = 0; round < 3; round++) {
    bodies.forEach((body, slot) => run(flash, store.write('image', slot, body)))
  }
  return flash
}

describe('flash', () => {
  it('refuses what a real part would spoil', () => {
    const flash = new NorFlash(tern7.memory)
    run(flash, flash.program(10, Uint8Array.of(0x0f)))
    expect(() => run(flash, flash.program(10, Uint8Array.of(0x1f)))).toThrow(FlashError)
    run(flash, flash.program(10, Uint8Array.of(0x0e)))
    expect(flash.read(10, 1)[0]).toBe(0x0e)
    expect(() => run(flash, flash.program(250, new Uint8Array(10)))).toThrow(/crosses a page/)
    expect(() => run(flash, flash.program(32_768, new Uint8Array(1)))).toThrow(/outside/)
    expect(() => run(flash, flash.erase(8))).toThrow(/no sector/)
    run(flash, flash.erase(0))
    expect(flash.read(10, 1)[0]).toBe(0xff)
  })

  it('leaves an operation that loses power half done', () => {
    const flash = new NorFlash(tern7.memory)
    run(flash, flash.program(0, new Uint8Array(16)), 1)
    const cells = flash.read(0, 16)
    expect(cells.some((cell) => cell === 0) && cells.some((cell) => cell === 0xff)).toBe(true)
  })
})

describe('slots in flash', () => {
  const scenarios = {
    'a small image into an empty device': { bodies: [], next: filled(150, 9) },
    'a small image over a small one': { bodies: [filled(150, 1), filled(90, 2)], next: filled(160, 9) },
    'a full image into a log that must be tidied': {
      bodies: [1, 2, 3, 4, 5].map((seed) => filled(capacity - seed, seed)),
      next: filled(capacity, 9),
    },
    'a small image among five that fill sectors in part': {
      bodies: [1, 2, 3, 4, 5].map((seed) => filled(1500, seed)),
      next: filled(700, 9),
    },
  }

  it.each(Object.entries(scenarios))('power cut after every single operation: %s', (_, { bodies, next }) => {
    const start = wornFlash(bodies).cells
    let cuts = 0
    for (let operations = 1; ; operations++) {
      const flash = new NorFlash(tern7.memory, start)
      const outcome = run(flash, writeAndTidy(new SlotStore(flash), 0, next), operations)
      const store = new SlotStore(new NorFlash(tern7.memory, flash.cells))
      const held = store.image(0)
      if (outcome === 'done') {
        expect(held).toEqual(next)
        break
      }
      cuts++
      expect([bodies[0], next]).toContainEqual(held)
      bodies.slice(1).forEach((body, index) => expect(store.image(index + 1)).toEqual(body))
      expect(store.settings()).toEqual(Uint8Array.of(2))
      // It continues from there: the same write now succeeds.
      const again = new NorFlash(tern7.memory, flash.cells)
      const revived = new SlotStore(again)
      run(again, writeAndTidy(revived, 0, next))
      expect(new SlotStore(again).image(0)).toEqual(next)
      bodies.slice(1).forEach((body, index) => expect(revived.image(index + 1)).toEqual(body))
    }
    expect(cuts).toBeGreaterThanOrEqual(2)
  })

  it.each([
    ['two that are full', [filled(capacity, 1), filled(capacity - 9, 2)] as const],
    ['a full and an empty one', [filled(900, 1), undefined] as const],
    ['an empty and a full one', [undefined, filled(900, 2)] as const],
  ])('change places, with the power cut after every operation: %s', (_, images) => {
    const others = [filled(capacity, 3), filled(capacity, 4)]
    const first = new NorFlash(tern7.memory)
    const prepared = new SlotStore(first)
    images.forEach((body, slot) => body && run(first, prepared.write('image', slot, body)))
    others.forEach((body, at) => run(first, writeAndTidy(prepared, at + 2, body)))
    const swap: Swap = { slots: [0, 1], images }
    function* swapping(store: SlotStore): Task {
      for (const { slot, image } of remainingSteps(swap, [store.image(0), store.image(1)]) ?? []) {
        if (image) yield* writeAndTidy(store, slot, image)
        else yield* store.write('cleared', slot, new Uint8Array())
      }
    }
    let outcome = 'cut'
    for (let operations = 1; outcome === 'cut'; operations++) {
      const flash = new NorFlash(tern7.memory, first.cells)
      outcome = run(flash, swapping(new SlotStore(flash)), operations)
      const again = new NorFlash(tern7.memory, flash.cells)
      const store = new SlotStore(again)
      const held = [store.image(0), store.image(1)]
      // Never both missing, and never incomplete.
      for (const now of held) expect(images).toContainEqual(now)
      expect(held.some((now) => now !== undefined)).toBe(true)
      run(again, swapping(store))
      expect([store.image(0), store.image(1)]).toEqual([images[1], images[0]])
      others.forEach((body, at) => expect(store.image(at + 2)).toEqual(body))
    }
    expect(outcome).toBe('done')
  })

  it('survives any series of writes and cuts, and every sector wears alike', () => {
    const step = fc.record({
      slot: fc.nat(4),
      length: fc.integer({ min: 1, max: capacity }),
      cutAfter: fc.option(fc.integer({ min: 1, max: 30 }), { freq: 3, nil: undefined }),
    })
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 60 }), (steps) => {
        const kept = new Map<number, Uint8Array>()
        let flash = new NorFlash(tern7.memory)
        let store = new SlotStore(flash)
        steps.forEach(({ slot, length, cutAfter }, index) => {
          const body = filled(length, index)
          const outcome = run(flash, writeAndTidy(store, slot, body), cutAfter)
          if (outcome === 'cut') {
            flash = new NorFlash(tern7.memory, flash.cells)
            store = new SlotStore(flash)
            expect([kept.get(slot), body]).toContainEqual(store.image(slot))
          }
          const now = store.image(slot)
          if (now) kept.set(slot, now)
          for (const [each, image] of kept) expect(store.image(each)).toEqual(image)
        })
      }),
      runs(20),
    )
    const flash = new NorFlash(tern7.memory)
    const store = new SlotStore(flash)
    for (const slot of [1, 2, 3, 4]) run(flash, writeAndTidy(store, slot, filled(capacity, slot)))
    for (let write = 0; write < 700; write++) run(flash, writeAndTidy(store, 0, filled(1900, write)))
    const counts = store.eraseCounts()
    expect(Math.max(...counts)).toBeGreaterThan(30)
    expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(10)
  })
})

describe('a log that was damaged', () => {
  /** Every slot with two versions, the older ones behind newer ones of others. */
  function filledFlash(memory: MemoryGeometry = tern7.memory): { flash: NorFlash; bodies: Uint8Array[] } {
    const flash = new NorFlash(memory, factoryFlash(memory), undefined, 16)
    const store = new SlotStore(flash)
    const slots = Array.from({ length: memory.slots }, (_, slot) => slot)
    const max = slotCapacity(memory) / memory.slots
    const bodies = slots.map((slot) => filled(Math.floor(max) + 37 * slot, slot + 11))
    for (const slot of slots) run(flash, store.write('image', slot, filled(300, slot)))
    bodies.forEach((body, slot) => run(flash, store.write('image', slot, body)))
    return { flash, bodies }
  }

  it.each([tern7, dunlin84])('loses at most what lay in a sector that is noise now: $name', ({ memory }) => {
    const { flash, bodies } = filledFlash(memory)
    const { sectorBytes, sectors } = memory
    fc.assert(
      fc.property(
        fc.nat(sectors - 1),
        fc.uint8Array({ minLength: sectorBytes, maxLength: sectorBytes }),
        (sector, noise) => {
          const cells = flash.cells.slice()
          const lost = (body: Uint8Array) => {
            const from = Buffer.from(flash.cells).indexOf(Buffer.from(body)) - 16
            return from < (sector + 1) * sectorBytes && from + 16 + body.length > sector * sectorBytes
          }
          cells.set(noise, sector * sectorBytes)
          const part = new NorFlash(memory, cells, undefined, 16)
          const store = new SlotStore(part)
          bodies.forEach((body, slot) => {
            if (!lost(body)) expect(store.image(slot), `slot ${slot}`).toEqual(body)
          })
          run(part, writeAndTidy(store, 0, filled(2000, 5)))
          const after = new SlotStore(new NorFlash(memory, part.cells))
          expect(after.image(0)).toEqual(filled(2000, 5))
          bodies.slice(1).forEach((body, index) => {
            if (!lost(body)) expect(after.image(index + 1)).toEqual(body)
          })
        },
      ),
      runs(12),
    )
  })

  it('steps over one flipped bit, wherever it is: what else lies there is found', () => {
    const { flash, bodies } = filledFlash()
    const superseded = Buffer.from(flash.cells).indexOf(Buffer.from(filled(300, 2))) - 16
    for (let bit = 0; bit < (16 + 300) * 8; bit += 7) {
      const cells = flash.cells.slice()
      cells[superseded + (bit >> 3)] = itemAt(cells, superseded + (bit >> 3)) ^ (1 << (bit & 7))
      const store = new SlotStore(new NorFlash(tern7.memory, cells))
      bodies.forEach((body, slot) => expect(store.image(slot), `bit ${bit}`).toEqual(body))
    }
  })

  it('does not trust a sector that reads blank and does not say that it was erased', () => {
    const flash = new NorFlash(tern7.memory, undefined, undefined, 16)
    const store = new SlotStore(flash)
    run(flash, writeAndTidy(store, 0, filled(500, 1)))
    expect(Math.min(...store.eraseCounts())).toBe(1)
    expect(new SlotStore(new NorFlash(tern7.memory, flash.cells)).image(0)).toEqual(filled(500, 1))
  })

  it('programs no unit of 16 bytes twice, and a part with error correction refuses it', () => {
    const flash = new NorFlash(tern7.memory, undefined, undefined, 16)
    run(flash, flash.program(32, Uint8Array.of(1)))
    expect(() => run(flash, flash.program(40, Uint8Array.of(0)))).toThrow(/16 bytes from 32 were programmed/)
    run(flash, flash.program(48, Uint8Array.of(0)))
    const worn = new NorFlash(tern7.memory, factoryFlash(tern7.memory), undefined, 16)
    const store = new SlotStore(worn)
    for (let write = 0; write < 60; write++)
      run(worn, writeAndTidy(store, write % 5, filled(1 + 61 * write, write)))
  })

  it('takes no body in which a record of another slot is hidden', () => {
    const flash = new NorFlash(tern7.memory, factoryFlash(tern7.memory))
    const store = new SlotStore(flash)
    run(flash, store.write('image', 3, filled(100, 3)))
    const record = flash.read(16, 16 + 100)
    record[1] = 4
    for (const offset of [0, 16, 256]) {
      const body = new Uint8Array(offset + record.length).fill(0x5a)
      body.set(record, offset)
      expect(() => run(flash, store.write('image', 0, body))).toThrow(/looks like the header/)
    }
    const again = new SlotStore(new NorFlash(tern7.memory, flash.cells))
    expect([again.image(3), again.image(4), again.image(0)]).toEqual([filled(100, 3), undefined, undefined])
  })

  it('reads what an earlier version left, committed by a word of its own', () => {
    const flash = new NorFlash(tern7.memory, factoryFlash(tern7.memory))
    // As the first firmware wrote it: header and body, then the commit word.
    const body = filled(40, 7)
    const header = new ByteWriter()
    header.bytes([1, 2])
    header.u16(body.length)
    header.u32(9)
    header.u32(crc32(header.toBytes(), body))
    run(flash, flash.program(16, Uint8Array.from([...header.toBytes(), 255, 255, 255, 255, ...body])))
    expect(new SlotStore(flash).image(2)).toBeUndefined()
    run(flash, flash.program(28, new TextEncoder().encode('COMT')))
    expect(new SlotStore(flash).image(2)).toEqual(body)
  })
})

describe('a write through the link', () => {
  it('leaves the old profile or the new one, whole, wherever the power goes', async () => {
    const old = compileProfile(factoryProfile(tern7, 'Old'), tern7).bytes
    const bound = bind(factoryProfile(tern7, 'New'), tern7, 0, 'side-front', keyAction('KeyY', []))
    const next = compileProfile(bound, tern7).bytes
    const outcomes = new Set<string>()
    for (let cutUs = 200; cutUs < 12_000; cutUs += 100) {
      const clock = new Clock()
      const device = new SimulatedDevice({ model: tern7, clock })
      device.setPlugs({ cable: 'data' })
      const session = new LinkSession(virtualTransport(clock, device))
      await session.writeSlot(0, old, undefined)
      clock.at(clock.nowUs + cutUs, () =>
        device.setPlugs({ power: false, cable: cutUs % 200 === 0 ? 'data' : 'none' }),
      )
      const outcome = await session.writeSlot(0, next, old).then(
        () => 'written',
        (error: Error) => error.message,
      )
      clock.runUntil(clock.nowUs + 1e6)
      device.setPlugs({ power: true, cable: 'data' })
      const held = await session.readSlot(0)
      expect(outcome === 'written' ? [next] : [old, next]).toContainEqual(held)
      outcomes.add(
        `${outcome}, holds ${held?.length === next.length && held.every((b, i) => b === next[i]) ? 'new' : 'old'}`,
      )
    }
    expect(outcomes).toEqual(
      new Set([
        'The device was disconnected, holds old',
        'The device was disconnected, holds new',
        'written, holds new',
      ]),
    )
  })
})
