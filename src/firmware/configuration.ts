import type { ByteReader } from '../core/base/bytes'
import { ByteWriter } from '../core/base/bytes'
import { imageChecksum } from '../core/onboard/format'
import { readOperations } from '../core/link/delta'
import { encodeGauge, encodeGaugeHours, GAUGE_HOURS_PER_REPLY } from '../core/link/battery-life'
import type { GaugeHour, GaugeTotals } from '../core/motion/battery-life'
import type { FirmwareUpdate } from './firmware-update'
import {
  COMMAND,
  encodeCalibration,
  decodeWriteStart,
  decodeRequest,
  encodeInfo,
  decodeName,
  encodeLog,
  encodeName,
  encodeReply,
  READ_CHUNK,
  STATUS,
  WRITE_BEGIN,
  WRITE_COMMIT,
  WRITE_START_BYTES,
  type CalibrationStatus,
  type DeviceInfo,
  type LogLine,
  type StatusCode,
} from '../core/link/packets'

/** Functions of the device for the configuration link. Slots are counted from 0. */
export interface ConfigurationTargets {
  info(): DeviceInfo
  /** Log of unsupported items. */
  log(): readonly LogLine[]
  modelNumber: number
  slots: number
  slotBytes: number
  /** Whether the active connection carries configuration. */
  allowed(): boolean
  byCable(): boolean
  image(slot: number): Uint8Array | undefined
  /** Starts a write to a slot: its bytes go to flash as they arrive, and become valid with the commit. */
  stage(slot: number, length: number): StagedWrite
  clear(slot: number, done: () => void, failed: () => void): void
  /** The name of the device, in UTF-8. */
  name(): Uint8Array
  rename(name: Uint8Array, done: () => void, failed: () => void): void
  /** Resets everything to factory settings. */
  reset(done: () => void, failed: () => void): void
  select(slot: number): void
  firmware: FirmwareUpdate
  /** The battery gauge; missing without a battery. */
  gauge: (() => GaugeReplies) | undefined
  /** Surface calibration; missing if the sensor cannot be calibrated. */
  calibrate: ((what: number) => CalibrationStatus) | undefined
}

/** The two replies of a battery gauge. */
export interface GaugeReplies {
  totals(): GaugeTotals
  hoursFrom(index: number, count: number): readonly GaugeHour[]
}

/** An image being written to a slot. It only needs memory for one page and the bytes waiting for it. */
export interface StagedWrite {
  /** Whether all received bytes are in flash, some are still waiting, or flash failed. */
  readonly state: 'idle' | 'busy' | 'failed'
  /** Number of waiting bytes. */
  readonly waiting: number
  put(bytes: Uint8Array): void
  /** `refused`: the bytes are not an image for this device. */
  commit(done: () => void, refused: () => void, failed: () => void): void
  drop(): void
}

/**
 * Maximum number of waiting bytes before a write is aborted, because the computer sent more than it allowed time for.
 */
const MAX_WAITING_BYTES = 4096

type Answer = { status: StatusCode; payload: Uint8Array }
const EMPTY: Uint8Array = new Uint8Array()
const STAGED_STATUS = { idle: STATUS.ok, busy: STATUS.busy, failed: STATUS.flashFault } as const

/**
 * The device's end of the configuration protocol (docs/link-protocol.md). It answers every request: unreadable ones are
 * refused with a status, and a slot never changes before a whole image has been checked.
 */
export class ConfigurationLink {
  private sequence = 0
  private command = 0
  private answer: () => Answer = () => ({ status: STATUS.ok, payload: EMPTY })
  private staged:
    | { slot: number; length: number; base: Uint8Array; next: number; placed: number; write: StagedWrite }
    | undefined
  /** Why the current write was refused; later parts get the same reply. */
  private refused: StatusCode = STATUS.outOfSequence
  private requests = 0

  constructor(private readonly targets: ConfigurationTargets) {}

  /** A feature report from the computer: 63 bytes after the id. */
  set(data: Uint8Array): void {
    const request = decodeRequest(data)
    if (!request) return this.reply(STATUS.malformed)
    const { sequence, command, payload } = request
    this.requests++
    this.sequence = sequence
    this.command = command
    if (command !== COMMAND.write) this.abandon(STATUS.outOfSequence)
    if (command === COMMAND.info) {
      this.answer = () => ({ status: STATUS.ok, payload: encodeInfo(this.targets.info()) })
      return
    }
    if (!this.targets.allowed()) return this.reply(STATUS.notAllowed)
    const handler = this.handlers[command]
    if (!handler) return this.reply(STATUS.unknownCommand)
    handler(payload)
  }

  /** The feature report requested by the computer. */
  get(): Uint8Array {
    const { status, payload } = this.answer()
    return encodeReply(this.sequence, this.command, status, payload)
  }

  private readonly done = () => this.reply(STATUS.ok)
  private readonly fault = () => this.reply(STATUS.flashFault)

  private readonly handlers: Record<number, ((payload: ByteReader) => void) | undefined> = {
    [COMMAND.slot]: (payload) => this.withSlot(payload.u8(), (slot) => this.describe(slot)),
    [COMMAND.read]: (payload) => {
      const slot = payload.u8()
      const offset = payload.u16()
      this.withSlot(slot, () => this.stream(this.targets.image(slot) ?? EMPTY, offset))
    },
    [COMMAND.log]: () => this.reply(STATUS.ok, encodeLog(this.targets.log())),
    [COMMAND.write]: (payload) => this.write(payload),
    [COMMAND.select]: (payload) =>
      this.withSlot(payload.u8(), (slot) => {
        this.targets.select(slot)
        this.reply(STATUS.ok)
      }),
    [COMMAND.calibrate]: (payload) => {
      const { calibrate } = this.targets
      if (!calibrate) return this.reply(STATUS.unknownCommand)
      this.reply(STATUS.ok, encodeCalibration(calibrate(payload.u8())))
    },
    [COMMAND.firmwareBegin]: (payload) =>
      this.byCable(() => {
        const length = payload.u32()
        this.replyWhen((ends) => this.targets.firmware.begin(length, ends))
      }),
    [COMMAND.firmwareData]: (payload) =>
      this.byCable(() => {
        const offset = payload.u32()
        const count = Math.min(payload.u8(), payload.left)
        const bytes = payload.sub(count)
        this.replyWhen((ends) => this.targets.firmware.put(offset, bytes, ends))
      }),
    [COMMAND.firmwareFinish]: () =>
      this.byCable(() => this.replyWhen((ends) => this.targets.firmware.finish(ends))),
    [COMMAND.restart]: () =>
      this.byCable(() => {
        this.reply(STATUS.ok)
        this.targets.firmware.restart()
      }),
    [COMMAND.clear]: (payload) =>
      this.withSlot(payload.u8(), (slot) => {
        this.busyUntil((end) => this.targets.clear(slot, end(this.done), end(this.fault)))
      }),
    [COMMAND.name]: () => this.reply(STATUS.ok, encodeName(this.targets.name())),
    [COMMAND.rename]: (payload) => {
      const name = decodeName(payload)
      if (!name) return this.reply(STATUS.malformed)
      this.busyUntil((end) => this.targets.rename(name, end(this.done), end(this.fault)))
    },
    [COMMAND.gauge]: () => this.withGauge((gauge) => encodeGauge(gauge.totals())),
    [COMMAND.gaugeHours]: (payload) => {
      const index = payload.u16()
      this.withGauge((gauge) => encodeGaugeHours(gauge.hoursFrom(index, GAUGE_HOURS_PER_REPLY)))
    },
    [COMMAND.reset]: () => this.busyUntil((end) => this.targets.reset(end(this.done), end(this.fault))),
  }

  private reply(status: StatusCode, payload = EMPTY): void {
    this.answer = () => ({ status, payload })
  }

  /** Firmware can only be changed over the cable. */
  private byCable(act: () => void): void {
    if (this.targets.byCable()) act()
    else this.reply(STATUS.notAllowed)
  }

  private withSlot(slot: number, act: (slot: number) => void): void {
    if (slot < this.targets.slots) act(slot)
    else this.reply(STATUS.noSuchSlot)
  }

  private withGauge(answer: (gauge: GaugeReplies) => Uint8Array): void {
    const { gauge } = this.targets
    if (gauge) this.reply(STATUS.ok, answer(gauge()))
    else this.reply(STATUS.unknownCommand)
  }

  private describe(slot: number): void {
    const image = this.targets.image(slot)
    const writer = new ByteWriter()
    writer.u8(image ? 1 : 0)
    writer.u16(image?.length ?? 0)
    writer.u32(image ? imageChecksum(image) : 0)
    this.reply(STATUS.ok, writer.toBytes())
  }

  /** Each reply has the next part; its offset tells a computer that missed one where to continue. */
  private stream(image: Uint8Array, from: number): void {
    let offset = from
    this.answer = () => {
      const writer = new ByteWriter()
      writer.u16(offset)
      const chunk = image.subarray(offset, offset + READ_CHUNK)
      writer.bytes(chunk)
      offset += chunk.length
      return { status: STATUS.ok, payload: writer.toBytes() }
    }
  }

  private write(payload: ByteReader): void {
    const flags = payload.u8()
    if (flags & WRITE_BEGIN && !this.begin(payload)) return
    const { staged } = this
    if (!staged) return this.reply(this.refused)
    // A lost report leaves a gap in the sequence: the received image is incomplete.
    if (staged.next !== this.sequence) return this.abandon(STATUS.outOfSequence)
    staged.next = (staged.next + 1) & 0xff
    const bytes = readOperations(payload, staged.base, staged)
    if (!bytes) return this.abandon(STATUS.malformed)
    staged.placed += bytes.length
    staged.write.put(bytes)
    if (staged.write.waiting > MAX_WAITING_BYTES) return this.abandon(STATUS.outOfSequence)
    if (flags & WRITE_COMMIT) this.commit(staged)
    else this.answer = () => ({ status: STAGED_STATUS[staged.write.state], payload: EMPTY })
  }

  private begin(payload: ByteReader): boolean {
    this.abandon(STATUS.outOfSequence)
    if (payload.left < WRITE_START_BYTES) return this.refuse(STATUS.malformed)
    const { slot, length, baseCrc } = decodeWriteStart(payload)
    if (slot >= this.targets.slots) return this.refuse(STATUS.noSuchSlot)
    if (length > this.targets.slotBytes) return this.refuse(STATUS.tooLarge)
    const held = this.targets.image(slot)
    const base = baseCrc !== 0 && held ? held : EMPTY
    if (baseCrc !== 0 && imageChecksum(base) !== baseCrc) return this.refuse(STATUS.baseChanged)
    const write = this.targets.stage(slot, length)
    this.staged = { slot, length, base, next: this.sequence, placed: 0, write }
    return true
  }

  private commit({ slot, length, placed, write }: NonNullable<ConfigurationLink['staged']>): void {
    if (placed !== length) return this.abandon(STATUS.malformed)
    this.staged = undefined
    this.refused = STATUS.outOfSequence
    this.busyUntil((end) =>
      write.commit(
        // Read back from flash, not from received bytes.
        end(() => this.stream(this.targets.image(slot) ?? EMPTY, 0)),
        end(() => this.reply(STATUS.badImage)),
        end(this.fault),
      ),
    )
  }

  /** Busy until the requested work reports its result. */
  private replyWhen(act: (ends: (status: StatusCode) => void) => void): void {
    const request = this.requests
    this.reply(STATUS.busy)
    act((status) => {
      if (request === this.requests) this.reply(status)
    })
  }

  /**
   * Replies “busy” until the work ends. A request that arrives meanwhile gets its own reply.
   *
   * @param act starts the work; it wraps the reply for each possible result in the function it receives
   */
  private busyUntil(act: (end: (answer: () => void) => () => void) => void): void {
    const request = this.requests
    this.reply(STATUS.busy)
    act((answer) => () => {
      if (request === this.requests) answer()
    })
  }

  /** The connection ends, with everything incomplete on it. */
  close(): void {
    this.abandon(STATUS.outOfSequence)
  }

  private refuse(status: StatusCode): false {
    this.abandon(status)
    return false
  }

  private abandon(status: StatusCode): void {
    this.staged?.write.drop()
    this.staged = undefined
    this.refused = status
    this.reply(status)
  }
}
