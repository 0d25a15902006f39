import { parseMacro, type Macro } from '../../core/document/macro'
import { changesBetween, arrayChange, type Change } from '../../core/edits/changes'
import { LONG_MACRO, packMacro, unpackMacro } from '../../core/document/packed-macro'
import { DocumentTable, nextStamp, type QuarantinedDocument } from './documents'
import type { LibraryDatabase, StoredMacro } from './library-database'

/** The macros in the library's database. Every call is completed or has no effect. */
export class MacroLibrary {
  readonly table: DocumentTable<StoredMacro, Macro>

  /** @param validate validates long macros in parallel to the page; see {@link DocumentTable} */
  constructor(
    database: LibraryDatabase,
    validate?: (database: string, ids: readonly string[]) => Promise<ReadonlyMap<string, unknown>>,
  ) {
    this.table = new DocumentTable(database, database.macros, {
      table: 'macros',
      index: 'id',
      parse: parseMacro,
      packed: packMacro,
      unpacked: unpackMacro,
      order: (a, b) => nameOrder().compare(a.document.name, b.document.name),
      ...(validate && {
        inWorker: { isLong, validate: (ids: readonly string[]) => validate(database.name, ids) },
      }),
    })
  }

  async contents(): Promise<{ macros: Macro[]; quarantined: QuarantinedDocument[] }> {
    const { kept, quarantined } = await this.table.all()
    return { macros: kept.map(({ document }) => document), quarantined }
  }

  /** Adds or replaces macros, all or none. */
  async put(macros: readonly Macro[], now: number): Promise<void> {
    await this.table.put(
      macros.map((document) => ({
        id: document.id,
        updatedAt: now,
        stamp: nextStamp(this.table.of(document.id)?.row ?? {}, now),
        document: packMacro(document),
      })),
      macros,
    )
  }

  /** @returns what {@link restoreDeleted} needs to undo it */
  remove(id: string): Promise<StoredMacro | undefined> {
    return this.table.remove(id)
  }

  async restoreDeleted(row: StoredMacro): Promise<void> {
    await this.table.put([{ ...row, stamp: nextStamp(row, Date.now()) }])
  }
}

/** A long macro from an earlier version is not stored as text. */
function isLong(stored: unknown): boolean {
  const events: unknown = Reflect.get(Object(stored), 'events')
  return typeof stored === 'string' || (Array.isArray(events) && events.length > LONG_MACRO)
}

let collator: Intl.Collator | undefined
/** Created when names are first sorted: a browser takes long to create its first. */
const nameOrder = (): Intl.Collator => (collator ??= new Intl.Collator())

/** The difference between two states of a macro: the one part of its events that differs. */
export function macroChanges(before: Macro, after: Macro): Change[] {
  const { events: from, ...head } = before
  const { events: to, ...newHead } = after
  return [...changesBetween(head, newHead), ...(from === to ? [] : arrayChange(from, to, ['events']))]
}
