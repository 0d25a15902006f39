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
import { deepEqual } from '../base/deep-equal'
import { macrosUsed } from '../terms/profile'
import type { Action } from '../document/action-schema'
import { parseProfile, ProfileError, type Binding, type Profile } from '../document/schema'
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

/** The same profile with other ids of macros. */
export function withMacroIds(profile: Profile, ids: ReadonlyMap<string, string>): Profile {
  const one = (id: string) => ids.get(id) ?? id
  const single = <Each extends Action>(action: Each): Each => {
    if (action.kind === 'macro') return { ...action, macro: one(action.macro) }
    if (action.kind !== 'macro-parts') return action
    const { press, held, release } = action
    return {
      ...action,
      ...(press !== undefined && { press: one(press) }),
      ...(held !== undefined && { held: one(held) }),
      ...(release !== undefined && { release: one(release) }),
    }
  }
  const whole = (action: Action): Action =>
    action.kind === 'tap-hold'
      ? { ...action, tap: single(action.tap), hold: single(action.hold) }
      : single(action)
  const bound = (binding: Binding): Binding => ({ ...binding, action: whole(binding.action) })
  return {
    ...profile,
    layers: profile.layers.map((layer) => ({
      ...layer,
      bindings: Object.fromEntries(
        Object.entries(layer.bindings).map(([id, binding]) => [id, bound(binding)]),
      ),
    })),
  }
}

/**
 * Prepares macros for a library: a macro that already exists with the same content is reused, and one whose id is in
 * use gets a new id.
 *
 * @returns the macros to add, and the changed ids
 */
export function importMacros(
  macros: readonly Macro[],
  shelf: MacroShelf,
  newId: () => string,
): { added: Macro[]; ids: ReadonlyMap<string, string> } {
  const ids = new Map<string, string>()
  const added = macros.filter((macro) => {
    const same = [...shelf.values()].find(
      (each) => each.name === macro.name && deepEqual(each.events, macro.events),
    )
    if (same) ids.set(macro.id, same.id)
    else if (shelf.has(macro.id)) ids.set(macro.id, newId())
    return !same
  })
  const renamed = added.map((macro) => ({
    ...macro,
    id: ids.get(macro.id) ?? macro.id,
    events: macro.events.some(({ kind }) => kind === 'macro')
      ? macro.events.map((event) =>
          event.kind === 'macro' ? { ...event, macro: ids.get(event.macro) ?? event.macro } : event,
        )
      : macro.events,
  }))
  return { added: renamed, ids }
}

/** The same for the macros of a profile's file. @returns the profile, and the macros to add */
export function importProfile(
  { profile, macros }: ProfileFile,
  shelf: MacroShelf,
  newId: () => string,
): ProfileFile {
  const { added, ids } = importMacros(macros, shelf, newId)
  return { profile: ids.size > 0 ? withMacroIds(profile, ids) : profile, macros: added }
}
