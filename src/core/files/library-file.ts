import type { AppRules } from '../computer/app-rules'
import { parseAppRules } from './app-rules-file'
import { parseMacro, type Macro } from '../document/macro'
import { parsePalette, type Palette } from '../document/palette'
import { parseProgram } from '../document/program-schema'
import { type Program } from '../document/program'
import { collectResults, rejectDuplicateIds, prefixProblems } from './file-problems'
import { parseSession, type SessionLog } from '../document/session-log'
import { rejectCycle } from './profile-file'
import { ProfileError } from '../base/errors'
import { parseProfile, type Profile } from '../document/schema'
import { message } from '../message/message'

/** A whole library as one file (docs/file-formats.md, "Library"). */
export interface LibraryFile {
  format: 'unisera-library'
  version: 1
  /** In the order of the library, each with its slot counted from 0. */
  profiles: { slot: number; profile: Profile }[]
  macros: Macro[]
  sessions: SessionLog[]
  /** Missing in files from earlier versions. */
  palettes: Palette[]
  /** Missing in files from earlier versions. */
  programs: Program[]
  /** Omitted if there are none. */
  rules?: AppRules
}

/** A saved version of a profile in an archive. */
export interface ArchivedState {
  /** Id of its profile in the archive. */
  profile: number
  at: number
  why: 'written' | 'changed' | 'day' | 'kept'
  words: string
  document: Profile
}

/**
 * Validates any value as a library, completely or not at all.
 *
 * @param onProgress receives the number of documents and events validated so far
 * @throws ProfileError with the first hundred problems
 */
export function parseLibrary(value: unknown, onProgress: (done: number) => void = () => {}): LibraryFile {
  if (!isRecord(value) || value.format !== 'unisera-library')
    throw new ProfileError([message('problems.notLibrary')])
  if (value.version !== 1) throw new ProfileError([message('problems.libraryVersion')])
  let done = 0
  const list = (name: string): unknown[] => {
    const found = value[name]
    if (!Array.isArray(found)) throw new ProfileError([message('problems.listMissing', { name })])
    return found
  }
  const one = <T>(where: string, act: () => T): T =>
    prefixProblems(where, () => {
      const made = act()
      onProgress(++done)
      return made
    })
  const profiles = collectResults(list('profiles'), (entry, index) =>
    one(`profiles[${index}]`, () => {
      if (!isRecord(entry)) throw new ProfileError([message('problems.profileAndSlot')])
      const { slot } = entry
      if (typeof slot !== 'number' || !Number.isInteger(slot) || slot < 0 || slot > 15)
        throw new ProfileError([message('problems.slotInteger')])
      return { slot, profile: parseProfile(entry.profile) }
    }),
  )
  const macros = collectResults(list('macros'), (macro, index) =>
    one(`macros[${index}]`, () => parseMacro(macro)),
  )
  const sessions = collectResults(list('sessions'), (log, index) =>
    one(`sessions[${index}]`, () => parseSession(log)),
  )
  const palettes = collectResults(value.palettes === undefined ? [] : list('palettes'), (palette, index) =>
    one(`palettes[${index}]`, () => parsePalette(palette)),
  )
  const programs = collectResults(value.programs === undefined ? [] : list('programs'), (program, index) =>
    one(`programs[${index}]`, () => parseProgram(program)),
  )
  const rules =
    value.rules === undefined ? undefined : prefixProblems('rules', () => parseAppRules(value.rules))
  rejectDuplicateIds(macros)
  rejectCycle(macros)
  return {
    format: 'unisera-library',
    version: 1,
    profiles,
    macros,
    sessions,
    palettes,
    programs,
    ...(rules && { rules }),
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
