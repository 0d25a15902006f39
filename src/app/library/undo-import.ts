import type { AppRules } from '../../core/computer/app-rules'
import { stampAfter } from '../database/documents'
import { RULES_MARK, type StoredProfile } from '../database/library-database'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'

type Ids = readonly { id: string }[]

/** What an import has added, and the profiles whose place some of it has taken. */
export interface Imported {
  fresh: Ids
  replaced: readonly StoredProfile[]
  macros: Ids
  logs: Ids
  palettes: Ids
  states: Ids
  /** When it was imported, in ms since 1970. */
  now: number
}

/**
 * Removes all that an import has added, and restores what it replaced; all of it or nothing.
 *
 * @param rules the app rules it replaced, where it did
 */
export async function undoImport(imported: Imported, rules: AppRules | undefined): Promise<void> {
  const { fresh, replaced, macros, logs, palettes, states, now } = imported
  const { library } = useLibrary()
  const { database, profiles } = library
  const removals = [
    { table: profiles, ids: fresh },
    { table: useMacros().stored.table, ids: macros },
    { table: useSessions().table, ids: logs },
    { table: usePalettes().table, ids: palettes },
  ].map(({ table, ids }) => ({ table, ids: ids.map(({ id }) => id) }))
  await library.together(async () => {
    for (const { table, ids } of removals) for (const id of ids) await table.remove(id)
    await profiles.put(replaced.map((row) => ({ ...row, stamp: stampAfter({ stamp: now }, Date.now()) })))
    await database.states.bulkDelete(states.map(({ id }) => id))
    if (rules) await database.marks.put({ key: RULES_MARK, value: rules })
  })
}
