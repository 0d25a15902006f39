import { type MessageFact, message } from '../message/message'
import { membersOf } from '../base/tables'
import { strToU8, zipSync, type Zippable } from 'fflate'
import { fileStem } from '../base/names'
import { ProfileError } from '../base/errors'
import type { ArchivedState, LibraryFile } from '../files/library-file'
import { parseAppRules } from '../files/app-rules-file'
import { parseMacro } from '../document/macro'
import { parseProgram } from '../document/program-schema'
import { paletteFromGpl, paletteToGpl } from '../document/palette'
import { rejectCycle } from '../files/profile-file'
import { readJson } from '../files/read-json'
import { parseProfile } from '../document/schema'
import { parseSession } from '../document/session-log'
import { toIntelHex } from '../onboard/intel-hex'
import { unzip } from './zip'

/** A whole library in one file (docs/file-formats.md, "Archive"). */
export interface Archive {
  library: LibraryFile
  states: ArchivedState[]
  /** Unreadable files in it. */
  broken: { name: string; problems: readonly MessageFact[] }[]
}

/** The contents of a slot. */
export interface ArchivedImage {
  model: string
  slot: number
  bytes: Uint8Array
}

const LIMITS = { files: 20_000, fileBytes: 8 << 20, bytes: 128 << 20 }

/** Creates a ZIP of everything, with one document per item. */
export function packArchive(
  library: LibraryFile,
  states: readonly ArchivedState[],
  images: readonly ArchivedImage[],
): Uint8Array<ArrayBuffer> {
  const files: Zippable = {}
  const put = (name: string, content: string) => (files[name] = strToU8(content))
  const json = (value: unknown) => `${JSON.stringify(value, null, 1)}\n`
  const numbered = (index: number, name: string) =>
    `${String(index + 1).padStart(4, '0')}-${fileStem(name, 'unnamed')}`
  library.profiles.forEach(({ slot, profile }, index) => {
    const name = numbered(index, profile.name)
    put(`profiles/${name}.json`, json({ slot, profile }))
    const own = states.filter((state) => state.profile === index)
    if (own.length > 0) put(`history/${name}.json`, json(own.map(({ profile: _, ...state }) => state)))
  })
  library.macros.forEach((macro, index) => put(`macros/${numbered(index, macro.name)}.json`, json(macro)))
  library.sessions.forEach((log, index) => put(`sessions/${numbered(index, log.name)}.json`, json(log)))
  library.palettes.forEach((palette, index) =>
    put(`palettes/${numbered(index, palette.name)}.gpl`, paletteToGpl(palette)),
  )
  library.programs.forEach((program, index) =>
    put(`programs/${numbered(index, program.name)}.json`, json(program)),
  )
  if (library.rules) put('rules.json', json(library.rules))
  for (const { model, slot, bytes } of images) put(`images/${model}-slot-${slot + 1}.hex`, toIntelHex(bytes))
  put('README.txt', readme(library, states.length, images.length))
  // eslint-disable-next-line @typescript-eslint/consistent-type-assertions -- fflate makes a buffer of its own
  return zipSync(files, { level: 9 }) as Uint8Array<ArrayBuffer>
}

const readme = (
  { profiles, macros, sessions, palettes, programs, rules }: LibraryFile,
  states: number,
  images: number,
) => `\
A Unisera library.

profiles/  ${profiles.length}: profiles, each with the slot it is written to
macros/    ${macros.length}: the macros that profiles play
palettes/  ${palettes.length}: colours, as GIMP palettes
programs/  ${programs.length}: programs with their commands
sessions/  ${sessions.length}: recorded sessions of play or work
history/   ${states}: saved versions of profiles
rules.json ${rules ? rules.rules.length : 0}: app rules, which change the slot while a program is in front
images/    ${images}: contents of device slots, as Intel HEX

Import the whole file in Settings. Each document is plain text and can also be opened by itself.
`

/**
 * Reads a ZIP and returns all readable documents, and the names of the unreadable ones.
 *
 * @param onProgress receives the number of documents validated so far
 * @throws ProfileError for a file that is not an archive, is too large, or contains no library
 */
export function readArchive(bytes: Uint8Array, onProgress: (done: number) => void = () => {}): Archive {
  const archive: Archive = {
    library: {
      format: 'unisera-library',
      version: 1,
      profiles: [],
      macros: [],
      sessions: [],
      palettes: [],
      programs: [],
    },
    states: [],
    broken: [],
  }
  const places = new Map<string, number>()
  const files = unzip(bytes, LIMITS).sort((a, b) => Number(isHistory(a.name)) - Number(isHistory(b.name)))
  files.forEach((file, index) => {
    onProgress(index)
    if ('problem' in file) archive.broken.push({ name: file.name, problems: [file.problem] })
    else
      try {
        take(archive, places, file.name, new TextDecoder().decode(file.bytes))
      } catch (error) {
        if (!(error instanceof ProfileError)) throw error
        archive.broken.push({ name: file.name, problems: error.problems })
      }
  })
  const { profiles, macros, sessions, palettes, programs, rules } = archive.library
  const documents = [profiles, macros, sessions, palettes, programs].flat().length
  if (rules === undefined && documents + archive.broken.length === 0)
    throw new ProfileError([message('problems.archiveNoLibrary')])
  rejectCycle(macros)
  return archive
}

const isHistory = (name: string): boolean => name.startsWith('history/')

function take({ library, states }: Archive, places: Map<string, number>, name: string, text: string): void {
  const [folder, file = ''] = name.split('/')
  switch (folder) {
    case 'profiles': {
      const { slot, profile } = membersOf(readJson(text))
      places.set(file, library.profiles.length)
      library.profiles.push({
        slot: typeof slot === 'number' && Number.isInteger(slot) && slot >= 0 && slot < 16 ? slot : 0,
        profile: parseProfile(profile),
      })
      return
    }
    case 'macros':
      return void library.macros.push(parseMacro(readJson(text)))
    case 'sessions':
      return void library.sessions.push(parseSession(readJson(text)))
    case 'palettes':
      return void library.palettes.push(paletteFromGpl(text, 'Palette'))
    case 'programs':
      return void library.programs.push(parseProgram(readJson(text)))
    case 'rules.json':
      library.rules = parseAppRules(readJson(text))
      return
    case 'history': {
      const profile = places.get(file)
      const listed: unknown = readJson(text)
      if (profile === undefined || !Array.isArray(listed))
        throw new ProfileError([message('problems.archiveNoProfile')])
      for (const state of listed) states.push(stateOf(profile, state))
      return
    }
    default:
      return
  }
}

const WHYS = ['written', 'changed', 'day', 'kept'] as const satisfies ArchivedState['why'][]

/** @throws ProfileError */
function stateOf(profile: number, value: unknown): ArchivedState {
  const { at, why, words, document } = membersOf(value)
  const known = WHYS.find((each) => each === why)
  if (typeof at !== 'number' || !Number.isFinite(at) || typeof words !== 'string' || !known)
    throw new ProfileError([message('problems.savedVersion')])
  return { profile, at, why: known, words: words.slice(0, 200), document: parseProfile(document) }
}
