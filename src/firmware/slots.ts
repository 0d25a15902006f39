import { RECORD_HEADER_BYTES, SECTOR_HEADER_BYTES } from '../core/device/lookups'
import { ByteReader, ByteWriter } from '../core/image/bytes'
import { crc32 } from '../core/image/crc32'
import type { Task } from './clock'
import { FlashFault, type NorFlash } from './flash'

/**
 * Slots and settings in flash, as a log (docs/onboard-format.md, "In flash"). A record is written behind the
 * last one and counts from the moment its commit word is programmed; until then the older record of the same
 * key stands. A sector is erased only when nothing in it counts any more. Where a model has larger slots, what
 * is called a sector here is a block of several, taken and erased together.
 */
export type RecordKind = 'image' | 'cleared' | 'settings'

interface LogRecord {
  kind: RecordKind
  slot: number
  sequence: number
  sector: number
  address: number
  length: number
}

interface Sector {
  index: number
  /** `blank`: all ones, no header yet. `spoilt`: to be erased before use. */
  state: 'blank' | 'ready' | 'spoilt'
  eraseCount: number
  /** Offset in the sector at which the next record goes; the sector's size when it takes no more. */
  end: number
}

const SECTOR_MAGIC = 0x43455355
const COMMIT_WORD = 0x544d4f43
const COMMIT_OFFSET = 12
const KIND_CODE: Record<RecordKind, number> = { image: 1, cleared: 2, settings: 3 }
const ALIGNMENT = 16
/** Sectors kept free: one to write into, one for what is moved out of a sector before its erase. */
const FREE_SECTORS = 2
/** Erases between the most and the least worn sector before what lies still is moved. */
const WEAR_SPREAD = 8

export class SlotStore {
  private sectors: Sector[] = []
  private live = new Map<string, LogRecord>()
  private sequence = 0
  private head: Sector | undefined
  private readonly blockBytes: number

  /** Reads the log from flash, as the device does when it starts. */
  constructor(private readonly flash: NorFlash) {
    const { sectors, sectorBytes, blockSectors } = flash.geometry
    this.blockBytes = sectorBytes * blockSectors
    const found: LogRecord[] = []
    for (let index = 0; index < sectors / blockSectors; index++) this.sectors.push(this.scan(index, found))
    // A sector that lost power between its erase and its header has no count; it is worn like the worst known.
    const worst = Math.max(0, ...this.sectors.map((sector) => sector.eraseCount))
    for (const sector of this.sectors) if (sector.eraseCount < 0) sector.eraseCount = worst
    for (const record of found.sort((a, b) => a.sequence - b.sequence)) this.live.set(keyOf(record), record)
    const newest = found.at(-1)
    this.sequence = newest?.sequence ?? 0
    this.head = newest && this.sectors[newest.sector]
  }

  /** Grows by one with each record; tells whether anything has changed since. */
  get revision(): number {
    return this.sequence
  }

  /** The image a slot holds, or undefined when it is empty. */
  image(slot: number): Uint8Array | undefined {
    const record = this.live.get(`slot ${slot}`)
    return record?.kind === 'image' ? this.body(record) : undefined
  }

  /** The settings last written, or undefined on a new device. */
  settings(): Uint8Array | undefined {
    const record = this.live.get('settings')
    return record && this.body(record)
  }

  eraseCounts(): number[] {
    return this.sectors.map((sector) => sector.eraseCount)
  }

  /** Writes one record and commits it. @throws FlashFault when it cannot fit a sector */
  *write(kind: RecordKind, slot: number, body: Uint8Array): Task {
    const size = recordSize(body.length)
    if (SECTOR_HEADER_BYTES + size > this.blockBytes) {
      throw new FlashFault(`a record of ${body.length} bytes does not fit a sector`)
    }
    yield* this.makeRoom(size)
    yield* this.append(kind, slot, body)
  }

  /** Moves and erases until enough sectors are free, so that the next write need not wait for an erase. */
  *tidy(): Task {
    // Each round frees a sector or moves what is live into one place, so rounds are bounded by the sectors.
    for (let round = 0; round < 2 * this.sectors.length; round++) {
      const victim = this.victim()
      if (!victim) return
      yield* this.empty(victim)
    }
  }

  private *makeRoom(size: number): Task {
    if (this.fits(this.head, size)) return
    if (this.free().length < FREE_SECTORS) yield* this.tidy()
    if (!this.fits(this.head, size)) yield* this.openSector()
  }

  private fits(sector: Sector | undefined, size: number): boolean {
    return sector !== undefined && sector.end + size <= this.blockBytes
  }

  private free(): Sector[] {
    return this.sectors.filter(
      (sector) => sector !== this.head && (sector.state === 'blank' || sector.end === SECTOR_HEADER_BYTES),
    )
  }

  /** Takes the least worn free sector as the place for what comes next. */
  private *openSector(): Task {
    const [sector] = this.free().sort((a, b) => a.eraseCount - b.eraseCount || a.index - b.index)
    if (!sector) throw new FlashFault('no sector is free')
    if (sector.state === 'blank') yield* this.writeSectorHeader(sector)
    this.head = sector
  }

  private *writeSectorHeader(sector: Sector): Task {
    const writer = new ByteWriter()
    writer.u32(SECTOR_MAGIC)
    writer.u32(sector.eraseCount)
    writer.u32(crc32(writer.toBytes()))
    yield* this.flash.program(sector.index * this.blockBytes, writer.toBytes())
    sector.state = 'ready'
    sector.end = SECTOR_HEADER_BYTES
  }

  private *append(kind: RecordKind, slot: number, body: Uint8Array): Task {
    const sector = this.head
    if (!sector || !this.fits(sector, recordSize(body.length))) throw new FlashFault('no sector is free')
    const address = sector.index * this.blockBytes + sector.end
    // Counted as used from the first program on: what is half written is not written again.
    sector.end += recordSize(body.length)
    const sequence = ++this.sequence
    const header = new ByteWriter()
    header.bytes([KIND_CODE[kind], slot])
    header.u16(body.length)
    header.u32(sequence)
    header.u32(crc32(header.toBytes(), body))
    header.u32(0xffffffff)
    const record = new Uint8Array(RECORD_HEADER_BYTES + body.length)
    record.set(header.toBytes())
    record.set(body, RECORD_HEADER_BYTES)
    yield* this.programPages(address, record)
    const commit = new ByteWriter()
    commit.u32(COMMIT_WORD)
    yield* this.flash.program(address + COMMIT_OFFSET, commit.toBytes())
    const entry = { kind, slot, sequence, sector: sector.index, address, length: body.length }
    this.live.set(keyOf(entry), entry)
  }

  private *programPages(address: number, bytes: Uint8Array): Task {
    const { pageBytes } = this.flash.geometry
    for (let done = 0; done < bytes.length;) {
      const room = pageBytes - ((address + done) % pageBytes)
      const part = bytes.subarray(done, done + room)
      yield* this.flash.program(address + done, part)
      done += part.length
    }
  }

  /** Which sector to empty next, if any should be. */
  private victim(): Sector | undefined {
    const candidates = this.sectors.filter((sector) => sector !== this.head && !this.free().includes(sector))
    const spoilt = candidates.find((sector) => sector.state === 'spoilt')
    if (spoilt) return spoilt
    const counts = this.eraseCounts()
    const least = candidates.sort((a, b) => a.eraseCount - b.eraseCount)[0]
    if (least && Math.max(...counts) - least.eraseCount > WEAR_SPREAD) return least
    if (this.free().length >= FREE_SECTORS) return undefined
    return candidates.sort((a, b) => this.liveBytes(a) - this.liveBytes(b) || a.eraseCount - b.eraseCount)[0]
  }

  private liveBytes(sector: Sector): number {
    return this.recordsIn(sector).reduce((sum, record) => sum + recordSize(record.length), 0)
  }

  private recordsIn(sector: Sector): LogRecord[] {
    return [...this.live.values()].filter((record) => record.sector === sector.index)
  }

  /** Writes what counts in a sector anew elsewhere, commits it there, and only then erases the sector. */
  private *empty(sector: Sector): Task {
    for (const record of this.recordsIn(sector)) {
      if (!this.fits(this.head, recordSize(record.length))) yield* this.openSector()
      yield* this.append(record.kind, record.slot, this.body(record))
    }
    sector.state = 'spoilt'
    sector.end = this.blockBytes
    const { blockSectors } = this.flash.geometry
    // The sector with the header first: a block half erased is then known for one.
    for (let part = 0; part < blockSectors; part++)
      yield* this.flash.erase(sector.index * blockSectors + part)
    sector.eraseCount++
    yield* this.writeSectorHeader(sector)
  }

  private body(record: LogRecord): Uint8Array {
    return this.flash.read(record.address + RECORD_HEADER_BYTES, record.length)
  }

  private scan(index: number, found: LogRecord[]): Sector {
    const { blockBytes } = this
    const base = index * blockBytes
    const cells = this.flash.read(base, blockBytes)
    const sector: Sector = { index, state: 'ready', eraseCount: -1, end: blockBytes }
    if (isBlank(cells)) return { ...sector, state: 'blank' }
    const header = new ByteReader(cells)
    const [magic, eraseCount, check] = [header.u32(), header.u32(), header.u32()]
    if (magic !== SECTOR_MAGIC || check !== crc32(cells.subarray(0, 8))) return { ...sector, state: 'spoilt' }
    let at = SECTOR_HEADER_BYTES
    for (let record = readRecord(cells, at); record; record = readRecord(cells, at)) {
      found.push({ ...record, sector: index, address: base + at })
      at += recordSize(record.length)
    }
    // Anything but ones behind the last whole record is a write that never finished: nothing goes there.
    return { ...sector, eraseCount, end: isBlank(cells.subarray(at)) ? at : blockBytes }
  }
}

const recordSize = (length: number): number =>
  Math.ceil((RECORD_HEADER_BYTES + length) / ALIGNMENT) * ALIGNMENT

const keyOf = ({ kind, slot }: Pick<LogRecord, 'kind' | 'slot'>): string =>
  kind === 'settings' ? 'settings' : `slot ${slot}`

const isBlank = (cells: Uint8Array): boolean => cells.every((cell) => cell === 0xff)

/** The committed, whole record at an offset of a sector, or undefined. */
function readRecord(cells: Uint8Array, at: number): Omit<LogRecord, 'sector' | 'address'> | undefined {
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

const RECORD_KINDS: RecordKind[] = ['image', 'cleared', 'settings']
