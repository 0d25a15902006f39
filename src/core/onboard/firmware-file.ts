import { sha256 } from '@noble/hashes/sha2.js'
import { ByteReader, ByteWriter, ImageError, sameBytes } from '../base/bytes'
import type { FirmwareVersion } from '../base/versions'

/** A firmware file (docs/firmware-format.md). */
export interface FirmwareFile {
  /** Number of the model it is for. */
  model: number
  version: Required<FirmwareVersion>
  /** What is new, for people. */
  notes: string
  payload: Uint8Array
  /** Ed25519, over all bytes before it. */
  signature: Uint8Array
  /** What is signed. */
  signed: Uint8Array
}

/** `UNFW` */
const MAGIC = 0x57464e55
const FORMAT = 1
const HASH_BYTES = 32
export const SIGNATURE_BYTES = 64
export const HEADER_BYTES = 16 + HASH_BYTES
/** What a bank of a device takes: four sectors of 4 KiB less the page with its marks. */
export const MOST_FIRMWARE_BYTES = 4 * 4096 - 256

/** Everything of a file but its signature. */
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
 * Takes a file apart. Its lengths and the sum over its payload are held to what is there; its signature is not looked at.
 *
 * @throws ImageError for what is no firmware file, is cut short, or has a payload of another sum
 */
export function readFirmwareFile(bytes: Uint8Array): FirmwareFile {
  if (bytes.length > MOST_FIRMWARE_BYTES)
    throw new ImageError(`${bytes.length} bytes are more than the ${MOST_FIRMWARE_BYTES} a device takes`)
  if (bytes.length < HEADER_BYTES + SIGNATURE_BYTES) throw new ImageError('too short for a firmware file')
  const reader = new ByteReader(bytes)
  if (reader.u32() !== MAGIC) throw new ImageError('no firmware file: it begins otherwise')
  const format = reader.u8()
  if (format !== FORMAT) throw new ImageError(`a firmware file of format ${format}; this reads ${FORMAT}`)
  const model = reader.u16()
  const version = { major: reader.u8(), minor: reader.u8(), patch: reader.u8() }
  const notesLength = reader.u16()
  const payloadLength = reader.u32()
  const hash = reader.sub(HASH_BYTES).rest()
  if (reader.left !== notesLength + payloadLength + SIGNATURE_BYTES)
    throw new ImageError('its lengths are not those of what is there: it is damaged')
  const notes = new TextDecoder().decode(reader.sub(notesLength).rest())
  const payload = reader.sub(payloadLength).rest()
  if (!sameBytes(sha256(payload), hash)) throw new ImageError('its payload has another sum: it is damaged')
  return {
    model,
    version,
    notes,
    payload,
    signature: bytes.slice(-SIGNATURE_BYTES),
    signed: bytes.slice(0, -SIGNATURE_BYTES),
  }
}
