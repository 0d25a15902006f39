import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { toRaw } from 'vue'
import { RULES_MARK } from '../database/library-database'
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
    const kept = [
      [library.library.profiles, library.library.profiles.now().kept],
      [macros.stored.table, macros.stored.table.now().kept],
      [sessions.table, sessions.table.now().kept],
      [palettes.table, palettes.table.now().kept],
    ] as const
    const ruled: unknown = toRaw(rules.stored)
    return {
      profiles: kept[0][1].length,
      macros: kept[1][1].length,
      async store() {
        // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- each table gets the rows that were read from it
        for (const [table, rows] of kept) await table.put(rows.map(({ row }) => row) as never)
        if (ruled !== undefined) await database.marks.put({ key: RULES_MARK, value: ruled })
        held.value = undefined
      },
    }
  }

  const leave = (): void => void (held.value = undefined)

  return { held, leave }
})
