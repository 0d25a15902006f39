import { RECORD_HEADER_BYTES } from '../core/device/lookups'
import type { MemoryGeometry } from '../core/device/model'
import { ByteReader, ByteWriter } from '../core/base/bytes'
import { crc32 } from '../core/base/crc32'
import { FlashError } from './flash'

/** Sectors and records of the log, byte by byte (docs/onboard-format.md, "In flash"). */

export type RecordKind = 'image' | 'cleared' | 'settings' | 'reset'

export interface LogRecord {
  kind: RecordKind
  slot: number
  sequence: number
  sector: number
  address: number
  length: number
}

const SECTOR_MAGIC = 0x43455355
const COMMIT_WORD = 0x544d4f43
const COMMIT_OFFSET = 12
const KIND_CODE: Record<RecordKind, number> = { image: 1, cleared: 2, settings: 3, reset: 4 }
/** Records start at multiples of this. */
export const ALIGNMENT = 16
const RECORD_KINDS: RecordKind[] = ['image', 'cleared', 'settings', 'reset']

/** A part from the factory: erased, with a header in each sector. */
export function factoryFlash({ sectors, sectorBytes, blockSectors }: MemoryGeometry): Uint8Array {
  const cells = new Uint8Array(sectors * sectorBytes).fill(0xff)
  for (let at = 0; at < cells.length; at += sectorBytes * blockSectors) cells.set(sectorHeader(0), at)
  return cells
}

export function sectorHeader(eraseCount: number): Uint8Array {
  const writer = new ByteWriter()
  writer.u32(SECTOR_MAGIC)
  writer.u32(eraseCount)
  writer.u32(crc32(writer.toBytes()))
  return writer.toBytes()
}

/**
 * No body may contain bytes like the header of a record: a device that searches for records after a damaged one, or in
 * an incomplete write, would mistake them.
 *
 * @param bytes from the start of a unit of 16
 */
export function rejectRecordHeaders(bytes: Uint8Array): void {
  for (let at = 0; at + RECORD_HEADER_BYTES <= bytes.length; at += ALIGNMENT) {
    const reader = new ByteReader(bytes.subarray(at + COMMIT_OFFSET))
    if (RECORD_KINDS.some((kind) => KIND_CODE[kind] === bytes[at]) && reader.u32() === COMMIT_WORD)
      throw new FlashError('the content looks like the header of a record')
  }
}

export const recordSize = (length: number): number =>
  Math.ceil((RECORD_HEADER_BYTES + length) / ALIGNMENT) * ALIGNMENT

export const keyOf = ({ kind, slot }: Pick<LogRecord, 'kind' | 'slot'>): string =>
  kind === 'settings' || kind === 'reset' ? kind : `slot ${slot}`

export const isBlank = (cells: Uint8Array): boolean => cells.every((cell) => cell === 0xff)

/** The committed, complete record at an offset of a sector, or undefined. */
export function readRecord(cells: Uint8Array, at: number): Omit<LogRecord, 'sector' | 'address'> | undefined {
  if (at + RECORD_HEADER_BYTES > cells.length) return undefined
  const reader = new ByteReader(cells.subarray(at))
  const [code, slot, length] = [reader.u8(), reader.u8(), reader.u16()]
  const [sequence, check, commit] = [reader.u32(), reader.u32(), reader.u32()]
  const kind = RECORD_KINDS.find((each) => KIND_CODE[each] === code)
  const end = at + RECORD_HEADER_BYTES + length
  if (!kind || commit !== COMMIT_WORD || end > cells.length) return undefined
  const whole = crc32(cells.subarray(at, at + 8), cells.subarray(at + RECORD_HEADER_BYTES, end))
  return whole === check ? { kind, slot, sequence, length } : undefined
}

/** The header of a record, whose program operation commits it. */
export function recordHeader(
  { kind, slot, length, sequence }: Omit<LogRecord, 'sector' | 'address'>,
  body: Uint8Array,
): Uint8Array {
  const header = new ByteWriter()
  header.bytes([KIND_CODE[kind], slot])
  header.u16(length)
  header.u32(sequence)
  header.u32(crc32(header.toBytes(), body))
  header.u32(COMMIT_WORD)
  return header.toBytes()
}

/** The recorded number of erases of a sector; undefined if its last erase is incomplete. */
export function readSectorHeader(cells: Uint8Array): number | undefined {
  const header = new ByteReader(cells)
  const [magic, eraseCount, check] = [header.u32(), header.u32(), header.u32()]
  return magic === SECTOR_MAGIC && check === crc32(cells.subarray(0, 8)) ? eraseCount : undefined
}
