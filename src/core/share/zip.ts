import { type MessageFact, message } from '../message/message'
import { itemAt } from '../base/items'
import { crc32 } from '../base/crc32'
import { ProfileError } from '../base/errors'
import { inflateBytes } from './deflate'

/**
 * Reads a ZIP (APPNOTE 6.3) with stored and deflated files. Sizes and checksums are verified, and nothing in it is
 * trusted: not its counts, sizes or names.
 */
export interface ZipLimits {
  files: number
  /** Maximum unpacked bytes of one file, and of all files. */
  fileBytes: number
  bytes: number
}

const END = 0x06054b50
const END_BYTES = 22
const MAX_COMMENT = 0xffff
const ENTRY = 0x02014b50
const ENTRY_BYTES = 46
const LOCAL = 0x04034b50
const LOCAL_BYTES = 30
const STORED = 0
const DEFLATED = 8

export const isZip = (bytes: Uint8Array): boolean =>
  bytes.length >= END_BYTES && bytes[0] === 0x50 && bytes[1] === 0x4b && itemAt(bytes, 2) <= 5

/** A file of an archive, or the reason why it cannot be read. */
export type ZipEntry = { name: string; bytes: Uint8Array } | { name: string; problem: MessageFact }

/**
 * The files of an archive, in its order. Folders are ignored.
 *
 * @throws ProfileError for a file that is not an archive, or exceeds the limits, before anything is unpacked
 */
export function unzip(bytes: Uint8Array, limits: ZipLimits): ZipEntry[] {
  const entries = entriesOf(bytes, limits.files)
  const told = entries.reduce((sum, { size }) => sum + size, 0)
  if (told > limits.bytes)
    throw new ProfileError([message('problems.archiveTooLarge', { bytes: told, max: limits.bytes })])
  return entries
    .filter(({ name }) => !name.endsWith('/'))
    .map((entry) => {
      try {
        return { name: entry.name, bytes: fileOf(bytes, entry, limits.fileBytes) }
      } catch (error) {
        if (error instanceof ProfileError) return { name: entry.name, problem: error.problems[0] ?? '' }
        throw error
      }
    })
}

interface Entry {
  name: string
  method: number
  crc: number
  packed: number
  size: number
  at: number
}

/** The entries of the directory at its end. */
function entriesOf(bytes: Uint8Array, max: number): Entry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const end = endOf(view)
  const count = view.getUint16(end + 10, true)
  if (count > max) throw new ProfileError([message('problems.archiveFiles', { files: count, max })])
  const entries: Entry[] = []
  let at = view.getUint32(end + 16, true)
  for (let index = 0; index < count; index++) {
    if (at + ENTRY_BYTES > end || view.getUint32(at, true) !== ENTRY)
      throw new ProfileError([message('problems.archiveDamaged')])
    const nameLength = view.getUint16(at + 28, true)
    const name = new TextDecoder().decode(bytes.subarray(at + ENTRY_BYTES, at + ENTRY_BYTES + nameLength))
    if (/(^|[\\/])\.\.([\\/]|$)|^[\\/]|^[a-z]:|\0/i.test(name))
      throw new ProfileError([message('problems.archiveOutside', { name: name.slice(0, 80) })])
    entries.push({
      name,
      method: view.getUint16(at + 10, true),
      crc: view.getUint32(at + 16, true),
      packed: view.getUint32(at + 20, true),
      size: view.getUint32(at + 24, true),
      at: view.getUint32(at + 42, true),
    })
    at += ENTRY_BYTES + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true)
  }
  return entries
}

/** The end of the directory is last, followed only by an optional comment. */
function endOf(view: DataView): number {
  const first = Math.max(0, view.byteLength - END_BYTES - MAX_COMMENT)
  for (let at = view.byteLength - END_BYTES; at >= first; at--)
    if (
      view.getUint32(at, true) === END &&
      at + END_BYTES + view.getUint16(at + 20, true) === view.byteLength
    )
      return at
  throw new ProfileError([message('problems.notAnArchive')])
}

function fileOf(bytes: Uint8Array, { method, crc, packed, size, at }: Entry, max: number): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (size > max) throw new ProfileError([message('problems.fileTooLarge', { bytes: size, max })])
  if (at + LOCAL_BYTES > bytes.length || view.getUint32(at, true) !== LOCAL)
    throw new ProfileError([message('problems.fileMisplaced')])
  const from = at + LOCAL_BYTES + view.getUint16(at + 26, true) + view.getUint16(at + 28, true)
  const data = bytes.subarray(from, from + packed)
  if (data.length < packed) throw new ProfileError([message('problems.endMissing')])
  if (method !== STORED && method !== DEFLATED)
    throw new ProfileError([message('problems.compression', { method })])
  const whole = method === STORED ? data : inflateBytes(data, size)
  if (whole.length !== size || crc32(whole) !== crc)
    throw new ProfileError([message('problems.fileChecksum')])
  return whole
}
