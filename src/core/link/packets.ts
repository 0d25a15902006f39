import { itemAt } from '../base/items'
import { ByteReader, ByteWriter } from '../base/bytes'
import { MOST_DEVICE_NAME_BYTES } from '../base/name-lengths'
import { FEATURE_BYTES } from '../hid/reports'

/**
 * The configuration protocol's packets (docs/link-protocol.md): the 63 data bytes of a 64-byte feature report.
 * A request begins with sequence number and command, a reply with both again and a status.
 */
export const PACKET_BYTES = FEATURE_BYTES
/** Version 2: the operations of a write come in order, and go to flash as they come. */
export const PROTOCOL_VERSION = 2

export const COMMAND = {
  info: 0x01,
  slot: 0x02,
  read: 0x03,
  log: 0x04,
  name: 0x05,
  gauge: 0x06,
  gaugeHours: 0x07,
  write: 0x10,
  select: 0x20,
  clear: 0x21,
  calibrate: 0x22,
  rename: 0x23,
  reset: 0x24,
  firmwareBegin: 0x30,
  firmwareData: 0x31,
  firmwareFinish: 0x32,
  restart: 0x33,
} as const

export const STATUS = {
  ok: 0,
  busy: 1,
  unknownCommand: 2,
  malformed: 3,
  noSuchSlot: 4,
  tooLarge: 5,
  baseChanged: 6,
  badImage: 7,
  outOfSequence: 8,
  flashFault: 9,
  notAllowed: 10,
  batteryLow: 11,
  wrongModel: 12,
  badSignature: 13,
} as const

export type StatusCode = (typeof STATUS)[keyof typeof STATUS]

const REQUEST_HEAD = 2
const REPLY_HEAD = 3
export const REQUEST_PAYLOAD = PACKET_BYTES - REQUEST_HEAD
export const REPLY_PAYLOAD = PACKET_BYTES - REPLY_HEAD
/** Under this charge, in percent, no update is begun: one that runs out of it is safe, and a nuisance. */
export const LEAST_UPDATE_PERCENT = 20
/** Bytes of a firmware file in one request, behind their offset. */
export const FIRMWARE_CHUNK = REQUEST_PAYLOAD - 5
/** Image bytes in one reply to a read, behind their offset. */
export const READ_CHUNK = REPLY_PAYLOAD - 2

export interface Request {
  sequence: number
  command: number
  payload: ByteReader
}

export interface Reply {
  sequence: number
  command: number
  status: number
  payload: ByteReader
}

/** @returns 63 bytes, zeros behind the payload. @throws RangeError for a payload that does not fit */
export function encodeRequest(sequence: number, command: number, payload: Uint8Array): Uint8Array {
  return packet([sequence, command], payload)
}

/** @returns 63 bytes, zeros behind the payload. @throws RangeError for a payload that does not fit */
export function encodeReply(
  sequence: number,
  command: number,
  status: StatusCode,
  payload: Uint8Array,
): Uint8Array {
  return packet([sequence, command, status], payload)
}

/** Takes a request apart; one that is not 63 bytes long comes back undefined. */
export function decodeRequest(data: Uint8Array): Request | undefined {
  if (data.length !== PACKET_BYTES) return undefined
  return {
    sequence: itemAt(data, 0),
    command: itemAt(data, 1),
    payload: new ByteReader(data.subarray(REQUEST_HEAD)),
  }
}

/** Takes a reply apart; one that is not 63 bytes long comes back undefined. */
export function decodeReply(data: Uint8Array): Reply | undefined {
  if (data.length !== PACKET_BYTES) return undefined
  return {
    sequence: itemAt(data, 0),
    command: itemAt(data, 1),
    status: itemAt(data, 2),
    payload: new ByteReader(data.subarray(REPLY_HEAD)),
  }
}

/** In place of a charge: the device runs from its cable alone. */
export const NO_BATTERY = 0xff

/** What a device says of itself. */
export interface DeviceInfo {
  protocol: number
  model: number
  firmware: { major: number; minor: number; patch: number }
  serial: number
  slots: number
  activeSlot: number
  /** Step in force, counted from 1. */
  activeStep: number
  slotBytes: number
  /** Index of the connection in use in the model's list. */
  connection: number
  /** 0 to 100, or {@link NO_BATTERY}. */
  batteryPercent: number
  charging: boolean
  /** Grows with everything that is written; the same number, the same contents. */
  revision: number
  /** Number of the input that was pressed or turned last; 0 for none since the device started. */
  lastInput: number
  /** Presses and detents since the device started, modulo 256: another number, another press. */
  presses: number
  /** Lines in its log: things it met that it does not implement. 0 from a firmware that keeps none. */
  logLines: number
}

export function encodeInfo(info: DeviceInfo): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(info.protocol)
  writer.u16(info.model)
  writer.bytes([info.firmware.major, info.firmware.minor, info.firmware.patch])
  writer.u32(info.serial)
  writer.bytes([info.slots, info.activeSlot, info.activeStep])
  writer.u16(info.slotBytes)
  writer.bytes([info.connection, info.batteryPercent, info.charging ? 1 : 0])
  writer.u32(info.revision)
  writer.bytes([info.lastInput, info.presses, info.logLines])
  return writer.toBytes()
}

export function decodeInfo(payload: ByteReader): DeviceInfo {
  const protocol = payload.u8()
  const model = payload.u16()
  const firmware = { major: payload.u8(), minor: payload.u8(), patch: payload.u8() }
  const serial = payload.u32()
  const [slots, activeSlot, activeStep] = [payload.u8(), payload.u8(), payload.u8()]
  const slotBytes = payload.u16()
  const [connection, batteryPercent, flags] = [payload.u8(), payload.u8(), payload.u8()]
  return {
    protocol,
    model,
    firmware,
    serial,
    slots,
    activeSlot,
    activeStep,
    slotBytes,
    connection,
    batteryPercent,
    charging: (flags & 1) !== 0,
    revision: payload.u32(),
    lastInput: payload.u8(),
    presses: payload.u8(),
    logLines: payload.u8(),
  }
}

/** What an image may hold that a firmware does not implement, and what its memory did not take, by the codes of the log. */
export const MET = {
  section: 0,
  setting: 1,
  effect: 2,
  action: 3,
  'macro operation': 4,
  'not kept': 5,
} as const

/** Something a device met and did not do. */
export interface LogLine {
  /** One of {@link MET}. */
  what: number
  /** Its code in the format. */
  code: number
  /** How often, at most 255. */
  times: number
}

export const encodeLog = (lines: readonly LogLine[]): Uint8Array =>
  Uint8Array.of(lines.length, ...lines.flatMap(({ what, code, times }) => [what, code, times]))

export function decodeLog(payload: ByteReader): LogLine[] {
  const count = payload.u8()
  return Array.from({ length: count }, () => ({
    what: payload.u8(),
    code: payload.u8(),
    times: payload.u8(),
  }))
}

/** A name the device has of its person: how long it is, and its UTF-8. Empty is none. */
export const encodeName = (name: Uint8Array): Uint8Array => Uint8Array.of(name.length, ...name)

/** @returns the bytes; undefined where they are no name: too long, cut short, or with control characters */
export function decodeName(payload: ByteReader): Uint8Array | undefined {
  const length = payload.u8Or(0)
  if (length > MOST_DEVICE_NAME_BYTES || length > payload.left) return undefined
  const name = payload.rest().slice(0, length)
  return name.every((byte) => byte >= 0x20 && byte !== 0x7f) ? name : undefined
}

/** What a calibration request asks for. */
export const CALIBRATE = { ask: 0, begin: 1, stop: 2, forget: 3 } as const

/** How measuring in to a surface stands. */
export interface CalibrationStatus {
  running: boolean
  movedMm: number
  neededMm: number
  /** Mean surface quality seen so far. */
  quality: number
  /** The quality the sensor is measured in to; 0 from the factory. */
  stored: number
}

export function encodeCalibration(status: CalibrationStatus): Uint8Array {
  const writer = new ByteWriter()
  writer.u8(status.running ? 1 : 0)
  writer.u16(Math.round(status.movedMm))
  writer.u16(status.neededMm)
  writer.bytes([Math.min(255, Math.round(status.quality)), status.stored])
  return writer.toBytes()
}

export const decodeCalibration = (payload: ByteReader): CalibrationStatus => ({
  running: payload.u8() === 1,
  movedMm: payload.u16(),
  neededMm: payload.u16(),
  quality: payload.u8(),
  stored: payload.u8(),
})

/** Flags of a write packet. */
export const WRITE_BEGIN = 1
export const WRITE_COMMIT = 2

/** What a write begins with: the slot, the length of the image to be, and the image it is made from. */
export interface WriteOpening {
  slot: number
  length: number
  /** Checksum of the image the slot holds and the operations copy from; 0 with no image to copy from. */
  baseCrc: number
}

export const WRITE_OPENING_BYTES = 7

export function encodeOpening(writer: ByteWriter, { slot, length, baseCrc }: WriteOpening): void {
  writer.u8(slot)
  writer.u16(length)
  writer.u32(baseCrc)
}

export const decodeOpening = (payload: ByteReader): WriteOpening => ({
  slot: payload.u8(),
  length: payload.u16(),
  baseCrc: payload.u32(),
})

function packet(head: number[], payload: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(PACKET_BYTES)
  bytes.set(head)
  bytes.set(payload, head.length)
  return bytes
}
