import { t } from '../../messages/page'
import { itemAt } from '../../core/base/items'
import { importMacros, withMacroIds } from '../../core/files/import-profile'
import { rejectCycleWith } from '../../core/files/profile-file'
import type { LibraryFile } from '../../core/files/library-file'
import { renameProfile } from '../../core/edits/edits'
import { deepEqual } from '../../core/base/deep-equal'
import { MAX_NAME_BYTES } from '../../core/document/schema'
import { nextStamp } from '../database/documents'
import { yieldThread, TimeSlice } from '../database/yield-thread'
import {
  APP_RULES_KEY,
  type StoredDocument,
  type StoredProfile,
  type StoredSession,
  type StoredState,
} from '../database/library-database'
import { useAppRules } from '../stores/app-rules'
import { useUndoableActions } from '../stores/undoable-actions'
import { unusedName, useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePrograms } from '../stores/programs'
import { usePalettes } from '../stores/palettes'
import { undoImport } from './undo-import'
import { useUnfinishedWork } from '../stores/unfinished'
import { useSessions } from '../stores/sessions'
import type { ImportChoice, ImportPlan } from './import-plan'

interface BroughtRows {
  rows: StoredProfile[]
  /** The previous rows of profiles that are replaced. */
  replaced: StoredProfile[]
  history: StoredState[]
}

/** Rows of the selected profiles: new ones, and ones that replace an existing profile. */
async function rowsBrought(
  { file, states, profiles: standings }: ImportPlan,
  choices: readonly ImportChoice[],
  ids: ReadonlyMap<string, string>,
  now: number,
): Promise<BroughtRows> {
  const library = useLibrary()
  const names = new Map<string, Set<string>>()
  const namesFor = (model: string) => {
    const known = names.get(model) ?? library.namesFor(model)
    names.set(model, known)
    return known
  }
  const last = Math.max(0, ...library.entries.map(({ order }) => (Number.isFinite(order) ? order : 0)))
  const brought: BroughtRows = { rows: [], replaced: [], history: [] }
  const turn = new TimeSlice()
  for (const [index, { slot, profile: theirs }] of file.profiles.entries()) {
    await turn.next()
    if (choices[index] === 'leave') continue
    const profile = withMacroIds(theirs, ids)
    const hereId = choices[index] === 'replace' ? itemAt(standings, index).hereId : undefined
    const there = hereId === undefined ? undefined : library.library.profiles.of(hereId)
    const taken = namesFor(profile.model)
    const free = there !== undefined || !taken.has(profile.name)
    const name = free ? profile.name : unusedName(taken, profile.name, MAX_NAME_BYTES)
    taken.add(name)
    if (there) brought.replaced.push(there.row)
    const id = there?.id ?? crypto.randomUUID()
    brought.rows.push({
      ...(there?.row ?? { order: last + 1 + index, slot }),
      id,
      updatedAt: now,
      stamp: nextStamp(there?.row ?? {}, now),
      document: renameProfile(profile, name),
    })
    for (const { profile: of, document, ...state } of there ? [] : states)
      if (of === index)
        brought.history.push({
          ...state,
          id: crypto.randomUUID(),
          profile: id,
          bytes: JSON.stringify(document).length,
          document: withMacroIds(document, ids),
        })
  }
  return brought
}

/**
 * Imports a backup, completely or not at all: the selected profiles, and everything else that the library does not have
 * yet.
 *
 * @param choices one for each profile of the plan
 * @param withRules whether its app rules replace the existing ones
 * @returns whether it was stored
 * @throws ProfileError if its macros would play each other in a circle together with existing ones
 */
export async function importLibrary(
  plan: ImportPlan,
  choices: readonly ImportChoice[],
  withRules: boolean,
): Promise<boolean> {
  const [library, macros, deeds] = [useLibrary(), useMacros(), useUndoableActions()]
  const [sessions, palettes, programs] = [useSessions(), usePalettes(), usePrograms()]
  const { file } = plan
  // The button reacts first.
  await yieldThread()
  const { added, ids } = importMacros(file.macros, macros.shelf, () => crypto.randomUUID())
  rejectCycleWith(added, macros.shelf)
  const rulesBefore = useAppRules().rules
  const now = Date.now()
  const { rows, replaced, history } = await rowsBrought(plan, choices, ids, now)
  const [logs, colours, listed] = [
    sessionsBrought(file, now),
    palettesBrought(file),
    programsBrought(file, now),
  ]
  const { database } = library.library
  const importing = async () => {
    await library.library.together(async () => {
      await macros.stored.put(added, now)
      await library.library.profiles.put(rows)
      await sessions.table.put(logs)
      await palettes.table.put(colours)
      await programs.table.put(listed)
      await database.states.bulkPut(history)
      if (withRules && file.rules) await database.marks.put({ key: APP_RULES_KEY, value: file.rules })
    })
    return true
  }
  const stored = await library.attempt(() => useUnfinishedWork().during('import', importing))
  if (!stored) return false
  const text = importedText(plan, {
    profiles: rows.length,
    macros: added.length,
    sessions: logs.length,
    palettes: colours.length,
  })
  const fresh = rows.filter(({ id }) => !replaced.some((row) => row.id === id))
  const brought = {
    fresh,
    replaced,
    macros: added,
    logs,
    palettes: colours,
    programs: listed,
    states: history,
    now,
  }
  const rules = withRules ? rulesBefore : undefined
  await yieldThread()
  deeds.sayStored('library', text, () => undoImport(brought, rules))
  // The notification is shown in one task, and the waiting view in the next one.
  await yieldThread()
  return true
}

/** What an import did, for its notification. */
function importedText(
  { profiles }: ImportPlan,
  counts: Record<'profiles' | 'macros' | 'sessions' | 'palettes', number>,
): string {
  const kept = profiles.filter(({ standing }) => standing === 'same').length
  const imported = {
    profiles: t('library.profile2', { count: counts.profiles }),
    macros: t('library.macro', { count: counts.macros }),
    sessions: t('library.session', { count: counts.sessions }),
    palettes: t('library.palette', { count: counts.palettes }),
  }
  return kept > 0
    ? t('library.andWereImportedWereAlreadyHereAnd', {
        ...imported,
        kept: t('library.profile2', { count: kept }),
      })
    : t('library.andWereImported', imported)
}

/** Rows of the sessions that the library does not have yet. */
const sessionsBrought = ({ sessions }: LibraryFile, now: number): StoredSession[] =>
  sessions
    .filter((log) => !useSessions().list.some((each) => deepEqual(each.log, log)))
    .map((log) => ({
      id: crypto.randomUUID(),
      startedAt: log.startedAt,
      updatedAt: now,
      stamp: now,
      document: log,
    }))

const palettesBrought = ({ palettes: brought }: LibraryFile): StoredDocument[] => {
  const { kept, rowOf } = usePalettes()
  return brought
    .filter((palette) => !kept.some(({ id: _, ...own }) => deepEqual(own, palette)))
    .map((palette) => rowOf(palette))
}

/** Rows of the programs that the library does not have yet; one that it has is kept, and profiles refer to it. */
const programsBrought = ({ programs }: LibraryFile, now: number): StoredDocument[] =>
  programs
    .filter(({ id }) => !usePrograms().shelf.has(id))
    .map((document) => ({ id: document.id, stamp: now, updatedAt: now, document }))
