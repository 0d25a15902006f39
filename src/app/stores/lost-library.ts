import { defineStore } from 'pinia'
import { shallowRef, toRaw } from 'vue'
import type { DocumentTable } from '../database/documents'
import { APP_RULES_KEY, type StoredDocument } from '../database/library-database'
import { useAppRules } from './app-rules'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { usePalettes } from './palettes'
import { usePrograms } from './programs'
import { useSessions } from './sessions'

/** Documents on a page whose library was deleted. */
export interface HeldLibrary {
  profiles: number
  macros: number
  /** @throws if storage fails; the documents are still held */
  store(): Promise<void>
}

/**
 * Detects a library that was deleted while this page was open, such as by clearing the browser’s data, and holds the
 * page's documents.
 */
export const useLostLibrary = defineStore('lost library', () => {
  const library = useLibrary()
  const macros = useMacros()
  const sessions = useSessions()
  const palettes = usePalettes()
  const programs = usePrograms()
  const rules = useAppRules()
  const { database } = library.library
  const held = shallowRef<HeldLibrary>()

  database.on('versionchange', (event) => {
    // The upgrade by a newer version is not a loss.
    if (event.newVersion === null) held.value = hold()
  })

  /** The known documents of each table, copied so that later events do not affect them. */
  function hold(): HeldLibrary {
    const [heldProfiles, heldMacros] = [rowsOf(library.library.profiles), rowsOf(macros.stored.table)]
    const tables = [
      heldProfiles,
      heldMacros,
      rowsOf(sessions.table),
      rowsOf(palettes.table),
      rowsOf(programs.table),
    ]
    const ruled: unknown = toRaw(rules.stored)
    return {
      profiles: heldProfiles.count,
      macros: heldMacros.count,
      async store() {
        for (const table of tables) await table.store()
        if (ruled !== undefined) await database.marks.put({ key: APP_RULES_KEY, value: ruled })
        held.value = undefined
      },
    }
  }

  const leave = (): void => void (held.value = undefined)

  return { held, leave }
})

/** The known rows of a table, and a function that stores them again. */
function rowsOf<Row extends StoredDocument, Document>(table: DocumentTable<Row, Document>) {
  const rows = table.now().kept.map(({ row }) => row)
  return { count: rows.length, store: () => table.put(rows) }
}
