import { macrosBroughtInto, refuseCircleWith, withMacroIds } from '../../core/document/profile-file'
import type { LibraryFile } from '../../core/document/library-file'
import { rename } from '../../core/document/edits'
import { macrosWithin } from '../../core/document/macro'
import { macrosUsed } from '../../core/document/profile'
import { sameValue } from '../../core/document/changes'
import { ProfileError } from '../../core/base/refusal'
import { MOST_NAME_BYTES, type Profile } from '../../core/document/schema'
import type { LibraryEntry } from '../database/library'
import { Turn } from '../database/free-thread'
import type { StoredDocument, StoredProfile, StoredSession } from '../database/library-database'
import { useDeeds } from '../stores/deeds'
import { freeNameAmong, useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { useReading } from '../shared/reading'

/** Some profiles in one file, with the macros they play. */
export function profilesFile(entries: readonly LibraryEntry[]): { name: string; content: string } {
  const { shelf } = useMacros()
  const ids = new Set(
    entries.flatMap(({ profile }) =>
      macrosUsed(profile).flatMap((id) => [id, ...macrosWithin(id, shelf).ids]),
    ),
  )
  const file: LibraryFile = {
    format: 'unisera-library',
    version: 1,
    profiles: entries.map(({ slot, profile }) => ({ slot, profile })),
    macros: [...ids].flatMap((id) => shelf.get(id) ?? []),
    sessions: [],
    palettes: [],
  }
  return { name: 'unisera-profiles.json', content: `${JSON.stringify(file, null, 1)}\n` }
}

/** Everything in the library, as a file. */
export function backupFile(): { name: string; content: string } {
  const [library, macros, sessions, palettes] = [useLibrary(), useMacros(), useSessions(), usePalettes()]
  const file: LibraryFile = {
    format: 'unisera-library',
    version: 1,
    profiles: library.entries.map(({ slot, profile }) => ({ slot, profile })),
    macros: macros.list,
    sessions: sessions.list.map(({ log }) => log),
    palettes: palettes.kept.map(({ id: _, ...palette }) => palette),
  }
  return { name: 'unisera-library.json', content: `${JSON.stringify(file, null, 1)}\n` }
}

/**
 * Brings a whole library in beside what is here, all of it or nothing: what is here in the same words is not brought in
 * again, and nothing that is here is changed.
 *
 * @returns what was done, in words, or undefined when it could not be stored
 * @throws ProfileError for macros that would make a circle with those that are here
 */
async function bringLibrary(file: LibraryFile): Promise<string | undefined> {
  const [library, macros, deeds] = [useLibrary(), useMacros(), useDeeds()]
  const [sessions, palettes] = [useSessions(), usePalettes()]
  const { added, ids } = macrosBroughtInto(file.macros, macros.shelf, () => crypto.randomUUID())
  refuseCircleWith(added, macros.shelf)
  const now = Date.now()
  const names = new Set(library.entries.map(({ profile }) => profile.name))
  const here = new Map<string, Profile[]>()
  for (const { profile } of library.entries) {
    const ofName = here.get(profile.name)
    if (ofName) ofName.push(profile)
    else here.set(profile.name, [profile])
  }
  const last = Math.max(0, ...library.entries.map(({ order }) => (Number.isFinite(order) ? order : 0)))
  const profiles: StoredProfile[] = []
  const turn = new Turn()
  for (const [index, { slot, profile: brought }] of file.profiles.entries()) {
    await turn.next()
    const profile = withMacroIds(brought, ids)
    if (here.get(profile.name)?.some((each) => sameValue(each, profile))) continue
    const name = names.has(profile.name) ? freeNameAmong(names, profile.name, MOST_NAME_BYTES) : profile.name
    names.add(name)
    const document = rename(profile, name)
    const id = crypto.randomUUID()
    profiles.push({ id, order: last + 1 + index, updatedAt: now, stamp: now, slot, document })
  }
  const [logs, colours] = [sessionsBrought(file, now), palettesBrought(file)]
  const { database } = library.library
  const tables = [database.profiles, database.macros, database.sessions, database.palettes]
  const stored = await library.attempt(async () => {
    await database.transaction('rw', tables, async () => {
      await macros.stored.put(added, now)
      await library.library.profiles.put(profiles)
      await sessions.table.put(logs)
      await palettes.table.put(colours)
    })
    return true
  })
  if (!stored) return undefined
  const kept = file.profiles.length - profiles.length
  const text =
    `${counted(profiles.length, 'profile')}, ${counted(added.length, 'macro')}, ${counted(logs.length, 'session')} ` +
    `and ${counted(colours.length, 'palette')} ` +
    `were brought in${kept > 0 ? `; ${counted(kept, 'profile')} were here already, the same in everything` : ''}`
  deeds.say('library', text, () =>
    library.attempt(() =>
      database.transaction('rw', tables, async () => {
        for (const { id } of profiles) await library.library.profiles.remove(id)
        for (const { id } of added) await macros.stored.remove(id)
        for (const { id } of logs) await sessions.table.remove(id)
        for (const { id } of colours) await palettes.table.remove(id)
      }),
    ),
  )
  return text
}

/** Rows of those sessions that are not here in the same words. */
const sessionsBrought = ({ sessions }: LibraryFile, now: number): StoredSession[] =>
  sessions
    .filter((log) => !useSessions().list.some((each) => sameValue(each.log, log)))
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
    .filter((palette) => !kept.some(({ id: _, ...own }) => sameValue(own, palette)))
    .map((palette) => rowOf(palette))
}

const counted = (count: number, noun: string): string => `${count} ${count === 1 ? noun : `${noun}s`}`

/** Asks for a backup and brings it in. @param done called when it is in */
export function useBackup(done: () => void = () => {}) {
  const { reading, refusal, read, stop } = useReading('library')

  async function bring(file: File): Promise<void> {
    const found = await read(file)
    if (found?.kind !== 'library') return
    try {
      if (await bringLibrary(found.library)) done()
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      refusal.value = { file: file.name, problems: error.problems }
    }
  }

  return { reading, refusal, bring, stop }
}
