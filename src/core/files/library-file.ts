import type { AppRules } from '../computer/app-rules'
import { parseAppRules } from './app-rules-file'
import { parseMacro, type Macro } from '../document/macro'
import { parsePalette, type Palette } from '../document/palette'
import { eachOf, refuseTwins, within } from './refusals'
import { parseSession, type SessionLog } from '../document/session-log'
import { refuseCircle } from './profile-file'
import { ProfileError } from '../base/refusal'
import { parseProfile, type Profile } from '../document/schema'

/** Everything a library holds, as one file (docs/file-formats.md, "Library"). */
export interface LibraryFile {
  format: 'unisera-library'
  version: 1
  /** In the order of the library, each with the slot it is written to, counted from 0. */
  profiles: { slot: number; profile: Profile }[]
  macros: Macro[]
  sessions: SessionLog[]
  /** None in a file from before there were any. */
  palettes: Palette[]
  /** Left out where there are none. */
  rules?: AppRules
}

/** An earlier state of a profile, as an archive has it. */
export interface ArchivedState {
  /** Of its profile among those of the archive. */
  profile: number
  at: number
  why: 'written' | 'changed' | 'day' | 'kept'
  words: string
  document: Profile
}

/**
 * Takes anything and returns a library, all of it or nothing.
 *
 * @param judged told how many documents and events have been judged so far
 * @throws ProfileError with the first hundred things that are wrong
 */
export function parseLibrary(value: unknown, judged: (done: number) => void = () => {}): LibraryFile {
  if (!isRecord(value) || value.format !== 'unisera-library')
    throw new ProfileError(['this is no library: `format` is not "unisera-library"'])
  if (value.version !== 1) throw new ProfileError(['version: this Unisera reads version 1 of a library'])
  let done = 0
  const list = (name: string): unknown[] => {
    const found = value[name]
    if (!Array.isArray(found)) throw new ProfileError([`${name} is missing: a list, empty for none`])
    return found
  }
  const one = <T>(where: string, act: () => T): T =>
    within(where, () => {
      const made = act()
      judged(++done)
      return made
    })
  const profiles = eachOf(list('profiles'), (entry, index) =>
    one(`profiles[${index}]`, () => {
      if (!isRecord(entry)) throw new ProfileError(['a profile and its slot are due'])
      const { slot } = entry
      if (typeof slot !== 'number' || !Number.isInteger(slot) || slot < 0 || slot > 15)
        throw new ProfileError(['slot: a whole number from 0 is due'])
      return { slot, profile: parseProfile(entry.profile) }
    }),
  )
  const macros = eachOf(list('macros'), (macro, index) => one(`macros[${index}]`, () => parseMacro(macro)))
  const sessions = eachOf(list('sessions'), (log, index) =>
    one(`sessions[${index}]`, () => parseSession(log)),
  )
  const palettes = eachOf(value.palettes === undefined ? [] : list('palettes'), (palette, index) =>
    one(`palettes[${index}]`, () => parsePalette(palette)),
  )
  const rules = value.rules === undefined ? undefined : within('rules', () => parseAppRules(value.rules))
  refuseTwins(macros)
  refuseCircle(macros)
  return {
    format: 'unisera-library',
    version: 1,
    profiles,
    macros,
    sessions,
    palettes,
    ...(rules && { rules }),
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
