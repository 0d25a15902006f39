import { message, type Message } from '../message/message'
import { Refusal } from './errors'
import { itemAt } from './items'

/** An image that cannot be read, or content that cannot be written as one. */
export class ImageError extends Refusal {
  override name = 'ImageError'

  constructor(why: Message) {
    super([why])
  }
}

/** Four bytes of seven bits. */
export const MAX_VARINT = 2 ** 28 - 1

/** Appends little-endian numbers to a growing byte array. */
export class ByteWriter {
  private readonly row: number[] = []

  get length(): number {
    return this.row.length
  }

  u8(value: number): void {
    this.row.push(value & 0xff)
  }

  u16(value: number): void {
    this.row.push(value & 0xff, (value >>> 8) & 0xff)
  }

  u32(value: number): void {
    this.row.push(value & 0xff, (value >>> 8) & 0xff, (value >>> 16) & 0xff, (value >>> 24) & 0xff)
  }

  /**
   * Unsigned LEB128: seven bits per byte, low bits first, the top bit set on all but the last.
   *
   * @throws ImageError for a number that needs more than four bytes
   */
  varint(value: number): void {
    if (value < 0 || value > MAX_VARINT) throw new ImageError(message('images.tooLarge', { value }))
    let rest = value
    while (rest > 0x7f) {
      this.row.push((rest & 0x7f) | 0x80)
      rest >>>= 7
    }
    this.row.push(rest)
  }

  bytes(values: Iterable<number>): void {
    for (const value of values) this.row.push(value & 0xff)
  }

  /** UTF-8 with its length in front. */
  text(text: string): void {
    const bytes = new TextEncoder().encode(text)
    this.varint(bytes.length)
    this.bytes(bytes)
  }

  toBytes(): Uint8Array {
    return Uint8Array.from(this.row)
  }
}

/** Reads little-endian numbers from bytes; every read past the end throws an {@link ImageError}. */
export class ByteReader {
  private at = 0

  constructor(private readonly source: Uint8Array) {}

  get left(): number {
    return this.source.length - this.at
  }

  u8(): number {
    if (this.left < 1) throw new ImageError(message('images.byteMissing', { at: this.at }))
    return itemAt(this.source, this.at++)
  }

  /** The next byte, or `missing` if a shorter payload omitted it. */
  u8Or(missing: number): number {
    return this.left > 0 ? this.u8() : missing
  }

  u16(): number {
    return this.u8() | (this.u8() << 8)
  }

  u32(): number {
    return (this.u16() | (this.u16() << 16)) >>> 0
  }

  varint(): number {
    let value = 0
    for (let shift = 0; shift < 28; shift += 7) {
      const byte = this.u8()
      value |= (byte & 0x7f) << shift
      if (byte < 0x80) return value
    }
    throw new ImageError(message('images.longLength', { at: this.at }))
  }

  /** Returns a reader over the next `length` bytes and skips them here. */
  sub(length: number): ByteReader {
    if (this.left < length)
      throw new ImageError(message('images.bytesMissing', { length, at: this.at, left: this.left }))
    this.at += length
    return new ByteReader(this.source.subarray(this.at - length, this.at))
  }

  /**
   * The remaining bytes as UTF-8. Invalid sequences become the replacement character, so that a bad name never makes an
   * image unreadable.
   */
  text(): string {
    return new TextDecoder('utf-8', { ignoreBOM: true }).decode(this.rest())
  }

  /** All bytes, read or not, without advancing. */
  all(): Uint8Array {
    return this.source
  }

  /** The remaining bytes. */
  rest(): Uint8Array {
    const bytes = this.source.subarray(this.at)
    this.at = this.source.length
    return bytes
  }
}

/** Bytes as hexadecimal digits, two per byte. */
export const toHexBytes = (bytes: Iterable<number>): string =>
  [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')

/** The reverse of {@link toHexBytes}. */
export const fromHexBytes = (hex: string): Uint8Array =>
  Uint8Array.from({ length: hex.length >> 1 }, (_, index) =>
    Number.parseInt(hex.slice(2 * index, 2 * index + 2), 16),
  )

export const equalBytes = (a: Uint8Array | undefined, b: Uint8Array | undefined): boolean =>
  a !== undefined && b !== undefined && a.length === b.length && a.every((byte, index) => byte === b[index])
