import { t } from '../../messages/page'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { QuarantinedDocument } from '../database/documents'
import { useUndoableActions } from './undoable-actions'
import { useLibrary } from './library'
import { useMacros } from './macros'
import { usePalettes } from './palettes'
import { usePrograms } from './programs'
import { useSessions } from './sessions'

/** All unreadable records of the library, of any kind. */
export const useQuarantine = defineStore('set aside', () => {
  const library = useLibrary()
  const macros = useMacros()
  const sessions = useSessions()
  const palettes = usePalettes()
  const programs = usePrograms()
  const deeds = useUndoableActions()
  const list = computed(() => [
    ...library.quarantined,
    ...macros.quarantined,
    ...sessions.quarantined,
    ...palettes.quarantined,
    ...programs.quarantined,
  ])

  async function discard({ table, id, name }: QuarantinedDocument): Promise<void> {
    const tables = {
      profiles: library.library.profiles,
      macros: macros.stored.table,
      sessions: sessions.table,
      palettes: palettes.table,
      programs: programs.table,
    }
    const rows = library.library.database.table<unknown, string>(table)
    const row = await library.attempt(async () => {
      const there = await rows.get(id)
      await tables[table].remove(id)
      return there
    })
    if (row) deeds.sayStored('library', t('stores.wasDeleted', { name }), () => rows.put(row))
  }

  return { list, discard }
})
