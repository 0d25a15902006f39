import { RECORD_HEADER_BYTES, SECTOR_HEADER_BYTES } from '../core/device/lookups'
import { ByteReader, ByteWriter } from '../core/base/bytes'
import type { Task } from './clock'
import { FlashFault, type NorFlash } from './flash'
import {
  ALIGNMENT,
  isBlank,
  keyOf,
  readRecord,
  readSectorHeader,
  recordHeader,
  recordSize,
  refuseHeaders,
  sectorHeader,
  type LogRecord,
  type RecordKind,
} from './records'

/**
 * Slots and settings in flash, as a log (docs/onboard-format.md, "In flash"). A record is written behind the last one,
 * page by page as its body comes in, and counts from the moment its header is programmed, last; until then the older
 * record of the same key stands. A sector is erased only when nothing in it counts any more. Where a model has larger
 * slots, what is called a sector here is a block of several, taken and erased together.
 */
interface Sector {
  index: number
  /** `spoilt`: without a header that says it was erased to the end; to be erased before use. */
  state: 'ready' | 'spoilt'
  eraseCount: number
  /** Offset in the sector at which the next record goes; the sector's size when it takes no more. */
  end: number
}

/** A record that is being written: its place is taken, and nothing counts yet. */
export interface Draft {
  kind: RecordKind
  slot: number
  length: number
  sector: Sector
  address: number
  /** Bytes of the body in flash, and those behind them that do not fill a page yet. */
  done: number
  page: number[]
  /** A copy of a record that counts: its body was looked at when it first came. */
  moved: boolean
}

/** Body of a reset: the sequence number until which nothing counts. */
const RESET_BYTES = 4
/** Sectors kept free: one to write into, one for what is moved out of a sector before its erase. */
const FREE_SECTORS = 2
/** Erases between the most and the least worn sector before what lies still is moved. */
const WEAR_SPREAD = 8

export class SlotStore {
  private sectors: Sector[] = []
  private live = new Map<string, LogRecord>()
  private sequence = 0
  private head: Sector | undefined
  private readonly drafts = new Set<Draft>()
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
    this.forgetUntil(this.resetUntil())
    const newest = found.at(-1)
    this.sequence = newest?.sequence ?? 0
    const head = newest && this.sectors[newest.sector]
    this.head = head?.state === 'ready' ? head : undefined
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

  /** All slots and settings are as from the factory, from the one operation on that commits it. @throws FlashFault */
  *reset(): Task {
    const writer = new ByteWriter()
    writer.u32(this.sequence)
    yield* this.write('reset', 0, writer.toBytes())
    this.forgetUntil(this.resetUntil())
  }

  /** Sequence number of the last record that a reset has taken back; 0 without one. */
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

  /** Writes one record and commits it. @throws FlashFault when it cannot fit a sector */
  *write(kind: RecordKind, slot: number, body: Uint8Array): Task {
    const draft = yield* this.open(kind, slot, body.length)
    yield* this.put(draft, body)
    yield* this.commit(draft)
  }

  /** Makes room for a record and takes its place. @throws FlashFault when it cannot fit a sector */
  *open(kind: RecordKind, slot: number, length: number): Task<Draft> {
    const size = recordSize(length)
    if (SECTOR_HEADER_BYTES + size > this.blockBytes) {
      throw new FlashFault(`a record of ${length} bytes does not fit a sector`)
    }
    yield* this.makeRoom(size)
    return this.take(kind, slot, length)
  }

  /** Appends to a record's body: whole pages go to flash at once, what is behind them waits in one page of memory. */
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

  /** What has come in of a record so far, as it stands in flash. */
  *stored(draft: Draft): Task<Uint8Array> {
    yield* this.programPage(draft)
    return this.flash.read(draft.address + RECORD_HEADER_BYTES, draft.done)
  }

  /** Makes a record count, by one last program operation. @throws FlashFault when its body is not whole */
  *commit(draft: Draft): Task {
    const { kind, slot, length, sector, address } = draft
    const body = yield* this.stored(draft)
    if (body.length !== length)
      throw new FlashFault(`${body.length} of ${length} bytes of a record are there`)
    const sequence = ++this.sequence
    const header = recordHeader({ kind, slot, length, sequence }, body)
    yield* this.program(draft, address, header)
    this.drafts.delete(draft)
    const entry = { kind, slot, sequence, sector: sector.index, address, length }
    this.live.set(keyOf(entry), entry)
  }

  /** Gives a record up; what is in flash of it counts for nothing, and is gone with its sector. */
  drop(draft: Draft): void {
    this.drafts.delete(draft)
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

  /** Takes the least worn free sector as the place for what comes next. */
  private openSector(): void {
    const [sector] = this.free().sort((a, b) => a.eraseCount - b.eraseCount || a.index - b.index)
    if (!sector) throw new FlashFault('no sector is free')
    this.head = sector
  }

  private *writeSectorHeader(sector: Sector): Task {
    yield* this.flash.program(sector.index * this.blockBytes, sectorHeader(sector.eraseCount))
    sector.state = 'ready'
    sector.end = SECTOR_HEADER_BYTES
  }

  private take(kind: RecordKind, slot: number, length: number, moved = false): Draft {
    const sector = this.head
    if (!sector || !this.fits(sector, recordSize(length))) throw new FlashFault('no sector is free')
    const address = sector.index * this.blockBytes + sector.end
    // Counted as used from here on: what is half written is not written again.
    sector.end += recordSize(length)
    const draft = { kind, slot, length, sector, address, done: 0, page: [], moved }
    this.drafts.add(draft)
    return draft
  }

  private *programPage(draft: Draft): Task {
    const bytes = Uint8Array.from(draft.page)
    if (bytes.length === 0) return
    if (!draft.moved) refuseHeaders(bytes)
    yield* this.program(draft, draft.address + RECORD_HEADER_BYTES + draft.done, bytes)
    draft.done += bytes.length
    draft.page = []
  }

  /** Where the part refuses an operation, its sector takes nothing more. */
  private *program({ sector }: Draft, address: number, bytes: Uint8Array): Task {
    try {
      yield* this.flash.program(address, bytes)
    } catch (error) {
      sector.end = this.blockBytes
      throw error
    }
  }

  /** Which sector to empty next, if any should be. */
  private victim(): Sector | undefined {
    const drafted = new Set([...this.drafts].map(({ sector }) => sector))
    const candidates = this.sectors.filter(
      (sector) => sector !== this.head && !drafted.has(sector) && !this.free().includes(sector),
    )
    const free = this.free().length
    // What holds nothing needs no room to be emptied: after many cuts there may be none for anything else.
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
    const least = candidates.sort((a, b) => a.eraseCount - b.eraseCount)[0]
    if (least && Math.max(...counts) - least.eraseCount > WEAR_SPREAD) return least
    if (free >= FREE_SECTORS) return undefined
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
      if (!this.fits(this.head, recordSize(record.length))) this.openSector()
      const draft = this.take(record.kind, record.slot, record.length, true)
      yield* this.put(draft, this.body(record))
      yield* this.commit(draft)
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

  /**
   * Finds every whole record, also behind what cannot be trusted, and in a sector whose header cannot: one flipped bit
   * costs one record.
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
    // Also where all reads as ones: an erase that was interrupted may, and does not hold.
    if (eraseCount === undefined) return { index, state: 'spoilt', eraseCount: -1, end: blockBytes }
    // Anything but ones behind the last whole record is a write that never finished: nothing goes there.
    return { index, state: 'ready', eraseCount, end: isBlank(cells.subarray(end)) ? end : blockBytes }
  }
}
