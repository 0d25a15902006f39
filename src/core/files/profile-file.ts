import {
  findCycle,
  EMPTY_SHELF,
  macrosWithin,
  parseMacro,
  shelfOf,
  type Macro,
  type MacroShelf,
} from '../document/macro'
import { rejectDuplicateIds } from './file-problems'
import { macrosUsed } from '../terms/profile'
import { parseProfile, ProfileError, type Profile } from '../document/schema'
import { factList, message, type MessageFact } from '../message/message'

/** A profile as a file (docs/file-formats.md): the document with the macros that it plays. */
export interface ProfileFile {
  profile: Profile
  macros: Macro[]
}

/**
 * Validates any value as a profile with its macros.
 *
 * @throws ProfileError with all problems
 */
export function readProfileFile(
  value: unknown,
  onProgress: (events: number) => void = () => {},
): ProfileFile {
  if (typeof value !== 'object' || value === null || !('macros' in value))
    return { profile: parseProfile(value), macros: [] }
  const { macros, ...document } = value
  if (!Array.isArray(macros)) throw new ProfileError([message('problems.macrosMissing')])
  const problems: MessageFact[] = []
  const collect = <T>(where: string, act: () => T): T | undefined => {
    try {
      return act()
    } catch (error) {
      if (!(error instanceof ProfileError)) throw error
      problems.push(
        ...error.problems.map((problem) =>
          where === '' ? problem : message('problems.at', { place: where, problem }),
        ),
      )
      return undefined
    }
  }
  const profile = collect('', () => parseProfile(document))
  let before = 0
  const read = macros.flatMap((value: unknown, index) => {
    const macro = collect(`macros[${index}]`, () =>
      parseMacro(value, (events) => onProgress(before + events)),
    )
    before += macro?.events.length ?? 0
    return macro ?? []
  })
  if (problems.length > 0 || !profile) throw new ProfileError(problems)
  rejectDuplicateIds(read)
  rejectCycle(read)
  return { profile, macros: read }
}

/** @throws ProfileError for macros that play each other in a circle, bound or not */
export function rejectCycle(macros: readonly Macro[], library: MacroShelf = EMPTY_SHELF): void {
  const shelf = new Map([...library, ...shelfOf(macros)])
  const circle = findCycle(shelf.keys(), shelf)
  if (!circle) return
  const names = [...new Set(circle)].map((id) => shelf.get(id)?.name ?? id)
  throw new ProfileError([
    names.length > 1
      ? message('problems.cycle', { macros: factList(names) })
      : message('problems.selfCycle', { macro: names[0] ?? '' }),
  ])
}

/** Detects a circle that macros form together with those of the library. @throws ProfileError */
export function rejectCycleWith(macros: readonly Macro[], library: ReadonlyMap<string, Macro>): void {
  if (
    macros.length > 0 &&
    findCycle(
      macros.map(({ id }) => id),
      new Map([...library, ...shelfOf(macros)]),
    )
  )
    rejectCycle(macros, library)
}

/** The document of a file: the profile with the macros that it plays, directly or through others. */
export function profileDocument(profile: Profile, shelf: MacroShelf): Profile & { macros?: Macro[] } {
  const ids = new Set(macrosUsed(profile).flatMap((id) => [id, ...macrosWithin(id, shelf).ids]))
  const macros = [...ids].flatMap((id) => shelf.get(id) ?? [])
  return macros.length > 0 ? { ...profile, macros } : profile
}
