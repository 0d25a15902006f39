import type { ArchivedState, LibraryFile } from '../../core/files/library-file'
import { macrosWithin } from '../../core/document/macro'
import { macrosUsed } from '../../core/terms/profile'
import type { LibraryEntry } from '../database/library'
import { startReader } from '../workers/validation'
import { useAppRules } from '../stores/app-rules'
import { useDevices } from '../stores/devices'
import { useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import type { Program } from '../../core/document/program'
import { usePrograms } from '../stores/programs'
import { usePalettes } from '../stores/palettes'
import { useSessions } from '../stores/sessions'
import { useSavedVersions } from '../stores/saved-versions'

/** Some profiles in one file, with their macros. */
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
    programs: programsUsed(entries),
  }
  return { name: 'unisera-profiles.json', content: `${JSON.stringify(file, null, 1)}\n` }
}

/** The programs whose commands some profiles refer to. */
function programsUsed(entries: readonly LibraryEntry[]): Program[] {
  const { shelf } = usePrograms()
  const ids = new Set(entries.flatMap(({ profile }) => profile.program ?? []))
  return [...ids].flatMap((id) => shelf.get(id) ?? [])
}

/** Reads all documents of the library that this tab has not read yet. */
export async function readAll(): Promise<void> {
  await Promise.all(
    [useLibrary(), useMacros(), useSessions(), usePalettes(), usePrograms()].map((store) => store.readAll()),
  )
}

/** The whole library. */
export async function readWholeLibrary(): Promise<LibraryFile> {
  await readAll()
  const [library, macros, sessions, palettes] = [useLibrary(), useMacros(), useSessions(), usePalettes()]
  const rules = await useAppRules().readStored()
  return {
    format: 'unisera-library',
    version: 1,
    profiles: library.entries.map(({ slot, profile }) => ({ slot, profile })),
    macros: macros.list,
    sessions: sessions.list.map(({ log }) => log),
    palettes: palettes.kept.map(({ id: _, ...palette }) => palette),
    programs: [...usePrograms().list],
    ...(rules && rules.rules.length + rules.otherwise.length > 0 && { rules }),
  }
}

/**
 * Everything in one ZIP, compressed in parallel to the page: with the contents of the slots and, if wanted, saved
 * versions.
 */
export async function archiveFile(withHistory: boolean): Promise<{ name: string; blob: Blob }> {
  const [library, devices, states] = [useLibrary(), useDevices(), useSavedVersions()]
  const whole = await readWholeLibrary()
  const kept: ArchivedState[] = []
  if (withHistory)
    for (const [profile, { id }] of library.entries.entries())
      for (const state of await states.of(id))
        if ('document' in state) {
          const { at, why, words, document } = state
          kept.push({ profile, at, why, words, document })
        }
  const images = devices.list.flatMap(({ model, slots }) =>
    slots.flatMap(({ bytes }, slot) => (bytes ? [{ model: model.id, slot, bytes }] : [])),
  )
  const { worker, reader } = startReader()
  try {
    const packed = await reader.pack(whole, kept, images)
    return { name: 'unisera-library.zip', blob: new Blob([packed], { type: 'application/zip' }) }
  } finally {
    worker.terminate()
  }
}
