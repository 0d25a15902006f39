import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { SetAside } from '../database/documents'
import { useDeeds } from './deeds'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { usePalettes } from './palettes'
import { useSessions } from './sessions'

/** Every record of the library that did not pass its gate, whatever its kind. */
export const useSetAside = defineStore('set aside', () => {
  const library = useLibrary()
  const macros = useMacros()
  const sessions = useSessions()
  const palettes = usePalettes()
  const deeds = useDeeds()
  const list = computed(() => [
    ...library.setAside,
    ...macros.setAside,
    ...sessions.setAside,
    ...palettes.setAside,
  ])

  async function discard({ table, id, name }: SetAside): Promise<void> {
    const tables = {
      profiles: library.library.profiles,
      macros: macros.stored.table,
      sessions: sessions.table,
      palettes: palettes.table,
    }
    const rows = library.library.database.table<unknown, string>(table)
    const row = await library.attempt(async () => {
      const there = await rows.get(id)
      await tables[table].remove(id)
      return there
    })
    if (row) deeds.sayStored('library', `“${name}” was deleted`, () => rows.put(row))
  }

  return { list, discard }
})
