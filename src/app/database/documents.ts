import type { MessageFact } from '../../core/message/message'
import { t } from '../../messages/page'
import Dexie, { type Table } from 'dexie'
import { itemAt } from '../../core/base/items'
import { deepFreeze } from '../../core/base/deep-freeze'
import { applyChanges, type Change } from '../../core/edits/changes'
import { deepEqual } from '../../core/base/deep-equal'
import { ProfileError } from '../../core/document/schema'
import { TimeSlice } from './yield-thread'
import type { HistoryEntry, LibraryDatabase, StoredDocument } from './library-database'

/** A valid document of the library, with its row. */
export interface ValidDocument<Row extends StoredDocument, Document> {
  id: string
  row: Row
  document: Document
}

/** An invalid document: kept unchanged, listed, and otherwise ignored. */
export interface QuarantinedDocument {
  table: 'profiles' | 'macros' | 'sessions' | 'palettes' | 'programs'
  id: string
  name: string
  problems: readonly MessageFact[]
  /** The whole row, as stored. */
  stored: unknown
}

/** The place of an edit has changed. The message describes the change. */
export class EditConflict extends Error {
  override name = 'EditConflict'
}

/** The document is no longer stored. */
export class DocumentMissing extends EditConflict {
  override name = 'DocumentMissing'
}

/** An edit to be stored. */
export interface DocumentEdit<Document> {
  changes: Change[]
  /** The expected result if nobody else changed the document: then this object is kept. */
  after?: Document
}

export interface History {
  past: HistoryEntry[]
  future: HistoryEntry[]
}

/** How the documents of one table are read. */
export interface DocumentKind<Row extends StoredDocument, Document> {
  table: QuarantinedDocument['table']
  /** Index whose order determines which rows are read first. */
  index: string
  /** @throws ProfileError with all problems */
  parse: (document: unknown) => Document
  order: (a: ValidDocument<Row, Document>, b: ValidDocument<Row, Document>) => number
  /** Conversions between a document and its stored form, if they differ. */
  packed?: (document: Document) => unknown
  unpacked?: (stored: unknown) => unknown
  /**
   * Documents that would block the page when validated, and the function that validates them in parallel: it returns
   * the valid ones with their stamps.
   */
  inWorker?: {
    isLong: (document: unknown) => boolean
    validate: (ids: readonly string[]) => Promise<ReadonlyMap<string, unknown>>
  }
}

/** Maximum number of own states of a document that are remembered until the first of them is seen. */
const MAX_STAMPS = 30

/** Number of rows that are stored at once within a transaction. */
const ROWS_AT_ONCE = 50

/**
 * The documents of one table. Only changed ones are read and validated, so that the cost of an edit does not depend on
 * the size of the library. Every call is one transaction, completely or not at all.
 */
export class DocumentTable<Row extends StoredDocument, Document> {
  /** Validation results by id and stamp. */
  private readonly known = new Map<
    string,
    { stamp: unknown; kept?: ValidDocument<Row, Document>; aside?: QuarantinedDocument }
  >()

  /** The documents in order, until one is added, removed or moved. */
  private inOrder: readonly ValidDocument<Row, Document>[] | undefined
  private untold = false

  /** Latest own states of each document, and documents that another tab has changed since. */
  private readonly mine = new Map<string, readonly number[]>()
  private readonly others = new Set<string>()
  /** Ids of documents that this tab has removed. */
  private readonly removed = new Set<string>()

  constructor(
    readonly database: LibraryDatabase,
    private readonly rows: Table<Row, string, Row>,
    readonly kind: DocumentKind<Row, Document>,
  ) {}

  /** Reads the first rows in the order of the table: those that fit on a screen. */
  async readFirst(count: number): Promise<void> {
    await this.passAll(await this.rows.orderBy(this.kind.index).limit(count).toArray())
  }

  /** The ids of all rows, including those without an index entry; others are forgotten. */
  async ids(): Promise<string[]> {
    const ids = await this.rows.toCollection().primaryKeys()
    const there = new Set(ids)
    for (const id of this.known.keys()) if (!there.has(id)) this.forget(id)
    return ids
  }

  /**
   * Reads rows and validates them unless their state is already known.
   *
   * @returns whether there is news since the last {@link now}
   */
  async read(ids: readonly string[]): Promise<boolean> {
    const rows = await this.rows.bulkGet([...ids])
    ids.forEach((id, index) => {
      if (!rows[index]) this.forget(id)
    })
    await this.passAll(rows.flatMap((row) => row ?? []))
    return this.untold
  }

  /** Other work on the page runs in between if they take long. */
  private async passAll(rows: readonly Row[]): Promise<void> {
    const turn = new TimeSlice()
    const { inWorker } = this.kind
    const long = rows.filter((row) => !this.isKnown(row) && inWorker?.isLong(row.document))
    const passed =
      inWorker && long.length > 0
        ? await inWorker.validate(long.map(({ id }) => id))
        : new Map<string, unknown>()
    for (const row of rows) {
      if (passed.has(row.id) && passed.get(row.id) === row.stamp) this.knowAsItIs(row)
      else this.pass(row)
      await turn.next()
    }
  }

  /** Whether this tab stored the latest known state of a document. */
  isOwn(id: string): boolean {
    const known = this.known.get(id)
    return known !== undefined && this.isMine(id, known.stamp)
  }

  of(id: string): ValidDocument<Row, Document> | undefined {
    return this.known.get(id)?.kept
  }

  /** All known documents, in the order of the table. */
  now(): { kept: readonly ValidDocument<Row, Document>[]; quarantined: QuarantinedDocument[] } {
    this.untold = false
    this.inOrder ??= [...this.known.values()]
      .flatMap(({ kept }) => kept ?? [])
      .sort((a, b) => this.kind.order(a, b))
    return { kept: this.inOrder, quarantined: [...this.known.values()].flatMap(({ aside }) => aside ?? []) }
  }

  /** All documents, read now. */
  async all(): Promise<{
    kept: readonly ValidDocument<Row, Document>[]
    quarantined: QuarantinedDocument[]
  }> {
    await this.read(await this.ids())
    return this.now()
  }

  /**
   * Applies an edit to the stored document, which may have changed since it was read.
   *
   * @param history the undo history afterwards, stored with it
   * @throws EditConflict if the same place changed, or the document is gone
   */
  async edit(id: string, { changes, after }: DocumentEdit<Document>, now: number, history?: History) {
    const kept = await this.database.transaction('rw', this.rows, this.database.histories, async () => {
      const row = await this.rows.get(id)
      if (!row)
        throw new DocumentMissing(
          this.removed.has(id) ? t('stores.itWasDeletedHere') : t('stores.itWasDeletedInAnotherTab'),
        )
      this.notice(row)
      const next = applyChanges(this.current(row), changes)
      if (!next) {
        throw new EditConflict(
          this.others.has(id)
            ? t('stores.theSameSettingWasChangedInAnother')
            : t('stores.theSameSettingWasChangedHere'),
        )
      }
      const document = after && deepEqual(next, after) ? after : next
      const stored = this.kind.packed?.(document) ?? document
      const changed = { ...row, document: stored, updatedAt: now, stamp: nextStamp(row, now) }
      this.noteMine(id, changed.stamp)
      await this.rows.put(changed)
      if (history) await this.database.histories.put({ id: this.historyId(id), ...history })
      return { id, row: changed, document }
    })
    this.know(kept)
    return kept
  }

  /** Changes fields of the row besides the document. */
  async change(id: string, change: Partial<Row>, now: number): Promise<void> {
    await this.database.transaction('rw', this.rows, async () => {
      const row = await this.rows.get(id)
      if (!row) return
      const stamp = nextStamp(row, now)
      this.noteMine(id, stamp)
      await this.rows.put({ ...row, ...change, stamp })
    })
  }

  /**
   * Adds or replaces rows, all of them or none.
   *
   * @param passed their validated documents, if available
   */
  async put(rows: readonly Row[], passed: readonly Document[] = []): Promise<void> {
    await this.database.transaction('rw', this.rows, async () => {
      for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
        await this.rows.bulkPut(rows.slice(from, from + ROWS_AT_ONCE))
    })
    // Within a larger transaction, nothing is stored before its end.
    if (isInTransaction()) return
    passed.forEach((document, index) => {
      const row = itemAt(rows, index)
      this.know({ id: row.id, row, document })
    })
  }

  /** Removes a row. @returns what {@link put} needs to restore it */
  async remove(id: string): Promise<Row | undefined> {
    const row = await this.database.transaction('rw', this.rows, async () => {
      const there = await this.rows.get(id)
      await this.rows.delete(id)
      return there
    })
    this.removed.add(id)
    // Inside a larger transaction, the row is not gone until that transaction has ended.
    if (!isInTransaction()) this.forget(id)
    return row
  }

  async history(id: string): Promise<History | undefined> {
    return this.database.histories.get(this.historyId(id))
  }

  private unpacked({ document }: Row): unknown {
    return this.kind.unpacked ? this.kind.unpacked(document) : document
  }

  private know(kept: ValidDocument<Row, Document>): void {
    if (import.meta.env.DEV) deepFreeze(kept.document)
    const { id, row } = kept
    const before = this.known.get(id)?.kept
    const stamp: unknown = typeof row.stamp === 'number' ? row.stamp : undefined
    this.known.set(id, { stamp, kept })
    this.untold = true
    const stays = before && this.inOrder && this.kind.order(before, kept) === 0
    this.inOrder = stays ? this.inOrder?.map((each) => (each === before ? kept : each)) : undefined
  }

  private noteMine(id: string, stamp: number): void {
    this.mine.set(id, [...(this.mine.get(id) ?? []).slice(1 - MAX_STAMPS), stamp])
  }

  private isMine(id: string, stamp: unknown): boolean {
    return this.mine.get(id)?.some((own) => own === stamp) === true
  }

  private forget(id: string): void {
    if (!this.known.delete(id)) return
    this.inOrder = undefined
    this.untold = true
  }

  private historyId(id: string): string {
    return `${this.kind.table} ${id}`
  }

  /** The document of a row, validated unless it is known. @throws EditConflict for an invalid document */
  private current(row: Row): Document {
    const known = this.known.get(row.id)
    if (known?.kept && known.stamp === row.stamp) return known.kept.document
    try {
      return this.kind.parse(this.unpacked(row))
    } catch (error) {
      if (error instanceof ProfileError) throw new EditConflict(t('stores.theSavedVersionCannotBeRead'))
      throw error
    }
  }

  /** Records a state of a row that this tab has neither made nor seen. */
  private notice({ id, stamp }: Row): void {
    const known = this.known.get(id)
    if (known && known.stamp !== stamp && !this.isMine(id, stamp)) this.others.add(id)
  }

  /** Whether a row is known in this or a later state: it may have been edited while it waited. */
  private isKnown({ id, stamp }: Row): boolean {
    const known = this.known.get(id)?.stamp
    return typeof stamp === 'number' && typeof known === 'number' && known >= stamp
  }

  /** A row that was validated in parallel. */
  private knowAsItIs(row: Row): void {
    this.notice(row)
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the parser of this kind returned it
    if (!this.isKnown(row)) this.know({ id: row.id, row, document: this.unpacked(row) as Document })
  }

  private pass(row: Row): void {
    this.notice(row)
    if (this.isKnown(row)) return
    const stamp = typeof row.stamp === 'number' ? row.stamp : undefined
    try {
      const document = this.kind.parse(this.unpacked(row))
      this.know({ id: row.id, row, document })
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      const { table } = this.kind
      const name = nameIn(this.unpacked(row)) ?? t('stores.unnamedRecord')
      const aside = { table, id: row.id, name, problems: error.problems, stored: row }
      this.forget(row.id)
      this.untold = true
      this.known.set(row.id, { stamp, aside })
    }
  }
}

const isInTransaction = (): boolean => Boolean(Dexie.currentTransaction)

/** A stamp that no earlier state of the row had. */
export const nextStamp = (row: { stamp?: unknown }, now: number): number =>
  Math.max(now, (typeof row.stamp === 'number' ? row.stamp : 0) + 1)

function nameIn(document: unknown): string | undefined {
  const name =
    typeof document === 'object' && document !== null && 'name' in document ? document.name : undefined
  return typeof name === 'string' && name.trim() !== '' ? name : undefined
}
