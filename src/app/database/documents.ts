import Dexie, { type Table } from 'dexie'
import { itemAt } from '../../core/base/items'
import { frozen } from '../../core/base/frozen'
import { applyChanges, type Change } from '../../core/edits/changes'
import { sameValue } from '../../core/base/same-value'
import { ProfileError } from '../../core/document/schema'
import { Turn } from './free-thread'
import type { HistoryEntry, LibraryDatabase, StoredDocument } from './library-database'

/** A document of the library that passed its gate, with its row. */
export interface Kept<Row extends StoredDocument, Document> {
  id: string
  row: Row
  document: Document
}

/** A document that did not: kept as it is, named, and out of the way. */
export interface SetAside {
  table: 'profiles' | 'macros' | 'sessions' | 'palettes'
  id: string
  name: string
  problems: readonly string[]
  /** The whole row, as it is stored. */
  stored: unknown
}

/** The place an edit was made for no longer holds what it did. The message says what was there instead. */
export class EditConflict extends Error {
  override name = 'EditConflict'
}

/** The document itself is not stored any more. */
export class DocumentGone extends EditConflict {
  override name = 'DocumentGone'
}

/** An edit on its way to storage. */
export interface DocumentEdit<Document> {
  changes: Change[]
  /** What the document is where nobody else changed it: then this very object is kept. */
  after?: Document
}

export interface History {
  past: HistoryEntry[]
  future: HistoryEntry[]
}

/** How one table's documents are read. */
interface Kind<Row extends StoredDocument, Document> {
  table: SetAside['table']
  /** Index in whose order the first rows are read. */
  index: string
  /** What one is called, for messages. */
  noun: string
  /** @throws ProfileError saying all that is wrong */
  gate: (document: unknown) => Document
  order: (a: Kept<Row, Document>, b: Kept<Row, Document>) => number
  /** How a document is stored where it is not stored as it is, and what is stored as a document again. */
  packed?: (document: Document) => unknown
  unpacked?: (stored: unknown) => unknown
  /** Those whose gate would hold the page, and what judges them beside it: which pass as they are, and their stamps. */
  beside?: {
    isLong: (document: unknown) => boolean
    judge: (ids: readonly string[]) => Promise<ReadonlyMap<string, unknown>>
  }
}

/** States of a document that are known to be this tab's own: more are not stored before the first of them is seen. */
const MOST_STAMPS = 30

/** Rows that are stored at once within a transaction. */
const ROWS_AT_ONCE = 50

/**
 * The documents of one table. Only what changed is read and passes the gate: what an edit costs does not grow with the
 * library. Every call is one transaction, whole or not at all.
 */
export class DocumentTable<Row extends StoredDocument, Document> {
  /** What passed the gate or did not, by id and stamp. */
  private readonly known = new Map<string, { stamp: unknown; kept?: Kept<Row, Document>; aside?: SetAside }>()

  /** The documents in order, until one comes, goes or changes its place. */
  private inOrder: readonly Kept<Row, Document>[] | undefined
  private untold = false

  /** The states of each document this tab stored last, and the documents that another tab has stored since. */
  private readonly mine = new Map<string, readonly number[]>()
  private readonly others = new Set<string>()
  /** Ids of documents this tab has taken out. */
  private readonly removed = new Set<string>()

  constructor(
    readonly database: LibraryDatabase,
    private readonly rows: Table<Row, string, Row>,
    readonly kind: Kind<Row, Document>,
  ) {}

  /** Reads the first rows in the order of the table: what a screen shows. */
  async readFirst(count: number): Promise<void> {
    await this.passAll(await this.rows.orderBy(this.kind.index).limit(count).toArray())
  }

  /** The ids of all rows, also of those that no index has; what is known of others is forgotten. */
  async ids(): Promise<string[]> {
    const ids = await this.rows.toCollection().primaryKeys()
    const there = new Set(ids)
    for (const id of this.known.keys()) if (!there.has(id)) this.forget(id)
    return ids
  }

  /**
   * Reads rows and takes them through the gate, where they are not known in that very state.
   *
   * @returns whether anything is known that {@link now} has not told yet
   */
  async read(ids: readonly string[]): Promise<boolean> {
    const rows = await this.rows.bulkGet([...ids])
    ids.forEach((id, index) => {
      if (!rows[index]) this.forget(id)
    })
    await this.passAll(rows.flatMap((row) => row ?? []))
    return this.untold
  }

  /** The page's thread is free between them whenever they take long. */
  private async passAll(rows: readonly Row[]): Promise<void> {
    const turn = new Turn()
    const { beside } = this.kind
    const long = rows.filter((row) => !this.isKnown(row) && beside?.isLong(row.document))
    const passed =
      beside && long.length > 0 ? await beside.judge(long.map(({ id }) => id)) : new Map<string, unknown>()
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

  of(id: string): Kept<Row, Document> | undefined {
    return this.known.get(id)?.kept
  }

  /** What is known so far, in the order of the table. */
  now(): { kept: readonly Kept<Row, Document>[]; setAside: SetAside[] } {
    this.untold = false
    this.inOrder ??= [...this.known.values()]
      .flatMap(({ kept }) => kept ?? [])
      .sort((a, b) => this.kind.order(a, b))
    return { kept: this.inOrder, setAside: [...this.known.values()].flatMap(({ aside }) => aside ?? []) }
  }

  /** Everything there is, read now. */
  async all(): Promise<{ kept: readonly Kept<Row, Document>[]; setAside: SetAside[] }> {
    await this.read(await this.ids())
    return this.now()
  }

  /**
   * Applies an edit to what is stored now, which may have been edited elsewhere since it was read.
   *
   * @param history what can be taken back after it, stored with it
   * @throws EditConflict when the same place was, or the document is gone
   */
  async edit(id: string, { changes, after }: DocumentEdit<Document>, now: number, history?: History) {
    const kept = await this.database.transaction('rw', this.rows, this.database.histories, async () => {
      const row = await this.rows.get(id)
      if (!row)
        throw new DocumentGone(
          `the ${this.kind.noun} was deleted ${this.removed.has(id) ? 'here' : 'in another tab'} since`,
        )
      this.notice(row)
      const next = applyChanges(this.current(row), changes)
      if (!next) {
        const where = this.others.has(id) ? 'in another tab' : 'here'
        throw new EditConflict(`the same place was changed ${where} since`)
      }
      const document = after && sameValue(next, after) ? after : next
      const stored = this.kind.packed?.(document) ?? document
      const changed = { ...row, document: stored, updatedAt: now, stamp: stampAfter(row, now) }
      this.noteMine(id, changed.stamp)
      await this.rows.put(changed)
      if (history) await this.database.histories.put({ id: this.historyId(id), ...history })
      return { id, row: changed, document }
    })
    this.know(kept)
    return kept
  }

  /** Changes what belongs to the row and not to the document. */
  async change(id: string, change: Partial<Row>, now: number): Promise<void> {
    await this.database.transaction('rw', this.rows, async () => {
      const row = await this.rows.get(id)
      if (!row) return
      const stamp = stampAfter(row, now)
      this.noteMine(id, stamp)
      await this.rows.put({ ...row, ...change, stamp })
    })
  }

  /**
   * Adds rows, or replaces those of the same id, all of them or none.
   *
   * @param passed their documents, where they have been through the gate: it is not done again here
   */
  async put(rows: readonly Row[], passed: readonly Document[] = []): Promise<void> {
    await this.database.transaction('rw', this.rows, async () => {
      for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
        await this.rows.bulkPut(rows.slice(from, from + ROWS_AT_ONCE))
    })
    // Within a larger transaction nothing is there before that has ended.
    if (isInTransaction()) return
    passed.forEach((document, index) => {
      const row = itemAt(rows, index)
      this.know({ id: row.id, row, document })
    })
  }

  /** Takes a row out. @returns what {@link put} needs to bring it back */
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

  private know(kept: Kept<Row, Document>): void {
    if (import.meta.env.DEV) frozen(kept.document)
    const { id, row } = kept
    const before = this.known.get(id)?.kept
    const stamp: unknown = typeof row.stamp === 'number' ? row.stamp : undefined
    this.known.set(id, { stamp, kept })
    this.untold = true
    const stays = before && this.inOrder && this.kind.order(before, kept) === 0
    this.inOrder = stays ? this.inOrder?.map((each) => (each === before ? kept : each)) : undefined
  }

  private noteMine(id: string, stamp: number): void {
    this.mine.set(id, [...(this.mine.get(id) ?? []).slice(1 - MOST_STAMPS), stamp])
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

  /** What a row holds; what is known of it needs no gate. @throws EditConflict for a document that is none */
  private current(row: Row): Document {
    const known = this.known.get(row.id)
    if (known?.kept && known.stamp === row.stamp) return known.kept.document
    try {
      return this.kind.gate(this.unpacked(row))
    } catch (error) {
      if (error instanceof ProfileError) throw new EditConflict('what is stored cannot be read any more')
      throw error
    }
  }

  /** Notes where a row is in a state that this tab has neither made nor seen. */
  private notice({ id, stamp }: Row): void {
    const known = this.known.get(id)
    if (known && known.stamp !== stamp && !this.isMine(id, stamp)) this.others.add(id)
  }

  /** Whether a row is known as it is, or in a later state: it may have been edited while it waited for its turn. */
  private isKnown({ id, stamp }: Row): boolean {
    const known = this.known.get(id)?.stamp
    return typeof stamp === 'number' && typeof known === 'number' && known >= stamp
  }

  /** A row that has been judged beside the page. */
  private knowAsItIs(row: Row): void {
    this.notice(row)
    // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- the gate of this kind returned it
    if (!this.isKnown(row)) this.know({ id: row.id, row, document: this.unpacked(row) as Document })
  }

  private pass(row: Row): void {
    this.notice(row)
    if (this.isKnown(row)) return
    const stamp = typeof row.stamp === 'number' ? row.stamp : undefined
    try {
      const document = this.kind.gate(this.unpacked(row))
      this.know({ id: row.id, row, document })
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      const { table, noun } = this.kind
      const name = nameIn(this.unpacked(row)) ?? `a ${noun} without a name`
      const aside = { table, id: row.id, name, problems: error.problems, stored: row }
      this.forget(row.id)
      this.untold = true
      this.known.set(row.id, { stamp, aside })
    }
  }
}

const isInTransaction = (): boolean => Boolean(Dexie.currentTransaction)

/** A stamp that no earlier state of the row had. */
export const stampAfter = (row: { stamp?: unknown }, now: number): number =>
  Math.max(now, (typeof row.stamp === 'number' ? row.stamp : 0) + 1)

function nameIn(document: unknown): string | undefined {
  const name =
    typeof document === 'object' && document !== null && 'name' in document ? document.name : undefined
  return typeof name === 'string' && name.trim() !== '' ? name : undefined
}
