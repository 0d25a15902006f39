import { ByteWriter } from '../base/bytes'
import { imageChecksum } from '../onboard/format'
import { MAX_GAUGE_HOURS, type BatteryLife, type GaugeHour } from '../motion/battery-life'
import { decodeGauge, decodeGaugeHours } from './battery-life'
import { deltaBetween, packOperations } from './delta'
import {
  COMMAND,
  decodeCalibration,
  decodeInfo,
  decodeLog,
  decodeName,
  decodeReply,
  encodeName,
  encodeWriteStart,
  encodeRequest,
  FIRMWARE_CHUNK,
  REQUEST_PAYLOAD,
  STATUS,
  WRITE_BEGIN,
  WRITE_COMMIT,
  WRITE_START_BYTES,
  type CalibrationStatus,
  type DeviceInfo,
  type LogLine,
  type Reply,
} from './packets'
import { LinkError, errorForStatus } from './link-error'
import { TransportError, type DeviceTransport } from './transport'
import { message } from '../message/message'

/** Statistics of a link: requests, repeated requests, restarted writes, and failures. */
export interface LinkCounts {
  requests: number
  repeated: number
  writesAgain: number
  failed: number
}

export const emptyCounts = (): LinkCounts => ({ requests: 0, repeated: 0, writesAgain: 0, failed: 0 })

/** Progress of a write: bytes of the image sent, committed to flash, or read back and compared. */
export interface WriteProgress {
  phase: 'sending' | 'committing' | 'reading back'
  doneBytes: number
  totalBytes: number
}

/** Attempts of one request or one write before the session gives up. */
const TRIES = 4
/** Number of busy replies, at least a millisecond each, before the device counts as stuck. */
const MAX_BUSY = 3000
/** Packets of a write that are sent without asking whether there is room: a device buffers that many. */
const MAX_UNASKED = 32
/** Replies at unexpected positions of a read before the session gives up. */
const MAX_MISSES = 16

/**
 * The computer's end of the configuration protocol (docs/link-protocol.md). Only one session at a time may use a
 * device.
 */
export class LinkSession {
  private sequence = 0

  /** @param counts statistics to update */
  constructor(
    private readonly transport: DeviceTransport,
    private readonly counts: LinkCounts = emptyCounts(),
  ) {}

  /** Reads information about the device. @throws LinkError */
  async info(): Promise<DeviceInfo> {
    return decodeInfo((await this.request(COMMAND.info, [])).payload)
  }

  /** Reads the log of items that the device does not support. @throws LinkError */
  async log(): Promise<LogLine[]> {
    return decodeLog((await this.request(COMMAND.log, [])).payload)
  }

  /** Activates a slot, counted from 0. @throws LinkError */
  async select(slot: number): Promise<void> {
    await this.request(COMMAND.select, [slot])
  }

  /** Reads the name of the device; empty if it has none. @throws LinkError */
  async name(): Promise<string> {
    const { payload } = await this.request(COMMAND.name, [])
    return new TextDecoder().decode(decodeName(payload))
  }

  /** Renames the device, with at most 24 characters and 48 bytes; an empty name removes it. @throws LinkError */
  async rename(name: string): Promise<void> {
    await this.request(COMMAND.rename, [...encodeName(new TextEncoder().encode(name))])
  }

  /** Reads the counters of its battery gauge. @throws LinkError; `refused` by a device without a battery */
  async batteryLife(): Promise<BatteryLife> {
    const { hours: count, ...totals } = decodeGauge((await this.request(COMMAND.gauge, [])).payload)
    const hours: GaugeHour[] = []
    while (hours.length < Math.min(count, MAX_GAUGE_HOURS)) {
      const from = [hours.length & 0xff, hours.length >> 8]
      const more = decodeGaugeHours((await this.request(COMMAND.gaugeHours, from)).payload)
      if (more.length === 0) break
      hours.push(...more)
    }
    return { ...totals, hours }
  }

  /**
   * Resets the whole device to factory settings: slots, name, surface. It either completes or changes nothing. @throws
   * LinkError
   */
  async reset(): Promise<void> {
    await this.request(COMMAND.reset, [])
  }

  /**
   * Sends a firmware file to the device, which keeps running its current one and verifies the file. The new firmware
   * runs from the next start.
   *
   * @throws LinkError; after any error, the device keeps its current firmware
   */
  async sendFirmware(file: Uint8Array, progress: (now: WriteProgress) => void = () => {}): Promise<void> {
    const totalBytes = file.length
    const words = (value: number) => [value & 0xff, (value >> 8) & 0xff, (value >> 16) & 0xff, value >>> 24]
    progress({ phase: 'sending', doneBytes: 0, totalBytes })
    await this.request(COMMAND.firmwareBegin, words(totalBytes))
    for (let done = 0; done < totalBytes; done += FIRMWARE_CHUNK) {
      const part = file.subarray(done, done + FIRMWARE_CHUNK)
      await this.request(COMMAND.firmwareData, [...words(done), part.length, ...part])
      progress({ phase: 'sending', doneBytes: done + part.length, totalBytes })
    }
    progress({ phase: 'committing', doneBytes: totalBytes, totalBytes })
    await this.request(COMMAND.firmwareFinish, [])
  }

  /**
   * Restarts the device with the firmware sent last. It disconnects and reconnects. If it disconnects before its reply,
   * it has restarted too, or restarts when it has power again. @throws LinkError
   */
  async restart(): Promise<void> {
    try {
      await this.request(COMMAND.restart, [])
    } catch (error) {
      if (!(error instanceof LinkError) || error.reason !== 'disconnected') throw error
    }
  }

  /** Clears a slot, counted from 0. @throws LinkError */
  async clear(slot: number): Promise<void> {
    await this.request(COMMAND.clear, [slot])
  }

  /**
   * Calibrates the sensor for the surface under it.
   *
   * @param what one of {@link CALIBRATE}
   * @throws LinkError; `refused` by a device that cannot be calibrated
   */
  async calibrate(what: number): Promise<CalibrationStatus> {
    return decodeCalibration((await this.request(COMMAND.calibrate, [what])).payload)
  }

  /** The image in a slot, counted from 0, or undefined when it is empty. @throws LinkError */
  async readSlot(slot: number): Promise<Uint8Array | undefined> {
    for (let attempt = 1; ; attempt++) {
      const { payload } = await this.request(COMMAND.slot, [slot])
      const holds = payload.u8() === 1
      const image = new Uint8Array(payload.u16())
      const check = payload.u32()
      if (!holds) return undefined
      await this.readInto(image, slot, undefined, () => {})
      if (imageChecksum(image) === check) return image
      // The slot was still being written; its contents are read again from the start.
      if (attempt === TRIES)
        throw new LinkError('mismatch', message('link.changedWhileRead', { slot: slot + 1 }))
    }
  }

  /**
   * Writes an image to a slot, counted from 0, and reads it back from flash. Only the difference from `base` is sent.
   * The slot keeps its contents until the device commits, and has the new image afterwards.
   *
   * @param base the contents of the slot when it was last read, if known
   * @throws LinkError; after `mismatch`, the slot has different contents than were sent
   */
  async writeSlot(
    slot: number,
    image: Uint8Array,
    base: Uint8Array | undefined,
    progress: (now: WriteProgress) => void = () => {},
  ): Promise<void> {
    let from = base
    for (let attempt = 1; ; attempt++) {
      const reply = await this.sendImage(slot, image, from, progress)
      if (reply?.status === STATUS.ok) return this.verify(slot, image, reply, progress)
      // No reply to the commit: it may have succeeded or not. The write is repeated in full.
      const status = reply?.status ?? STATUS.outOfSequence
      const retriable = status === STATUS.outOfSequence || status === STATUS.baseChanged
      if (!retriable || attempt === TRIES) throw this.failed(errorForStatus(status, COMMAND.write))
      this.counts.writesAgain++
      from = undefined
    }
  }

  private async sendImage(
    slot: number,
    image: Uint8Array,
    base: Uint8Array | undefined,
    progress: (now: WriteProgress) => void,
  ): Promise<Reply | undefined> {
    const operations = deltaBetween(base ?? new Uint8Array(), image)
    const usesBase = operations.some(({ kind }) => kind === 'copy')
    const room = (index: number) => REQUEST_PAYLOAD - 1 - (index === 0 ? WRITE_START_BYTES : 0)
    const packets = packOperations(operations, room)
    for (const [index, operationBytes] of packets.entries()) {
      const writer = new ByteWriter()
      const last = index === packets.length - 1
      writer.u8((index === 0 ? WRITE_BEGIN : 0) | (last ? WRITE_COMMIT : 0))
      if (index === 0) {
        encodeWriteStart(writer, {
          slot,
          length: image.length,
          baseCrc: usesBase && base ? imageChecksum(base) : 0,
        })
      }
      writer.bytes(operationBytes)
      progress({
        phase: 'sending',
        doneBytes: Math.round((image.length * index) / packets.length),
        totalBytes: image.length,
      })
      // A lost report leaves a gap in the sequence, which the device reports at the end.
      await this.sendOnce(COMMAND.write, writer.toBytes())
      // A long write waits here while the device erases flash, if needed.
      if (index === 0 && packets.length > MAX_UNASKED) {
        const reply = await this.reply(COMMAND.write)
        if (reply?.status !== STATUS.ok) return reply
      }
    }
    progress({ phase: 'committing', doneBytes: image.length, totalBytes: image.length })
    return this.reply(COMMAND.write)
  }

  /** The reply to a commit already has the first bytes, read from flash. */
  private async verify(
    slot: number,
    image: Uint8Array,
    first: Reply,
    progress: (now: WriteProgress) => void,
  ): Promise<void> {
    const stored = new Uint8Array(image.length)
    await this.readInto(stored, slot, first, (doneBytes) =>
      progress({ phase: 'reading back', doneBytes, totalBytes: image.length }),
    )
    if (!stored.every((byte, index) => byte === image[index])) {
      throw new LinkError('mismatch', message('link.readsBackDifferently', { slot: slot + 1 }))
    }
  }

  /** Fills `image` from a stream of replies; if one is missing, reading restarts at its offset. */
  private async readInto(
    image: Uint8Array,
    slot: number,
    first: Reply | undefined,
    report: (doneBytes: number) => void,
  ): Promise<void> {
    let reply = first
    let misses = 0
    for (let done = 0; done < image.length;) {
      reply ??= await this.request(COMMAND.read, [slot, done & 0xff, done >> 8])
      const { command } = reply
      const end = takeChunk(reply, image, done)
      if (end === undefined && ++misses > MAX_MISSES) {
        throw new LinkError('timeout', message('link.stoppedAnswering'))
      }
      done = end ?? done
      report(done)
      reply = end === undefined || done >= image.length ? undefined : await this.reply(command)
    }
  }

  private async request(command: number, payload: number[]): Promise<Reply> {
    for (let attempt = 1; ; attempt++) {
      await this.sendOnce(command, Uint8Array.from(payload))
      const reply = await this.reply(command)
      if (reply) {
        if (reply.status !== STATUS.ok) throw this.failed(errorForStatus(reply.status, command))
        return reply
      }
      if (attempt === TRIES) throw this.failed(new LinkError('timeout', message('link.noAnswer')))
      this.counts.repeated++
    }
  }

  private failed(error: LinkError): LinkError {
    this.counts.failed++
    return error
  }

  private async sendOnce(command: number, payload: Uint8Array): Promise<void> {
    this.counts.requests++
    this.sequence = (this.sequence + 1) & 0xff
    await this.attempt(() => this.transport.sendFeatureReport(encodeRequest(this.sequence, command, payload)))
  }

  /** The reply to the last request, or undefined if it is missing or belongs to another request. */
  private async reply(command: number): Promise<Reply | undefined> {
    for (let busy = 0; busy < MAX_BUSY; busy++) {
      const data = await this.attempt(() => this.transport.receiveFeatureReport())
      const reply = data && decodeReply(data)
      if (!reply || reply.sequence !== this.sequence || reply.command !== command) return undefined
      if (reply.status !== STATUS.busy) return reply
    }
    throw new LinkError('timeout', message('link.busy'))
  }

  /** Undefined after a timeout; a disconnected device ends the session. */
  private async attempt<T>(transfer: () => Promise<T>): Promise<T | undefined> {
    try {
      return await transfer()
    } catch (error) {
      if (error instanceof TransportError && error.reason === 'timeout') return undefined
      if (error instanceof TransportError) throw new LinkError('disconnected', message('link.disconnected'))
      throw error
    }
  }
}

/** Copies a chunk that continues at `done`; returns its end, or undefined if it does not fit. */
function takeChunk(reply: Reply, image: Uint8Array, done: number): number | undefined {
  if (reply.payload.left < 2) return undefined
  const offset = reply.payload.u16()
  if (offset !== done) return undefined
  const chunk = reply.payload.rest().subarray(0, image.length - done)
  if (reply.status !== STATUS.ok || chunk.length === 0) return undefined
  image.set(chunk, done)
  return done + chunk.length
}
