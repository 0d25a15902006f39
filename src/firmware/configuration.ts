import type { ByteReader } from '../core/base/bytes'
import { ByteWriter } from '../core/base/bytes'
import { imageChecksum } from '../core/onboard/format'
import { readOperations } from '../core/link/delta'
import { encodeGauge, encodeGaugeHours, GAUGE_HOURS_A_REPLY } from '../core/link/battery-life'
import type { GaugeHour, GaugeTotals } from '../core/motion/battery-life'
import type { FirmwareUpdate } from './firmware-update'
import {
  COMMAND,
  encodeCalibration,
  decodeOpening,
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
  WRITE_OPENING_BYTES,
  type CalibrationStatus,
  type DeviceInfo,
  type LogLine,
  type StatusCode,
} from '../core/link/packets'

/** What the configuration link reaches for in the device. Slots are counted from 0. */
export interface ConfigurationTargets {
  info(): DeviceInfo
  /** What was met and is not implemented. */
  log(): readonly LogLine[]
  modelNumber: number
  slots: number
  slotBytes: number
  /** Whether the connection in use carries configuration. */
  allowed(): boolean
  byCable(): boolean
  image(slot: number): Uint8Array | undefined
  /** Begins a write to a slot: what it is given goes to flash as it comes, and counts once it is committed. */
  stage(slot: number, length: number): StagedWrite
  clear(slot: number, done: () => void, failed: () => void): void
  /** What its person calls it, in UTF-8. */
  name(): Uint8Array
  rename(name: Uint8Array, done: () => void, failed: () => void): void
  /** Everything as from the factory. */
  reset(done: () => void, failed: () => void): void
  select(slot: number): void
  firmware: FirmwareUpdate
  /** What has counted its battery's life; none without one. */
  gauge: (() => GaugeAnswers) | undefined
  /** Measuring in to a surface; none where the sensor cannot. */
  calibrate: ((what: number) => CalibrationStatus) | undefined
}

/** The two answers a battery gauge gives. */
export interface GaugeAnswers {
  totals(): GaugeTotals
  hoursFrom(index: number, count: number): readonly GaugeHour[]
}

/** An image on its way to a slot. A device needs no more memory for it than a page and what waits to go there. */
export interface StagedWrite {
  /** Whether all that it was given is in flash, some of it still waits, or the flash refused. */
  readonly state: 'idle' | 'busy' | 'failed'
  /** Bytes that still wait. */
  readonly waiting: number
  put(bytes: Uint8Array): void
  /** `refused`: what is there is no image for this device. */
  commit(done: () => void, refused: () => void, failed: () => void): void
  drop(): void
}

/** What waits to be programmed before a write is given up: the computer asked for more than it gave time for. */
const MOST_WAITING_BYTES = 4096

type Answer = { status: StatusCode; payload: Uint8Array }
const EMPTY: Uint8Array = new Uint8Array()
const STAGED_STATUS = { idle: STATUS.ok, busy: STATUS.busy, failed: STATUS.flashFault } as const

/**
 * The device's end of the configuration protocol (docs/link-protocol.md). It answers whatever comes: a request
 * it cannot read is refused with a status, and nothing reaches flash before a whole image has been checked.
 */
export class ConfigurationLink {
  private sequence = 0
  private command = 0
  private answer: () => Answer = () => ({ status: STATUS.ok, payload: EMPTY })
  private staged:
    | { slot: number; length: number; base: Uint8Array; next: number; placed: number; write: StagedWrite }
    | undefined
  /** Why the write under way was refused: what follows of it is answered the same. */
  private refused: StatusCode = STATUS.outOfSequence
  private requests = 0

  constructor(private readonly targets: ConfigurationTargets) {}

  /** A feature report from the computer: 63 bytes behind the id. */
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

  /** The feature report the computer asks for. */
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
      this.withGauge((gauge) => encodeGaugeHours(gauge.hoursFrom(index, GAUGE_HOURS_A_REPLY)))
    },
    [COMMAND.reset]: () => this.busyUntil((end) => this.targets.reset(end(this.done), end(this.fault))),
  }

  private reply(status: StatusCode, payload = EMPTY): void {
    this.answer = () => ({ status, payload })
  }

  /** Firmware is changed over the cable only. */
  private byCable(act: () => void): void {
    if (this.targets.byCable()) act()
    else this.reply(STATUS.notAllowed)
  }

  private withSlot(slot: number, act: (slot: number) => void): void {
    if (slot < this.targets.slots) act(slot)
    else this.reply(STATUS.noSuchSlot)
  }

  private withGauge(answer: (gauge: GaugeAnswers) => Uint8Array): void {
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

  /** Each reply carries the next part; its offset tells a computer that missed one where to ask again. */
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
    // A report that went missing leaves a gap in the sequence: what is staged is not the whole.
    if (staged.next !== this.sequence) return this.abandon(STATUS.outOfSequence)
    staged.next = (staged.next + 1) & 0xff
    const bytes = readOperations(payload, staged.base, staged)
    if (!bytes) return this.abandon(STATUS.malformed)
    staged.placed += bytes.length
    staged.write.put(bytes)
    if (staged.write.waiting > MOST_WAITING_BYTES) return this.abandon(STATUS.outOfSequence)
    if (flags & WRITE_COMMIT) this.commit(staged)
    else this.answer = () => ({ status: STAGED_STATUS[staged.write.state], payload: EMPTY })
  }

  private begin(payload: ByteReader): boolean {
    this.abandon(STATUS.outOfSequence)
    if (payload.left < WRITE_OPENING_BYTES) return this.refuse(STATUS.malformed)
    const { slot, length, baseCrc } = decodeOpening(payload)
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
        // What is read back comes from flash, not from what was staged.
        end(() => this.stream(this.targets.image(slot) ?? EMPTY, 0)),
        end(() => this.reply(STATUS.badImage)),
        end(this.fault),
      ),
    )
  }

  /** Busy until what was asked for says how it ended. */
  private replyWhen(act: (ends: (status: StatusCode) => void) => void): void {
    const request = this.requests
    this.reply(STATUS.busy)
    act((status) => {
      if (request === this.requests) this.reply(status)
    })
  }

  /**
   * Answers “busy” until the work ends. A request that arrives in the meantime gets its own answer, and keeps it.
   *
   * @param act starts the work, and wraps the answer for each way it can end in the function it receives
   */
  private busyUntil(act: (end: (answer: () => void) => () => void) => void): void {
    const request = this.requests
    this.reply(STATUS.busy)
    act((answer) => () => {
      if (request === this.requests) answer()
    })
  }

  /** The connection goes, and what was half told over it. */
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
