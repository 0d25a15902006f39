import { parseMacro, type Macro } from '../../core/document/macro'
import { changesBetween, pieceBetween, type Change } from '../../core/edits/changes'
import { LONG_MACRO, packed, unpacked } from '../../core/document/packed'
import { DocumentTable, stampAfter, type SetAside } from './documents'
import type { LibraryDatabase, StoredMacro } from './library-database'

/** The macros of the library over its database. Every call happens whole or not at all. */
export class MacroLibrary {
  readonly table: DocumentTable<StoredMacro, Macro>

  /** @param judge judges long macros beside the page; see {@link DocumentTable} */
  constructor(
    database: LibraryDatabase,
    judge?: (database: string, ids: readonly string[]) => Promise<ReadonlyMap<string, unknown>>,
  ) {
    this.table = new DocumentTable(database, database.macros, {
      table: 'macros',
      index: 'id',
      noun: 'macro',
      gate: parseMacro,
      packed,
      unpacked,
      order: (a, b) => nameOrder().compare(a.document.name, b.document.name),
      ...(judge && { beside: { isLong, judge: (ids: readonly string[]) => judge(database.name, ids) } }),
    })
  }

  async contents(): Promise<{ macros: Macro[]; setAside: SetAside[] }> {
    const { kept, setAside } = await this.table.all()
    return { macros: kept.map(({ document }) => document), setAside }
  }

  /** Adds macros, or replaces those of the same id, all of them or none. */
  async put(macros: readonly Macro[], now: number): Promise<void> {
    await this.table.put(
      macros.map((document) => ({
        id: document.id,
        updatedAt: now,
        stamp: stampAfter(this.table.of(document.id)?.row ?? {}, now),
        document: packed(document),
      })),
      macros,
    )
  }

  /** @returns what {@link putBack} needs to undo it */
  remove(id: string): Promise<StoredMacro | undefined> {
    return this.table.remove(id)
  }

  async putBack(row: StoredMacro): Promise<void> {
    await this.table.put([{ ...row, stamp: stampAfter(row, Date.now()) }])
  }
}

/** A long one that an earlier version stored is none of text. */
function isLong(stored: unknown): boolean {
  const events: unknown = Reflect.get(Object(stored), 'events')
  return typeof stored === 'string' || (Array.isArray(events) && events.length > LONG_MACRO)
}

let collator: Intl.Collator | undefined
/** Made when names are first ordered: a browser takes a while over its first. */
const nameOrder = (): Intl.Collator => (collator ??= new Intl.Collator())

/** What turns one state of a macro into another: of its events the one piece that differs. */
export function macroChanges(before: Macro, after: Macro): Change[] {
  const { events: from, ...head } = before
  const { events: to, ...newHead } = after
  return [...changesBetween(head, newHead), ...(from === to ? [] : pieceBetween(from, to, ['events']))]
}
