import type { ByteReader, ByteWriter } from '../base/bytes'

/** Payloads of at least this many bytes have their length in a varint after the head. */
export const LONG_PAYLOAD = 7

/**
 * Writes a head byte (code in the high five bits, payload length in the low three; 7 means that a varint follows), then
 * the payload. All actions and light effects are records of this form.
 */
export function writeTagged(writer: ByteWriter, code: number, payload: readonly number[]): void {
  writer.u8((code << 3) | Math.min(payload.length, LONG_PAYLOAD))
  if (payload.length >= LONG_PAYLOAD) writer.varint(payload.length)
  writer.bytes(payload)
}

/** The reverse of {@link writeTagged}. @throws ImageError when the record is incomplete */
export function readTagged(reader: ByteReader): { code: number; payload: ByteReader } {
  const head = reader.u8()
  const short = head & LONG_PAYLOAD
  return { code: head >> 3, payload: reader.sub(short === LONG_PAYLOAD ? reader.varint() : short) }
}
