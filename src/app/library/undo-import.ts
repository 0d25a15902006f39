import type { AppRules } from '../../core/computer/app-rules'
import { nextStamp } from '../database/documents'
import { APP_RULES_KEY, type StoredProfile } from '../database/library-database'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { usePrograms } from '../stores/programs'
import { useSessions } from '../stores/sessions'

type Ids = readonly { id: string }[]

/** Everything an import has added, and the profiles it replaced. */
export interface Imported {
  fresh: Ids
  replaced: readonly StoredProfile[]
  macros: Ids
  logs: Ids
  palettes: Ids
  programs: Ids
  states: Ids
  /** Time of the import, in ms since 1970. */
  now: number
}

/**
 * Removes everything an import has added, and restores what it replaced; completely or not at all.
 *
 * @param rules the app rules it replaced, if any
 */
export async function undoImport(imported: Imported, rules: AppRules | undefined): Promise<void> {
  const { fresh, replaced, macros, logs, palettes, programs, states, now } = imported
  const { library } = useLibrary()
  const { database, profiles } = library
  const removals = [
    { table: profiles, ids: fresh },
    { table: useMacros().stored.table, ids: macros },
    { table: useSessions().table, ids: logs },
    { table: usePalettes().table, ids: palettes },
    { table: usePrograms().table, ids: programs },
  ].map(({ table, ids }) => ({ table, ids: ids.map(({ id }) => id) }))
  await library.together(async () => {
    for (const { table, ids } of removals) for (const id of ids) await table.remove(id)
    await profiles.put(replaced.map((row) => ({ ...row, stamp: nextStamp({ stamp: now }, Date.now()) })))
    await database.states.bulkDelete(states.map(({ id }) => id))
    if (rules) await database.marks.put({ key: APP_RULES_KEY, value: rules })
  })
}
