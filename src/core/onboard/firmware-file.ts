import { sha256 } from '@noble/hashes/sha2.js'
import { ByteReader, ByteWriter, ImageError, equalBytes } from '../base/bytes'
import type { FirmwareVersion } from '../base/versions'
import { message } from '../message/message'

/** A firmware file (docs/firmware-format.md). */
export interface FirmwareFile {
  /** Number of the model it is for. */
  model: number
  version: Required<FirmwareVersion>
  /** Release notes for people. */
  notes: string
  payload: Uint8Array
  /** Ed25519 signature of all bytes before it. */
  signature: Uint8Array
  /** The signed bytes. */
  signed: Uint8Array
}

/** `UNFW` */
const MAGIC = 0x57464e55
const FORMAT = 1
const HASH_BYTES = 32
export const SIGNATURE_BYTES = 64
export const HEADER_BYTES = 16 + HASH_BYTES
/** Size of a bank: four sectors of 4 KiB minus the page with its marks. */
export const MAX_FIRMWARE_BYTES = 4 * 4096 - 256

/** Everything except the signature. */
export function firmwareToSign({
  model,
  version,
  notes,
  payload,
}: Pick<FirmwareFile, 'model' | 'version' | 'notes' | 'payload'>): Uint8Array {
  const text = new TextEncoder().encode(notes)
  const writer = new ByteWriter()
  writer.u32(MAGIC)
  writer.u8(FORMAT)
  writer.u16(model)
  writer.bytes([version.major, version.minor, version.patch])
  writer.u16(text.length)
  writer.u32(payload.length)
  writer.bytes(sha256(payload))
  writer.bytes(text)
  writer.bytes(payload)
  return writer.toBytes()
}

/**
 * Parses a file. Its lengths and the checksum of its payload are verified, its signature is not.
 *
 * @throws ImageError for a file that is not firmware, is incomplete, or has a wrong checksum
 */
export function readFirmwareFile(bytes: Uint8Array): FirmwareFile {
  if (bytes.length > MAX_FIRMWARE_BYTES)
    throw new ImageError(
      message('images.firmwareFileTooLarge', { length: bytes.length, max: MAX_FIRMWARE_BYTES }),
    )
  if (bytes.length < HEADER_BYTES + SIGNATURE_BYTES)
    throw new ImageError(message('images.firmwareFileTooShort'))
  const reader = new ByteReader(bytes)
  if (reader.u32() !== MAGIC) throw new ImageError(message('images.notFirmware'))
  const format = reader.u8()
  if (format !== FORMAT)
    throw new ImageError(message('images.firmwareFormat', { found: format, expected: FORMAT }))
  const model = reader.u16()
  const version = { major: reader.u8(), minor: reader.u8(), patch: reader.u8() }
  const notesLength = reader.u16()
  const payloadLength = reader.u32()
  const hash = reader.sub(HASH_BYTES).rest()
  if (reader.left !== notesLength + payloadLength + SIGNATURE_BYTES)
    throw new ImageError(message('images.firmwareLengths'))
  const notes = new TextDecoder().decode(reader.sub(notesLength).rest())
  const payload = reader.sub(payloadLength).rest()
  if (!equalBytes(sha256(payload), hash)) throw new ImageError(message('images.firmwareChecksum'))
  return {
    model,
    version,
    notes,
    payload,
    signature: bytes.slice(-SIGNATURE_BYTES),
    signed: bytes.slice(0, -SIGNATURE_BYTES),
  }
}
