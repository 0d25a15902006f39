import { itemAt } from '../base/items'
import { ByteReader, ByteWriter } from '../base/bytes'
import { MAX_DEVICE_NAME_BYTES } from '../base/name-lengths'
import { FEATURE_BYTES } from '../hid/reports'

/**
 * Packets of the configuration protocol (docs/link-protocol.md): the 63 data bytes of a 64-byte feature report. A
 * request starts with its sequence number and command, a reply repeats both and adds a status.
 */
export const PACKET_BYTES = FEATURE_BYTES
/** Version 2: the operations of a write are in order, and go to flash as they arrive. */
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
/** Minimum charge, in percent, for starting an update: running out is safe but annoying. */
export const MIN_UPDATE_PERCENT = 20
/** Bytes of a firmware file in one request, after their offset. */
export const FIRMWARE_CHUNK = REQUEST_PAYLOAD - 5
/** Image bytes in one reply to a read, after their offset. */
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

/** @returns 63 bytes, filled up with zeros. @throws RangeError for a payload that does not fit */
export function encodeRequest(sequence: number, command: number, payload: Uint8Array): Uint8Array {
  return packet([sequence, command], payload)
}

/** @returns 63 bytes, filled up with zeros. @throws RangeError for a payload that does not fit */
export function encodeReply(
  sequence: number,
  command: number,
  status: StatusCode,
  payload: Uint8Array,
): Uint8Array {
  return packet([sequence, command, status], payload)
}

/** Parses a request; undefined if it is not 63 bytes long. */
export function decodeRequest(data: Uint8Array): Request | undefined {
  if (data.length !== PACKET_BYTES) return undefined
  return {
    sequence: itemAt(data, 0),
    command: itemAt(data, 1),
    payload: new ByteReader(data.subarray(REQUEST_HEAD)),
  }
}

/** Parses a reply; undefined if it is not 63 bytes long. */
export function decodeReply(data: Uint8Array): Reply | undefined {
  if (data.length !== PACKET_BYTES) return undefined
  return {
    sequence: itemAt(data, 0),
    command: itemAt(data, 1),
    status: itemAt(data, 2),
    payload: new ByteReader(data.subarray(REPLY_HEAD)),
  }
}

/** In place of a charge: the device has no battery. */
export const NO_BATTERY = 0xff

/** Information that a device reports about itself. */
export interface DeviceInfo {
  protocol: number
  model: number
  firmware: { major: number; minor: number; patch: number }
  serial: number
  slots: number
  activeSlot: number
  /** Active step, counted from 1. */
  activeStep: number
  slotBytes: number
  /** Index of the connection in use in the model's list. */
  connection: number
  /** 0 to 100, or {@link NO_BATTERY}. */
  batteryPercent: number
  charging: boolean
  /** Increases with every write; equal numbers mean equal contents. */
  revision: number
  /** Number of the latest pressed or turned input; 0 for none since the device started. */
  lastInput: number
  /** Presses and detents since the device started, modulo 256; a changed number means a new press. */
  presses: number
  /** Number of entries in its log of unsupported items. 0 for a firmware without a log. */
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

/** Items of an image that a firmware does not support, and failures of its memory, by the codes of the log. */
export const LOG_KINDS = {
  section: 0,
  setting: 1,
  effect: 2,
  action: 3,
  'macro operation': 4,
  'not kept': 5,
} as const

/** Something that a device ignored. */
export interface LogLine {
  /** One of {@link LOG_KINDS}. */
  what: number
  /** Its code in the format. */
  code: number
  /** Number of times, at most 255. */
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

/** The name that a person gave the device: its length, and its UTF-8. Empty for none. */
export const encodeName = (name: Uint8Array): Uint8Array => Uint8Array.of(name.length, ...name)

/** @returns the bytes; undefined for an invalid name: too long, incomplete, or with control characters */
export function decodeName(payload: ByteReader): Uint8Array | undefined {
  const length = payload.u8Or(0)
  if (length > MAX_DEVICE_NAME_BYTES || length > payload.left) return undefined
  const name = payload.rest().slice(0, length)
  return name.every((byte) => byte >= 0x20 && byte !== 0x7f) ? name : undefined
}

/** Commands of a calibration request. */
export const CALIBRATION_OPERATION = { ask: 0, begin: 1, stop: 2, forget: 3 } as const

/** State of a surface calibration. */
export interface CalibrationStatus {
  running: boolean
  movedMm: number
  neededMm: number
  /** Mean surface quality measured so far. */
  quality: number
  /** The calibrated surface quality; 0 for the factory calibration. */
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

/** The start of a write: the slot, the length of the new image, and the image it is based on. */
export interface WriteStart {
  slot: number
  length: number
  /** Checksum of the image in the slot that operations copy from; 0 without one. */
  baseCrc: number
}

export const WRITE_START_BYTES = 7

export function encodeWriteStart(writer: ByteWriter, { slot, length, baseCrc }: WriteStart): void {
  writer.u8(slot)
  writer.u16(length)
  writer.u32(baseCrc)
}

export const decodeWriteStart = (payload: ByteReader): WriteStart => ({
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
