import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemAt } from '../base/items'
import { tern7 } from '../device/models/tern-7'
import { ByteReader, ByteWriter } from '../base/bytes'
import { compileProfile } from '../compile/compile'
import { factoryProfile } from '../terms/profile'
import { deltaBetween, packOperations, readOperations } from './delta'
import {
  COMMAND,
  decodeInfo,
  decodeReply,
  decodeRequest,
  encodeInfo,
  encodeReply,
  encodeRequest,
  PACKET_BYTES,
  REQUEST_PAYLOAD,
  STATUS,
  type DeviceInfo,
  type StatusCode,
} from './packets'
import { LinkSession, type WriteProgress } from './session'
import { LinkError } from './link-error'
import { encodeGauge, encodeGaugeHours, GAUGE_HOURS_PER_REPLY } from './battery-life'
import { MAX_GAUGE_HOURS, type GaugeHour } from '../motion/battery-life'
import { imageChecksum } from '../onboard/format'
import { TransportError, type DeviceTransport } from './transport'

const image = compileProfile(factoryProfile(tern7, 'Brinewatch'), tern7).bytes

describe('packets', () => {
  it('are 63 bytes and come apart as they were put together', () => {
    const payload = Uint8Array.from({ length: REQUEST_PAYLOAD }, (_, index) => index)
    const request = encodeRequest(7, COMMAND.write, payload)
    expect(request.length).toBe(PACKET_BYTES)
    expect(decodeRequest(request)).toMatchObject({ sequence: 7, command: COMMAND.write })
    expect(decodeRequest(request)?.payload.rest()).toEqual(payload)
    expect(decodeReply(encodeReply(9, 3, STATUS.busy, new Uint8Array()))).toMatchObject({
      sequence: 9,
      command: 3,
      status: 1,
    })
    expect(() => encodeRequest(1, 1, new Uint8Array(REQUEST_PAYLOAD + 1))).toThrow(RangeError)
    expect(decodeRequest(request.subarray(1))).toBeUndefined()
    expect(decodeReply(new Uint8Array(64))).toBeUndefined()
  })

  it('carry all that a device says of itself', () => {
    const byte = fc.nat(255)
    const word = fc.nat(0xffffffff)
    const anyInfo: fc.Arbitrary<DeviceInfo> = fc.record({
      protocol: byte,
      model: fc.nat(0xffff),
      serial: word,
      slots: byte,
      activeSlot: byte,
      activeStep: byte,
      slotBytes: fc.nat(0xffff),
      connection: byte,
      batteryPercent: byte,
      charging: fc.boolean(),
      revision: word,
      lastInput: byte,
      presses: byte,
      logLines: byte,
      firmware: fc.record({ major: byte, minor: byte, patch: byte }),
    })
    fc.assert(
      fc.property(anyInfo, (info) => {
        expect(decodeInfo(new ByteReader(encodeInfo(info)))).toEqual(info)
      }),
    )
  })
})

describe('the delta', () => {
  /** Two byte arrays with much or little in common. */
  const related = fc
    .tuple(
      fc.uint8Array({ maxLength: 400 }),
      fc.array(fc.tuple(fc.nat(400), fc.uint8Array({ maxLength: 20 }), fc.nat(30)), { maxLength: 6 }),
    )
    .map(([base, splices]) => {
      const bytes = [...base]
      for (const [at, added, removed] of splices) bytes.splice(Math.min(at, bytes.length), removed, ...added)
      return [base, Uint8Array.from(bytes)] as const
    })
  const anyPair = fc.oneof(
    related,
    fc.tuple(fc.uint8Array({ maxLength: 300 }), fc.uint8Array({ maxLength: 300 })),
  )

  it('makes any target from any base, whatever the packets hold', () => {
    fc.assert(
      fc.property(anyPair, fc.integer({ min: 12, max: 60 }), ([base, target], room) => {
        let made = new Uint8Array()
        for (const packet of packOperations(deltaBetween(base, target), () => room)) {
          expect(packet.length).toBeLessThanOrEqual(room)
          const padded = new Uint8Array(room)
          padded.set(packet)
          const added = readOperations(new ByteReader(padded), base, {
            length: target.length,
            placed: made.length,
          })
          made = Uint8Array.from([...made, ...(added ?? [])])
        }
        expect(made).toEqual(target)
      }),
    )
  })

  it('sends little when little changed, wherever it moved to', () => {
    const base = Uint8Array.from({ length: 2000 }, (_, index) => (index * index * 7 + index) & 0xff)
    const cost = (target: Uint8Array) =>
      packOperations(deltaBetween(base, target), () => 60).reduce((sum, { length }) => sum + length, 0)
    const changed = base.slice()
    changed[1000] = itemAt(changed, 1000) ^ 0xff
    expect(cost(changed)).toBeLessThan(30)
    expect(cost(Uint8Array.from([...base.subarray(0, 500), 1, 2, 3, ...base.subarray(500)]))).toBeLessThan(40)
    expect(cost(Uint8Array.from([...base.subarray(1000), ...base.subarray(0, 1000)]))).toBeLessThan(30)
    expect(cost(base)).toBeLessThan(10)
  })

  it('never reaches outside what it is given, whatever it reads', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ maxLength: 61 }),
        fc.nat(50),
        fc.nat(50),
        (noise, baseBytes, targetBytes) => {
          const placed = targetBytes >> 1
          const added = readOperations(new ByteReader(noise), new Uint8Array(baseBytes), {
            length: targetBytes,
            placed,
          })
          expect(placed + (added?.length ?? 0)).toBeLessThanOrEqual(targetBytes)
        },
      ),
    )
  })

  it('takes operations to their last byte, and none that is cut short, elsewhere, or of no kind', () => {
    const base = Uint8Array.of(10, 11, 12, 13, 14, 15, 16, 17)
    const read = (bytes: number[], placed = 0) => {
      const added = readOperations(new ByteReader(Uint8Array.from(bytes)), base, { length: 8, placed })
      return added && [...added]
    }
    expect(read([1, 0, 0, 2, 7, 8])).toEqual([7, 8])
    expect(read([2, 0, 0, 6, 0, 2, 0])).toEqual([16, 17])
    expect(read([2, 0, 0, 0, 0, 8, 0])).toEqual([...base])
    expect(read([1, 0, 0, 0])).toEqual([])
    expect(read([])).toEqual([])
    expect(read([0, 9, 9, 9])).toEqual([])
    expect(read([1, 0, 0, 1, 7, 2, 1, 0, 0, 0, 1, 0, 0])).toEqual([7, 10])
    expect(read([1, 3, 0, 1, 7], 3)).toEqual([7])
    for (const refused of [
      [1, 0],
      [1, 0, 0, 3, 7, 8],
      [1, 1, 0, 1, 7],
      [2, 0, 0, 6, 0, 2],
      [2, 0, 0, 7, 0, 2, 0],
      [3, 0, 0, 0, 0, 1, 0],
      [1, 0, 0, 9, 1, 2, 3, 4, 5, 6, 7, 8, 9],
    ])
      expect(read(refused), refused.join(' ')).toBeUndefined()
    // Unchanged parts need no operation.
    expect(deltaBetween(base, base)).toEqual([{ kind: 'copy', at: 0, from: 0, length: 8 }])
    expect(deltaBetween(base, Uint8Array.of(...base, 1))).toEqual([
      { kind: 'copy', at: 0, from: 0, length: 8 },
      { kind: 'literal', at: 8, bytes: Uint8Array.of(1) },
    ])
    expect(deltaBetween(base, new Uint8Array())).toEqual([])
  })
})

/** A device made of one function, for behaviour that real ones rarely show. */
function scripted(
  answer: (
    request: Uint8Array,
    asked: number,
  ) => { status: StatusCode; payload?: number[] } | 'timeout' | 'gone',
) {
  let last = new Uint8Array(PACKET_BYTES)
  let asked = 0
  const sent: Uint8Array[] = []
  const transport: DeviceTransport = {
    id: 'scripted',
    async sendFeatureReport(data) {
      sent.push(data)
      last = Uint8Array.from(data)
      asked = 0
    },
    async receiveFeatureReport() {
      const reply = answer(last, asked++)
      if (reply === 'timeout') throw new TransportError('timeout')
      if (reply === 'gone') throw new TransportError('disconnected')
      return encodeReply(itemAt(last, 0), itemAt(last, 1), reply.status, Uint8Array.from(reply.payload ?? []))
    },
  }
  return { session: new LinkSession(transport), sent }
}

describe('a session', () => {
  it('asks four times of a device that does not answer, and gives up', async () => {
    const { session, sent } = scripted(() => 'timeout')
    await expect(session.info()).rejects.toMatchObject({ name: 'LinkError', reason: 'timeout' })
    expect(sent.length).toBe(4)
    expect(new Set(sent.map(([sequence]) => sequence)).size).toBe(4)
  })

  it('waits for a busy device, and not for ever', async () => {
    const patient = scripted((_, asked) => ({ status: asked < 50 ? STATUS.busy : STATUS.ok }))
    await expect(patient.session.select(1)).resolves.toBeUndefined()
    const stuck = scripted(() => ({ status: STATUS.busy }))
    await expect(stuck.session.select(1)).rejects.toThrow(/still busy/)
  })

  it('ends at once when the device is gone', async () => {
    const { session, sent } = scripted(() => 'gone')
    await expect(session.readSlot(0)).rejects.toMatchObject({ reason: 'disconnected' })
    expect(sent.length).toBe(1)
  })

  it('takes a device that starts anew before its answer was fetched for one that starts anew', async () => {
    const { session, sent } = scripted(() => 'gone')
    await expect(session.restart()).resolves.toBeUndefined()
    expect(sent.length).toBe(1)
    const refusing = scripted(() => ({ status: STATUS.notAllowed }))
    await expect(refusing.session.restart()).rejects.toMatchObject({ reason: 'refused' })
  })

  it('says why a device refused, in words', async () => {
    const statuses = Object.values(STATUS).filter((status) => status > STATUS.busy)
    const said = await Promise.all(
      statuses.map((status) =>
        scripted(() => ({ status }))
          .session.clear(0)
          .catch((error: LinkError) => error),
      ),
    )
    for (const error of said) expect(error).toBeInstanceOf(LinkError)
    expect(new Set(said.map((error) => String(error))).size).toBe(statuses.length)
    await expect(scripted(() => ({ status: 77 as StatusCode })).session.clear(0)).rejects.toThrow(/status 77/)
  })

  it('finds out when what was written reads back differently', async () => {
    const { session } = scripted((request, asked) => {
      if (request[1] !== COMMAND.write) return { status: STATUS.malformed }
      const from = asked * 58
      const chunk = [...image.subarray(from, from + 58)]
      if (asked === 0) chunk[3] = itemAt(chunk, 3) ^ 1
      return { status: STATUS.ok, payload: [from & 0xff, from >> 8, ...chunk] }
    })
    await expect(session.writeSlot(0, image, undefined)).rejects.toMatchObject({
      reason: 'mismatch',
      message: 'Slot 1 was written, but its contents read back differently',
    })
  })

  it('drops its base when the slot holds something else, and sends the whole', async () => {
    const { session, sent } = scripted((_, asked) => {
      const opening = sent.findLast(
        ([, command, flags = 0]) => command === COMMAND.write && (flags & 1) === 1,
      )
      // Bytes 6 to 9 of a first packet are the checksum of its base.
      if (opening?.subarray(6, 10).some((byte) => byte !== 0)) return { status: STATUS.baseChanged }
      const from = asked * 58
      return { status: STATUS.ok, payload: [from & 0xff, from >> 8, ...image.subarray(from, from + 58)] }
    })
    const progress: WriteProgress[] = []
    const held = image.slice()
    held[10] = itemAt(held, 10) ^ 1
    await session.writeSlot(0, image, held, (now) => progress.push(now))
    expect(progress.map(({ phase }) => phase)).toContain('committing')
    expect(progress.at(-1)).toEqual({
      phase: 'reading back',
      doneBytes: image.length,
      totalBytes: image.length,
    })
  })

  it('reads what the gauge counted hour by hour, as many as there are, no more than a week, nor from a device that has none', async () => {
    const totals = {
      capacityMah: 300,
      takenMah: 12.5,
      filledMah: 40,
      present: { seconds: 90, batterySeconds: 30, takenUah: 55 },
    }
    const hour = (at: number): GaugeHour => ({ percent: at % 101, batterySeconds: at, takenUah: 7 * at })
    const withHours = (said: number, kept = said) =>
      scripted((request) => {
        if (request[1] === COMMAND.gauge)
          return { status: STATUS.ok, payload: [...encodeGauge({ ...totals, hours: said })] }
        const from = itemAt(request, 2) + 256 * itemAt(request, 3)
        const max = Math.min(GAUGE_HOURS_PER_REPLY, kept - from)
        const hours = Array.from({ length: Math.max(0, max) }, (_, index) => hour(from + index))
        return { status: STATUS.ok, payload: [...encodeGaugeHours(hours)] }
      })
    const twenty = await withHours(20).session.batteryLife()
    expect(twenty).toEqual({ ...totals, hours: Array.from({ length: 20 }, (_, at) => hour(at)) })
    const { session, sent } = withHours(3000)
    const week = await session.batteryLife()
    expect(week.hours.length).toBeGreaterThanOrEqual(MAX_GAUGE_HOURS)
    expect(week.hours.length).toBeLessThan(MAX_GAUGE_HOURS + GAUGE_HOURS_PER_REPLY)
    expect(sent).toHaveLength(1 + Math.ceil(MAX_GAUGE_HOURS / GAUGE_HOURS_PER_REPLY))
    expect((await withHours(20, 11).session.batteryLife()).hours).toHaveLength(11)
    expect((await withHours(0).session.batteryLife()).hours).toEqual([])
  })

  it('says which slot it is about, and gives up on one that keeps changing', async () => {
    const changing = (right: number) => {
      let asked = 0
      return scripted((request, at) => {
        if (request[1] === COMMAND.slot) {
          asked++
          const check = new ByteWriter()
          check.u32(imageChecksum(image) ^ (asked === right ? 0 : 1))
          return {
            status: STATUS.ok,
            payload: [1, image.length & 0xff, image.length >> 8, ...check.toBytes()],
          }
        }
        const from = at * 58
        return { status: STATUS.ok, payload: [from & 0xff, from >> 8, ...image.subarray(from, from + 58)] }
      })
    }
    await expect(changing(0).session.readSlot(2)).rejects.toThrow(
      'Slot 3 changed repeatedly while it was being read',
    )
    for (const right of [1, 2]) expect(await changing(right).session.readSlot(2)).toEqual(image)
    const { session } = scripted((request) => ({
      status: STATUS.ok,
      payload: request[1] === COMMAND.slot ? [0, 0, 0, 0, 0, 0, 0] : [],
    }))
    expect(await session.readSlot(0)).toBeUndefined()
  })
})
