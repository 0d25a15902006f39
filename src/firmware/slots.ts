import { RECORD_HEADER_BYTES, SECTOR_HEADER_BYTES } from '../core/device/lookups'
import { ByteReader, ByteWriter } from '../core/base/bytes'
import type { Task } from './clock'
import { FlashError, type NorFlash } from './flash'
import {
  ALIGNMENT,
  isBlank,
  keyOf,
  readRecord,
  readSectorHeader,
  recordHeader,
  recordSize,
  rejectRecordHeaders,
  sectorHeader,
  type LogRecord,
  type RecordKind,
} from './records'

/**
 * Slots and settings in flash, as a log (docs/onboard-format.md, "In flash"). A new record is written after the last
 * one, page by page as its body arrives, and becomes valid with its header, which is programmed last; until then the
 * older record with the same key is valid. A sector is erased only when it has no valid records. On models with larger
 * slots, a sector here is a block of several that are used and erased together.
 */
interface Sector {
  index: number
  /** `spoilt`: without a header of a complete erase; it must be erased before use. */
  state: 'ready' | 'spoilt'
  eraseCount: number
  /** Offset in the sector for the next record; the sector's size if it is full. */
  end: number
}

/** A record being written: its place is reserved, and nothing is valid yet. */
export interface Draft {
  kind: RecordKind
  slot: number
  length: number
  sector: Sector
  address: number
  /** Bytes of the body in flash, and those that do not fill a page yet. */
  done: number
  page: number[]
  /** A copy of a valid record, whose body was checked when it was first received. */
  moved: boolean
}

/** Body of a reset: the sequence number up to which records are invalid. */
const RESET_BYTES = 4
/** Number of sectors kept free: one for writing, one for moving records before an erase. */
const FREE_SECTORS = 2
/** Difference in erases between the most and the least worn sector at which static records are moved. */
const WEAR_SPREAD = 8

export class SlotStore {
  private sectors: Sector[] = []
  private live = new Map<string, LogRecord>()
  private sequence = 0
  private head: Sector | undefined
  private readonly drafts = new Set<Draft>()
  private readonly blockBytes: number

  /** Reads the log from flash when the device starts. */
  constructor(private readonly flash: NorFlash) {
    const { sectors, sectorBytes, blockSectors } = flash.geometry
    this.blockBytes = sectorBytes * blockSectors
    const found: LogRecord[] = []
    for (let index = 0; index < sectors / blockSectors; index++) this.sectors.push(this.scan(index, found))
    // A sector that lost power between its erase and its header has no count; the worst known count is used.
    const worst = Math.max(0, ...this.sectors.map((sector) => sector.eraseCount))
    for (const sector of this.sectors) if (sector.eraseCount < 0) sector.eraseCount = worst
    for (const record of found.sort((a, b) => a.sequence - b.sequence)) this.live.set(keyOf(record), record)
    this.forgetUntil(this.resetUntil())
    const newest = found.at(-1)
    this.sequence = newest?.sequence ?? 0
    const head = newest && this.sectors[newest.sector]
    this.head = head?.state === 'ready' ? head : undefined
  }

  /** Increases with each record, which shows whether anything has changed. */
  get revision(): number {
    return this.sequence
  }

  /** The image in a slot, or undefined if it is empty. */
  image(slot: number): Uint8Array | undefined {
    const record = this.live.get(`slot ${slot}`)
    return record?.kind === 'image' ? this.body(record) : undefined
  }

  /** The latest settings, or undefined on a new device. */
  settings(): Uint8Array | undefined {
    const record = this.live.get('settings')
    return record && this.body(record)
  }

  /** Resets all slots and settings to factory settings with one committing operation. @throws FlashError */
  *reset(): Task {
    const writer = new ByteWriter()
    writer.u32(this.sequence)
    yield* this.write('reset', 0, writer.toBytes())
    this.forgetUntil(this.resetUntil())
  }

  /** Sequence number of the last record before a reset; 0 without one. */
  private resetUntil(): number {
    const record = this.live.get('reset')
    return record?.length === RESET_BYTES ? new ByteReader(this.body(record)).u32() : 0
  }

  private forgetUntil(sequence: number): void {
    for (const [key, record] of this.live)
      if (record.kind !== 'reset' && record.sequence <= sequence) this.live.delete(key)
  }

  eraseCounts(): number[] {
    return this.sectors.map((sector) => sector.eraseCount)
  }

  /** Writes one record and commits it. @throws FlashError if it does not fit into a sector */
  *write(kind: RecordKind, slot: number, body: Uint8Array): Task {
    const draft = yield* this.open(kind, slot, body.length)
    yield* this.put(draft, body)
    yield* this.commit(draft)
  }

  /** Makes room for a record and reserves it. @throws FlashError if it does not fit into a sector */
  *open(kind: RecordKind, slot: number, length: number): Task<Draft> {
    const size = recordSize(length)
    if (SECTOR_HEADER_BYTES + size > this.blockBytes) {
      throw new FlashError(`a record of ${length} bytes does not fit a sector`)
    }
    yield* this.makeRoom(size)
    return this.take(kind, slot, length)
  }

  /** Appends to the body of a record: complete pages go to flash at once, the rest waits in one page of memory. */
  *put(draft: Draft, bytes: Uint8Array): Task {
    const { pageBytes } = this.flash.geometry
    for (let taken = 0; taken < bytes.length;) {
      const at = draft.address + RECORD_HEADER_BYTES + draft.done + draft.page.length
      const part = bytes.subarray(taken, taken + pageBytes - (at % pageBytes))
      draft.page.push(...part)
      taken += part.length
      if ((at + part.length) % pageBytes === 0) yield* this.programPage(draft)
    }
  }

  /** The received part of a record, read from flash. */
  *stored(draft: Draft): Task<Uint8Array> {
    yield* this.programPage(draft)
    return this.flash.read(draft.address + RECORD_HEADER_BYTES, draft.done)
  }

  /** Commits a record with one last program operation. @throws FlashError if its body is incomplete */
  *commit(draft: Draft): Task {
    const { kind, slot, length, sector, address } = draft
    const body = yield* this.stored(draft)
    if (body.length !== length)
      throw new FlashError(`${body.length} of ${length} bytes of a record are there`)
    const sequence = ++this.sequence
    const header = recordHeader({ kind, slot, length, sequence }, body)
    yield* this.program(draft, address, header)
    this.drafts.delete(draft)
    const entry = { kind, slot, sequence, sector: sector.index, address, length }
    this.live.set(keyOf(entry), entry)
  }

  /** Aborts a record; its bytes in flash are invalid and disappear with their sector. */
  drop(draft: Draft): void {
    this.drafts.delete(draft)
  }

  /** Moves and erases until enough sectors are free, so that the next write need not wait for an erase. */
  *tidy(): Task {
    // Each round frees a sector or moves valid records together, so the number of rounds is bounded.
    for (let round = 0; round < 2 * this.sectors.length; round++) {
      const victim = this.victim()
      if (!victim) return
      yield* this.empty(victim)
    }
  }

  private *makeRoom(size: number): Task {
    if (this.fits(this.head, size)) return
    for (let round = 0; round < 2 * this.sectors.length && this.free().length < FREE_SECTORS; round++) {
      const victim = this.victim()
      if (!victim) break
      yield* this.empty(victim)
    }
    if (!this.fits(this.head, size)) this.openSector()
  }

  private fits(sector: Sector | undefined, size: number): boolean {
    return sector !== undefined && sector.end + size <= this.blockBytes
  }

  private free(): Sector[] {
    return this.sectors.filter(
      (sector) => sector !== this.head && sector.state === 'ready' && sector.end === SECTOR_HEADER_BYTES,
    )
  }

  /** Selects the least worn free sector for the next record. */
  private openSector(): void {
    const [sector] = this.free().sort((a, b) => a.eraseCount - b.eraseCount || a.index - b.index)
    if (!sector) throw new FlashError('no sector is free')
    this.head = sector
  }

  private *writeSectorHeader(sector: Sector): Task {
    yield* this.flash.program(sector.index * this.blockBytes, sectorHeader(sector.eraseCount))
    sector.state = 'ready'
    sector.end = SECTOR_HEADER_BYTES
  }

  private take(kind: RecordKind, slot: number, length: number, moved = false): Draft {
    const sector = this.head
    if (!sector || !this.fits(sector, recordSize(length))) throw new FlashError('no sector is free')
    const address = sector.index * this.blockBytes + sector.end
    // Counted as used from here on, so that incomplete bytes are not overwritten.
    sector.end += recordSize(length)
    const draft = { kind, slot, length, sector, address, done: 0, page: [], moved }
    this.drafts.add(draft)
    return draft
  }

  private *programPage(draft: Draft): Task {
    const bytes = Uint8Array.from(draft.page)
    if (bytes.length === 0) return
    if (!draft.moved) rejectRecordHeaders(bytes)
    yield* this.program(draft, draft.address + RECORD_HEADER_BYTES + draft.done, bytes)
    draft.done += bytes.length
    draft.page = []
  }

  /** If the part refuses an operation, its sector is not used any more. */
  private *program({ sector }: Draft, address: number, bytes: Uint8Array): Task {
    try {
      yield* this.flash.program(address, bytes)
    } catch (error) {
      sector.end = this.blockBytes
      throw error
    }
  }

  /** The sector to empty next, if any. */
  private victim(): Sector | undefined {
    const drafted = new Set([...this.drafts].map(({ sector }) => sector))
    const candidates = this.sectors.filter(
      (sector) => sector !== this.head && !drafted.has(sector) && !this.free().includes(sector),
    )
    const free = this.free().length
    // A sector without valid records needs no room to be emptied, and after many interruptions there may be none.
    const [dead] = candidates
      .filter((sector) => this.liveBytes(sector) === 0)
      .sort(
        (a, b) => Number(b.state === 'spoilt') - Number(a.state === 'spoilt') || a.eraseCount - b.eraseCount,
      )
    if (dead && (free < FREE_SECTORS || dead.state === 'spoilt')) return dead
    if (free === 0) return undefined
    const spoilt = candidates.find(({ state }) => state === 'spoilt')
    if (spoilt) return spoilt
    const counts = this.eraseCounts()
    const min = candidates.sort((a, b) => a.eraseCount - b.eraseCount)[0]
    if (min && Math.max(...counts) - min.eraseCount > WEAR_SPREAD) return min
    if (free >= FREE_SECTORS) return undefined
    return candidates.sort((a, b) => this.liveBytes(a) - this.liveBytes(b) || a.eraseCount - b.eraseCount)[0]
  }

  private liveBytes(sector: Sector): number {
    return this.recordsIn(sector).reduce((sum, record) => sum + recordSize(record.length), 0)
  }

  private recordsIn(sector: Sector): LogRecord[] {
    return [...this.live.values()].filter((record) => record.sector === sector.index)
  }

  /** Copies valid records of a sector, commits the copies, and only then erases the sector. */
  private *empty(sector: Sector): Task {
    for (const record of this.recordsIn(sector)) {
      if (!this.fits(this.head, recordSize(record.length))) this.openSector()
      const draft = this.take(record.kind, record.slot, record.length, true)
      yield* this.put(draft, this.body(record))
      yield* this.commit(draft)
    }
    sector.state = 'spoilt'
    sector.end = this.blockBytes
    const { blockSectors } = this.flash.geometry
    // The sector with the header first, so that a partly erased block is recognised.
    for (let part = 0; part < blockSectors; part++)
      yield* this.flash.erase(sector.index * blockSectors + part)
    sector.eraseCount++
    yield* this.writeSectorHeader(sector)
  }

  private body(record: LogRecord): Uint8Array {
    return this.flash.read(record.address + RECORD_HEADER_BYTES, record.length)
  }

  /**
   * Finds every complete record, also after damaged ones and in sectors with a damaged header: one flipped bit costs
   * one record.
   */
  private scan(index: number, found: LogRecord[]): Sector {
    const { blockBytes } = this
    const base = index * blockBytes
    const cells = this.flash.read(base, blockBytes)
    let end = SECTOR_HEADER_BYTES
    for (let at = end; at + RECORD_HEADER_BYTES <= blockBytes;) {
      const record = readRecord(cells, at)
      at += record ? recordSize(record.length) : ALIGNMENT
      if (!record) continue
      found.push({ ...record, sector: index, address: base + at - recordSize(record.length) })
      end = at
    }
    const eraseCount = readSectorHeader(cells)
    // Also if all bits read as ones: after an interrupted erase they may, but not reliably.
    if (eraseCount === undefined) return { index, state: 'spoilt', eraseCount: -1, end: blockBytes }
    // Anything but ones after the last complete record is an incomplete write; that space is not used.
    return { index, state: 'ready', eraseCount, end: isBlank(cells.subarray(end)) ? end : blockBytes }
  }
}
