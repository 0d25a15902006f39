import { defineStore } from 'pinia'
import { shallowRef, toRaw } from 'vue'
import type { DocumentTable } from '../database/documents'
import { RULES_MARK, type StoredDocument } from '../database/library-database'
import { useAppRules } from './app-rules'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { usePalettes } from './palettes'
import { useSessions } from './sessions'

/** What a page held when the library was deleted under it. */
export interface HeldLibrary {
  profiles: number
  macros: number
  /** @throws where storage refuses; then it is still held */
  store(): Promise<void>
}

/** A library that was deleted while this page was open, such as by clearing the browser’s data: what the page still holds. */
export const useLostLibrary = defineStore('lost library', () => {
  const library = useLibrary()
  const macros = useMacros()
  const sessions = useSessions()
  const palettes = usePalettes()
  const rules = useAppRules()
  const { database } = library.library
  const held = shallowRef<HeldLibrary>()

  database.on('versionchange', (event) => {
    // A newer version that opens the library is no loss.
    if (event.newVersion === null) held.value = hold()
  })

  /** What is known of each table now, so that nothing that happens later takes it away. */
  function hold(): HeldLibrary {
    const [heldProfiles, heldMacros] = [rowsOf(library.library.profiles), rowsOf(macros.stored.table)]
    const tables = [heldProfiles, heldMacros, rowsOf(sessions.table), rowsOf(palettes.table)]
    const ruled: unknown = toRaw(rules.stored)
    return {
      profiles: heldProfiles.count,
      macros: heldMacros.count,
      async store() {
        for (const table of tables) await table.store()
        if (ruled !== undefined) await database.marks.put({ key: RULES_MARK, value: ruled })
        held.value = undefined
      },
    }
  }

  const leave = (): void => void (held.value = undefined)

  return { held, leave }
})

/** The rows of a table as they are known now, and how to store them again. */
function rowsOf<Row extends StoredDocument, Document>(table: DocumentTable<Row, Document>) {
  const rows = table.now().kept.map(({ row }) => row)
  return { count: rows.length, store: () => table.put(rows) }
}
