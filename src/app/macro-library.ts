import Dexie from 'dexie'
import { parseMacro, type Macro } from '../core/macro/macro'
import { ProfileError } from '../core/profile/schema'
import { EditConflict, nameIn } from './library'
import type { LibraryDatabase, StoredMacro } from './library-database'

export interface MacroContents {
  macros: { macro: Macro; updatedAt: number }[]
  /** Documents that did not pass their gate: kept as they are. */
  setAside: { id: string; name: string; problems: string[] }[]
}

/** The macros of the library over its database. Every call happens whole or not at all. */
export class MacroLibrary {
  /** What passed the gate, by id and state: a live query reads everything again after each edit. */
  private readonly passed = new Map<string, { updatedAt: number; macro: Macro }>()

  constructor(private readonly database: LibraryDatabase) {}

  async contents(): Promise<MacroContents> {
    const contents: MacroContents = { macros: [], setAside: [] }
    for (const [id, updatedAt] of await this.states()) {
      const known = this.passed.get(id)
      if (known?.updatedAt === updatedAt) {
        contents.macros.push({ ...known })
        continue
      }
      const row = await this.database.macros.get(id)
      if (!row) continue
      try {
        contents.macros.push({ macro: this.passedOf(row), updatedAt: row.updatedAt })
      } catch (error) {
        if (!(error instanceof ProfileError)) throw error
        contents.setAside.push({ id: row.id, name: nameIn(row.document), problems: error.problems })
      }
    }
    contents.macros.sort((a, b) => a.macro.name.localeCompare(b.macro.name))
    return contents
  }

  /** Which macros there are in which state, from the index alone: long ones are read only when they changed. */
  private async states(): Promise<[id: string, updatedAt: number][]> {
    const keys: unknown = await this.database.macros.orderBy('[id+updatedAt]').keys()
    return keys as [string, number][]
  }

  /** The time of a macro's state, from the index alone. */
  private async stateOf(id: string): Promise<number | undefined> {
    const states = this.database.macros.where('[id+updatedAt]')
    const keys: unknown = await states.between([id, Dexie.minKey], [id, Dexie.maxKey]).keys()
    return (keys as [string, number][])[0]?.[1]
  }

  private passedOf({ id, updatedAt, document }: StoredMacro): Macro {
    const macro = parseMacro(document)
    this.passed.set(id, { updatedAt, macro })
    return macro
  }

  /** Adds macros, or replaces those of the same id, all of them or none. */
  async put(macros: readonly Macro[], now: number): Promise<void> {
    await this.database.macros.bulkPut(
      macros.map((document) => ({ id: document.id, updatedAt: now, document })),
    )
  }

  /**
   * Stores an edit of a macro.
   *
   * @param based the state that was edited, by its time
   * @returns the time of the new state
   * @throws EditConflict when another tab has stored another state since
   */
  async edit(macro: Macro, based: number, now: number): Promise<number> {
    return this.database.transaction('rw', this.database.macros, async () => {
      const stored = await this.stateOf(macro.id)
      if (stored === undefined) throw new EditConflict('The macro was deleted in another tab')
      if (stored !== based) throw new EditConflict('The macro was changed in another tab since')
      const updatedAt = Math.max(now, based + 1)
      await this.database.macros.put({ id: macro.id, updatedAt, document: macro })
      this.passed.set(macro.id, { updatedAt, macro })
      return updatedAt
    })
  }

  /** @returns what {@link putBack} needs to undo it */
  async remove(id: string): Promise<StoredMacro | undefined> {
    return this.database.transaction('rw', this.database.macros, async () => {
      const row = await this.database.macros.get(id)
      await this.database.macros.delete(id)
      return row
    })
  }

  async putBack(row: StoredMacro): Promise<void> {
    await this.database.macros.put(row)
  }
}
