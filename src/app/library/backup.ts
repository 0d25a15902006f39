import { shallowRef } from 'vue'
import { itemAt } from '../../core/base/items'
import { macrosBroughtInto, refuseCircleWith, withMacroIds } from '../../core/files/profile-file'
import type { ArchivedState, LibraryFile } from '../../core/files/library-file'
import { rename } from '../../core/edits/edits'
import { macrosWithin } from '../../core/document/macro'
import { macrosUsed } from '../../core/terms/profile'
import { sameValue } from '../../core/base/same-value'
import { ProfileError } from '../../core/base/refusal'
import { MOST_NAME_BYTES, type Profile } from '../../core/document/schema'
import type { LibraryEntry } from '../database/library'
import { newReader } from '../beside/beside'
import { stampAfter } from '../database/documents'
import { Turn } from '../database/free-thread'
import {
  RULES_MARK,
  type StoredDocument,
  type StoredProfile,
  type StoredSession,
  type StoredState,
} from '../database/library-database'
import { useAppRules } from '../stores/app-rules'
import { useDeeds } from '../stores/deeds'
import { useDevices } from '../stores/devices'
import { freeNameAmong, useLibrary } from '../stores/library'
import { useMacros } from '../stores/macros'
import { usePalettes } from '../stores/palettes'
import { undoImport } from './undo-import'
import { useUnfinished } from '../stores/unfinished'
import { useSessions } from '../stores/sessions'
import { useStates } from '../stores/states'
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

/** Reads all documents of the library that this tab has not read yet. */
async function readAll(): Promise<void> {
  await Promise.all([useLibrary(), useMacros(), useSessions(), usePalettes()].map((store) => store.readAll()))
}

/** Everything in the library. */
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
    ...(rules && rules.rules.length + rules.otherwise.length > 0 && { rules }),
  }
}

/** Everything in one ZIP, packed beside the page: with what the slots hold and, if it is wanted, earlier states. */
export async function archiveFile(withHistory: boolean): Promise<{ name: string; blob: Blob }> {
  const [library, devices, states] = [useLibrary(), useDevices(), useStates()]
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
  const { worker, reader } = newReader()
  try {
    const packed = await reader.pack(whole, kept, images)
    return { name: 'unisera-library.zip', blob: new Blob([packed], { type: 'application/zip' }) }
  } finally {
    worker.terminate()
  }
}

/** What is to become of a profile that is brought in. */
export type BringChoice = 'take' | 'both' | 'replace' | 'leave'

/** How a profile of a file stands to those that are here. */
export interface BroughtProfile {
  name: string
  model: string
  standing: 'new' | 'same' | 'different'
  /** The one of its name and model that is here, where they differ. */
  hereId?: string
}

/** What is in a backup, held against what is here, before anything is brought in. */
export interface BringPlan {
  name: string
  file: LibraryFile
  states: readonly ArchivedState[]
  profiles: readonly BroughtProfile[]
  broken: readonly { name: string; problems: readonly string[] }[]
}

function standingOf({ name, model, ...rest }: Profile, entries: readonly LibraryEntry[]): BroughtProfile {
  const ofName = entries.filter(({ profile }) => profile.name === name && profile.model === model)
  const same = ofName.some(({ profile }) => sameValue(profile, { name, model, ...rest }))
  return {
    name,
    model,
    standing: same ? 'same' : ofName.length > 0 ? 'different' : 'new',
    ...(!same && ofName.length > 0 && { hereId: itemAt(ofName, 0).id }),
  }
}

interface BroughtRows {
  rows: StoredProfile[]
  /** What stood where one of them comes in its place. */
  replaced: StoredProfile[]
  history: StoredState[]
}

/** Rows of the profiles that are chosen: new ones beside what is here, or in place of one that is. */
async function rowsBrought(
  { file, states, profiles: standings }: BringPlan,
  choices: readonly BringChoice[],
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
  const turn = new Turn()
  for (const [index, { slot, profile: theirs }] of file.profiles.entries()) {
    await turn.next()
    if (choices[index] === 'leave') continue
    const profile = withMacroIds(theirs, ids)
    const hereId = choices[index] === 'replace' ? itemAt(standings, index).hereId : undefined
    const there = hereId === undefined ? undefined : library.library.profiles.of(hereId)
    const taken = namesFor(profile.model)
    const free = there !== undefined || !taken.has(profile.name)
    const name = free ? profile.name : freeNameAmong(taken, profile.name, MOST_NAME_BYTES)
    taken.add(name)
    if (there) brought.replaced.push(there.row)
    const id = there?.id ?? crypto.randomUUID()
    brought.rows.push({
      ...(there?.row ?? { order: last + 1 + index, slot }),
      id,
      updatedAt: now,
      stamp: stampAfter(there?.row ?? {}, now),
      document: rename(profile, name),
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
 * Brings a library in, all that is chosen of it or nothing: profiles as each is chosen, and what is missing of the rest.
 *
 * @param choices one for each profile of the plan
 * @param withRules whether its app rules take the place of those that are here
 * @returns what was done, in words, or undefined when it could not be stored
 * @throws ProfileError for macros that would make a circle with those that are here
 */
async function bringLibrary(
  plan: BringPlan,
  choices: readonly BringChoice[],
  withRules: boolean,
): Promise<string | undefined> {
  const [library, macros, deeds] = [useLibrary(), useMacros(), useDeeds()]
  const [sessions, palettes] = [useSessions(), usePalettes()]
  const { file } = plan
  const { added, ids } = macrosBroughtInto(file.macros, macros.shelf, () => crypto.randomUUID())
  refuseCircleWith(added, macros.shelf)
  const rulesBefore = useAppRules().rules
  const now = Date.now()
  const { rows, replaced, history } = await rowsBrought(plan, choices, ids, now)
  const [logs, colours] = [sessionsBrought(file, now), palettesBrought(file)]
  const { database } = library.library
  const importing = async () => {
    await library.library.together(async () => {
      await macros.stored.put(added, now)
      await library.library.profiles.put(rows)
      await sessions.table.put(logs)
      await palettes.table.put(colours)
      await database.states.bulkPut(history)
      if (withRules && file.rules) await database.marks.put({ key: RULES_MARK, value: file.rules })
    })
    return true
  }
  const stored = await library.attempt(() => useUnfinished().during('import', importing))
  if (!stored) return undefined
  const kept = plan.profiles.filter(({ standing }) => standing === 'same').length
  const text =
    `${counted(rows.length, 'profile')}, ${counted(added.length, 'macro')}, ${counted(logs.length, 'session')} ` +
    `and ${counted(colours.length, 'palette')} ` +
    `were brought in${kept > 0 ? `; ${counted(kept, 'profile')} were here already, the same in everything` : ''}`
  const fresh = rows.filter(({ id }) => !replaced.some((row) => row.id === id))
  const brought = { fresh, replaced, macros: added, logs, palettes: colours, states: history, now }
  const rules = withRules ? rulesBefore : undefined
  deeds.sayStored('library', text, () => undoImport(brought, rules))
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

/** Asks for a backup, tells what is in it, and brings in what is chosen. @param done called when it is in */
export function useBackup(done: () => void = () => {}) {
  const library = useLibrary()
  const { reading, refusal, read, stop } = useReading('library')
  const plan = shallowRef<BringPlan>()

  async function open(file: File): Promise<void> {
    plan.value = undefined
    const found = await read(file)
    if (found?.kind !== 'library') return
    await readAll()
    const profiles: BroughtProfile[] = []
    const turn = new Turn()
    for (const { profile } of found.library.profiles) {
      await turn.next()
      profiles.push(standingOf(profile, library.entries))
    }
    plan.value = {
      name: file.name,
      file: found.library,
      states: found.states ?? [],
      profiles,
      broken: found.broken ?? [],
    }
  }

  async function bring(choices: readonly BringChoice[], withRules: boolean): Promise<void> {
    const asked = plan.value
    if (!asked) return
    try {
      if (!(await bringLibrary(asked, choices, withRules))) return
      done()
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      refusal.value = { file: asked.name, problems: error.problems }
    }
    plan.value = undefined
  }

  const leave = () => (plan.value = undefined)

  return { reading, refusal, plan, open, bring, leave, stop }
}
